import { useDraggable } from '@dnd-kit/core';
import { StyleSheet, View } from 'react-native';
import { putAt } from '@green-tally/core/board';
import type { BoardJob } from '@green-tally/core/contracts';
import { slotOf } from '@green-tally/core/crew';
import { Card, Notice, Press, Quiet, Row, Strong, Tap } from '../ui';
import { dayWords } from '../yard/words';
import { lengthWords } from './words';
import { placingNow, type Desk } from './useDesk';

/** Accepted work that has no visit: dragged onto the board, or put there by a button. */
export function Waiting({ desk }: { desk: Desk }) {
  const waiting = desk.page.jobs.filter((j) => !j.finishedAt && !placingNow(desk, j));
  if (!waiting.length)
    return (
      <Notice
        tone="pine"
        title="All accepted work is planned"
        text="What is accepted next comes in here."
      />
    );
  return (
    <>
      <Quiet>Drag one onto the board, or put it there by its button. Harvest nearest first.</Quiet>
      {waiting.map((job) => (
        <WaitingCard key={job.id} desk={desk} job={job} />
      ))}
    </>
  );
}

function WaitingCard({ desk, job }: { desk: Desk; job: BoardJob }) {
  const { setNodeRef, listeners, isDragging } = useDraggable({ id: job.id, disabled: !desk.may });
  const { serial, customer, model } = job.machine;
  const heard: object = { onPointerDown: listeners?.['onPointerDown'] };
  return (
    <View
      ref={(node) => setNodeRef(node as unknown as HTMLElement | null)}
      style={isDragging ? styles.dragged : null}
      testID={`waiting ${serial}`}
      {...heard}
    >
      <Card>
        <Tap label={`${serial}: all about it`} onPress={() => desk.select(job.id)}>
          <Row apart>
            <Strong>{`${serial} · ${model}`}</Strong>
            <Strong>{`by ${dayWords(job.due)}`}</Strong>
          </Row>
          <Quiet>{`${customer} · ${lengthWords(job, null)}`}</Quiet>
          <PartsLine job={job} />
        </Tap>
        {desk.may ? (
          <Press
            small
            title="Put it on the board"
            label={`Put ${serial} on the board`}
            testID={`put ${serial}`}
            onPress={() => {
              const to = firstPlace(desk, job);
              if (to) desk.move([[job.id, to]]);
              desk.select(job.id);
            }}
          />
        ) : null}
      </Card>
    </View>
  );
}

/** What it waits for. */
export function PartsLine({ job }: { job: BoardJob }) {
  if (!job.awaited.length) return null;
  return job.earliest === null ? (
    <Quiet>{`Waits for ${job.awaited.map((p) => p.name).join(', ')}: nobody knows when it comes.`}</Quiet>
  ) : (
    <Quiet>{`Parts from ${dayWords(job.earliest)}: ${job.awaited.map((p) => p.name).join(', ')}`}</Quiet>
  );
}

/** The first technician who can do it, on the first half day after its parts on which they are free. */
function firstPlace(desk: Desk, job: BoardJob) {
  const { page, over } = desk;
  const able = page.technicians.filter((t) => job.skills.every((s) => t.skills.includes(s)));
  const taken = new Map<string, Set<number>>();
  for (const { placing, first, last, job: other } of desk.spans.values())
    if (!other.finishedAt)
      for (const id of placing.technicianIds)
        for (let t = Math.max(0, first); t <= (last ?? first); t += 1)
          taken.set(id, (taken.get(id) ?? new Set()).add(t));
  const from = Math.max(0, slotOf(page.today, job.earliest ?? page.today, 'morning'));
  const free = (able.length ? able : page.technicians).map((t) => {
    const slot = t.open.findIndex((o, s) => s >= from && o === 1 && !taken.get(t.id)?.has(s));
    return { technicianId: t.id, slot: slot < 0 ? Infinity : slot };
  });
  const [best] = free.sort((a, b) => a.slot - b.slot);
  return best && best.slot < Infinity ? putAt(page, over, job, best) : undefined;
}

const styles = StyleSheet.create({ dragged: { opacity: 0.5, zIndex: 20 } });
