import { putAt, stepTime } from '@green-tally/core/board';
import type { BoardJob, Placing } from '@green-tally/core/contracts';
import { slotOf } from '@green-tally/core/crew';
import {
  Body,
  Buttons,
  Card,
  Chip,
  Choice,
  Go,
  Heading,
  Press,
  Quiet,
  Row,
  SPACE,
  Strong,
} from '../ui';
import { chanceWords, dayWords, halfWords, weekdayWords } from '../yard/words';
import { PartsLine } from './WaitingPart';
import { lengthWords, placingWords } from './words';
import { placingNow, type Desk } from './useDesk';

/** One visit: what it is for, what is in its way, and all that can be changed of it without a mouse. */
export function JobPart({ desk, job }: { desk: Desk; job: BoardJob }) {
  const to = placingNow(desk, job);
  const { id, serial, model, customer } = job.machine;
  const conflicts = desk.conflicts.filter((c) => c.id === job.id);
  return (
    <>
      <Card testID="visit part">
        <Row apart>
          <Heading>{`${serial} · ${model}`}</Heading>
          <Press small title="Close" onPress={() => desk.select(undefined)} />
        </Row>
        <Strong testID="visit stands">{placingWords(desk.page, to)}</Strong>
        <Quiet>{`${customer} · ${lengthWords(job, to)} · ready before ${dayWords(job.due)}`}</Quiet>
        {conflicts.map((c) => (
          <Strong key={c.text} tone={c.kind === 'late' ? 'rust' : 'violet'}>
            {`${c.hard ? 'In the way' : 'Mind'}: ${c.text}`}
          </Strong>
        ))}
        {to && !conflicts.length ? <Quiet>Nothing is in its way.</Quiet> : null}
      </Card>
      {desk.may && !job.finishedAt ? <Change desk={desk} job={job} to={to} /> : null}
      <Card>
        <Heading>What it is for</Heading>
        {job.work.map((w, i) => (
          <Body key={i}>{`${w.component}: ${w.decision}`}</Body>
        ))}
        <Quiet>{`${job.crop} ${dayWords(job.harvest.start)} to ${dayWords(job.harvest.end)}`}</Quiet>
        {job.skills.length ? <Quiet>{`Skills: ${job.skills.join(', ')}`}</Quiet> : null}
        <PartsLine job={job} />
        {job.chance === null || !job.version ? null : (
          <Body>{`As published, this machine’s accepted work is in time with ${chanceWords(job.chance)}.`}</Body>
        )}
        <Row gap={SPACE.m}>
          <Go to={`/work/${id}`} label={`Work of ${serial}`}>
            <Strong tone="pine">Its work ›</Strong>
          </Go>
          {job.version ? (
            <Go to={`/van?visit=${job.id}`} label={`Van list of the visit to ${serial}`}>
              <Strong tone="pine">Van list ›</Strong>
            </Go>
          ) : null}
        </Row>
      </Card>
    </>
  );
}

interface ChangeProps {
  readonly desk: Desk;
  readonly job: BoardJob;
  readonly to: Placing | null;
}

/** Who, when, where, how long. */
function Change({ desk, job, to }: ChangeProps) {
  const { page, over } = desk;
  const set = (next: Placing | null | undefined) => {
    if (next !== undefined) desk.move([[job.id, next]]);
  };
  const slot = to ? slotOf(page.today, to.startsOn, to.starts) : 0;
  return (
    <Card>
      {to ? (
        <>
          <Strong>{`When: ${weekdayWords(to.startsOn)}, ${halfWords(to.starts)}`}</Strong>
          <Buttons>
            <Press
              small
              title="Earlier"
              label="Half a day earlier"
              testID="earlier"
              onPress={() => set(stepTime(page, over, job, -1))}
            />
            <Press
              small
              title="Later"
              label="Half a day later"
              testID="later"
              onPress={() => set(stepTime(page, over, job, 1))}
            />
          </Buttons>
        </>
      ) : (
        <Quiet>Choose who does it, or drag it onto the board.</Quiet>
      )}
      <Choice
        label="Who"
        value={to?.technicianIds[0]}
        onChange={(technicianId) => set(putAt(page, over, job, { technicianId, slot }))}
        options={page.technicians.map((t) => ({ value: t.id, title: t.name }))}
      />
      {to ? <How desk={desk} job={job} to={to} set={set} /> : null}
      <Quiet>
        By keys, on the board: arrows move it, + and − make it longer and shorter, p pins it, Delete
        takes it off.
      </Quiet>
    </Card>
  );
}

interface HowProps extends ChangeProps {
  readonly to: Placing;
  readonly set: (next: Placing | null) => void;
}

/** With whom, where, how long, and whether it stays there. */
function How({ desk, job, to, set }: HowProps) {
  const { page, over } = desk;
  const halves = to.halfDays ?? job.halfDays;
  const change = (part: Partial<Placing>) => set({ ...to, ...part });
  const [first = '', mate] = to.technicianIds;
  return (
    <>
      {job.crew === 2 || mate ? (
        <Choice
          label="Who helps"
          value={mate}
          onChange={(id) => change({ technicianIds: [first, id] })}
          options={page.technicians
            .filter((t) => t.id !== first)
            .map((t) => ({ value: t.id, title: t.name }))}
        />
      ) : null}
      <Choice
        label="Where"
        value={to.site}
        onChange={(site) => change({ site })}
        options={[
          { value: 'bay', title: 'In the bay' },
          { value: 'farm', title: 'At the farm' },
        ]}
      />
      {job.notAtFarm.length ? (
        <Quiet>{`Not at the farm: worked on with its ${job.notAtFarm.join(', ')}.`}</Quiet>
      ) : null}
      {to.site === 'farm' && !job.spot ? (
        <Quiet>{`Nobody has said where ${job.machine.customer} lies: its way is not reckoned.`}</Quiet>
      ) : null}
      <Strong>{`How long: ${lengthWords(job, to)}`}</Strong>
      <Buttons>
        <Press
          small
          title="Shorter"
          disabled={halves <= 1}
          onPress={() => change({ halfDays: halves - 1 })}
        />
        <Press small title="Longer" onPress={() => change({ halfDays: halves + 1 })} />
        {to.halfDays === null ? null : (
          <Press small title="As its work" onPress={() => change({ halfDays: null })} />
        )}
      </Buttons>
      <Row gap={SPACE.s}>
        <Chip
          title="Pinned"
          label="Pinned: stays where it is when the rest is planned anew"
          testID="pin"
          on={to.pinned}
          onPress={() => change({ pinned: !to.pinned })}
        />
        <Chip
          title="Over time"
          on={to.overTime}
          onPress={() => change({ overTime: !to.overTime })}
        />
      </Row>
      <Buttons>
        {over.has(job.id) && job.published ? (
          <Press small title="Back as published" onPress={() => desk.drop([job.id])} />
        ) : null}
        <Press small title="Take it off" testID="take off" onPress={() => set(null)} />
      </Buttons>
    </>
  );
}
