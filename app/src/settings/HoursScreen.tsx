import {
  HoursPage,
  type HoursAnswer,
  type HoursDoubt,
  type HoursReport,
  type HoursTaken,
} from '@green-tally/core/contracts/hours';
import { mayDo } from '@green-tally/core/rights';
import { printHours, printNumber } from '@green-tally/core/units';
import { api, listsChanged, troubleText, useAction, useSession } from '../store';
import { useAnswer } from '../store/hooks';
import { Body, Buttons, Card, Heading, Notice, Press, Quiet, Row, SPACE, Strong } from '../ui';
import { FilePress } from '../ui/FilePress';
import { momentWords } from '../yard/words';
import { SettingsFrame } from './SettingsFrame';

/** Why a report is asked about, and what it may be. */
const DOUBTS: Readonly<Record<HoursDoubt, string>> = {
  backwards:
    'It shows less than before. A meter was swapped, or the service means another machine.',
  reset: 'It begins anew. The meter was swapped or set back.',
  tooFast: 'It shows more hours than have passed since the last report.',
  gap: 'The service was silent for weeks. Look whether it is still on this machine.',
  leap: 'It shows far more than the books. Somebody has not written the hours down for long, or it is another machine.',
};

const METERS = { engine: 'engine', separator: 'separator' } as const;

/** Hours that a fleet service reports: what waits for a person, and what stands last. */
export function HoursScreen() {
  const { data: page, error, again } = useAnswer('GET /hours', {}, HoursPage);
  const { data: session } = useSession();
  const may = Boolean(session?.person && mayDo(session.person.role, 'keepMachines'));
  const changed = () => {
    again();
    listsChanged();
  };
  return (
    <SettingsFrame title="Hours" testID="hours">
      <Quiet>
        From the fleet service, which is simulated here, and from files. What goes on as a meter
        does is taken by itself; separator and engine stay apart, and only the separator’s stand in
        the books.
      </Quiet>
      {page ? null : error ? (
        <Notice
          tone="rust"
          title="Not there"
          text={troubleText(error)}
          action={{ title: 'Ask again', onPress: again }}
        />
      ) : (
        <Quiet>Asking.</Quiet>
      )}
      {page && may ? <Asking service={page.service} onTaken={changed} /> : null}
      {page ? (
        <Heading>{page.challenged.length ? 'To be looked at' : 'Nothing to be looked at'}</Heading>
      ) : null}
      {page?.challenged.map((report) => (
        <Challenged key={report.id} report={report} may={may} onAnswered={changed} />
      ))}
      {page?.latest.length ? <Heading>As reported last</Heading> : null}
      {page?.latest.map((r) => (
        <Row key={r.id} apart>
          <Strong>{`${r.machine.serial}, ${METERS[r.meter]}`}</Strong>
          <Quiet>{`${printHours(r.hours)}${r.offset ? ` and ${printNumber(r.offset, 1)} of the meter before` : ''} · ${momentWords(r.at)} · ${r.source}`}</Quiet>
        </Row>
      ))}
    </SettingsFrame>
  );
}

/** The service is asked now, or a snapshot comes as a file. */
function Asking({ service, onTaken }: { service: boolean; onTaken: () => void }) {
  const ask = useAction(async () => {
    await api('POST /hours/ask', {});
    onTaken();
  });
  const file = useAction(async (text: string) => {
    const found: HoursTaken = await api('POST /hours/import', { body: text });
    onTaken();
    if (found.unknown.length)
      throw new Error(
        `Taken: ${found.taken}, to be looked at: ${found.challenged}. On no book here: ${found.unknown.slice(0, 8).join(', ')}.`,
      );
  });
  const trouble = ask.trouble || file.trouble;
  return (
    <Card>
      <Row gap={SPACE.s}>
        {service ? (
          <Press
            small
            title="Ask the service now"
            testID="ask hours"
            loading={ask.busy}
            onPress={() => void ask.run()}
          />
        ) : null}
        <FilePress
          title="Bring in a snapshot"
          label="Fleet snapshot, JSON or XML"
          testID="hours file"
          accept=".json,.xml,application/json,text/xml"
          busy={file.busy}
          onPick={({ text }) => void file.run(text)}
        />
      </Row>
      {trouble ? (
        <Notice tone="rust" title="Not all of it" text={trouble} testID="hours trouble" />
      ) : null}
    </Card>
  );
}

interface ChallengedProps {
  readonly report: HoursReport;
  readonly may: boolean;
  readonly onAnswered: () => void;
}

function Challenged({ report, may, onAnswered }: ChallengedProps) {
  const { machine, meter, hours, before, doubt, at, source } = report;
  const answer = useAction(async (said: HoursAnswer['answer']) => {
    await api('POST /hours/{id}/answer', { params: { id: report.id }, body: { answer: said } });
    onAnswered();
  });
  return (
    <Card edge="violet" testID={`asked ${machine.serial} ${meter}`}>
      <Strong>{`${machine.serial}, ${machine.model}: ${METERS[meter]}`}</Strong>
      <Body>{`${printHours(hours)} reported${before ? `, ${printHours(before.hours)} before` : ''}. ${doubt ? DOUBTS[doubt] : ''}`}</Body>
      <Quiet>{`${momentWords(at)} · ${source}`}</Quiet>
      {may ? (
        <Buttons>
          <Press
            small
            title="It is right"
            testID="hours right"
            loading={answer.busy}
            onPress={() => void answer.run('right')}
          />
          <Press
            small
            title="Meter swapped"
            testID="hours swapped"
            onPress={() => void answer.run('swapped')}
          />
          <Press
            small
            title="It is wrong"
            testID="hours wrong"
            onPress={() => void answer.run('wrong')}
          />
        </Buttons>
      ) : (
        <Quiet>A planner says which it is.</Quiet>
      )}
      {answer.trouble ? <Notice tone="rust" title="Not kept" text={answer.trouble} /> : null}
    </Card>
  );
}
