import { useDraggable } from '@dnd-kit/core';
import { StyleSheet, View } from 'react-native';
import type { BoardJob, Placing } from '@green-tally/core/contracts';
import { Quiet, RADIUS, SPACE, STROKE, Strong, Tap, usePalette, type Palette } from '../ui';
import { placingWords } from './words';
import { placingNow, type Desk } from './useDesk';

/** How a visit stands, as it is drawn and said. */
export interface Look {
  readonly words: readonly string[];
  readonly fill: keyof Palette;
  readonly edge: keyof Palette;
}

/** What is wrong with it first, then what was said of it. */
export function lookOf(desk: Desk, job: BoardJob, to: Placing | null): Look {
  const own = desk.conflicts.filter((c) => c.id === job.id);
  const hard = own.some((c) => c.hard);
  const late = own.some((c) => c.kind === 'late');
  const words = [
    ...(job.finishedAt ? ['finished'] : job.startedAt ? ['begun'] : []),
    ...(hard ? ['in the way'] : []),
    ...(late ? ['late'] : []),
    ...(own.some((c) => c.kind === 'parts') ? ['parts'] : []),
    ...(desk.over.has(job.id) ? [job.published ? 'moved' : 'new'] : []),
    ...(to?.pinned ? ['pinned'] : []),
  ];
  if (job.finishedAt) return { words, fill: 'tray', edge: 'line' };
  if (hard) return { words, fill: 'violetTint', edge: 'violet' };
  if (late) return { words, fill: 'rustTint', edge: 'rust' };
  return { words, fill: desk.over.has(job.id) ? 'blueTint' : 'card', edge: 'pine' };
}

interface BlockProps {
  readonly desk: Desk;
  readonly job: BoardJob;
  readonly onKey: (job: BoardJob, key: string) => boolean;
  /** beside a visit of two: it is drawn once more, and moved by the first */
  readonly second?: boolean;
  readonly tall: boolean;
}

/** A visit that is taken with the mouse or by keys. */
export function Block({ desk, job, onKey, second = false, tall }: BlockProps) {
  const palette = usePalette();
  const to = placingNow(desk, job);
  const { words, fill, edge } = lookOf(desk, job, to);
  const fixed = second || !desk.may || job.finishedAt !== null;
  const { setNodeRef, listeners, isDragging } = useDraggable({ id: job.id, disabled: fixed });
  const chosen = desk.selected?.id === job.id;
  const place = placingWords(desk.page, to);
  // the mouse takes it here; keys are heard by themselves
  const heard: object = {
    onPointerDown: listeners?.['onPointerDown'],
    onKeyDown: (event: KeyboardEvent) => {
      if (fixed || !onKey(job, event.key)) return;
      event.preventDefault();
      event.stopPropagation();
    },
  };
  return (
    <View
      ref={(node) => setNodeRef(node as unknown as HTMLElement | null)}
      style={[styles.frame, isDragging ? styles.dragged : null]}
      {...heard}
    >
      <Tap
        testID={`visit ${job.machine.serial}${second ? ' second' : ''}`}
        label={[job.machine.serial, job.machine.customer, place, ...words].join(', ')}
        selected={chosen}
        onPress={() => desk.select(chosen ? undefined : job.id)}
        style={[
          styles.block,
          { backgroundColor: palette[fill], borderColor: palette[edge] },
          chosen ? styles.chosen : null,
          desk.over.has(job.id) ? styles.moved : null,
        ]}
      >
        <Strong oneLine style={styles.line}>
          {[job.machine.serial, ...words].join(' · ')}
        </Strong>
        {tall ? (
          <Quiet oneLine style={styles.line}>
            {job.machine.customer}
          </Quiet>
        ) : null}
      </Tap>
      {fixed || !to ? null : <LowerEdge job={job} />}
    </View>
  );
}

/** What the lower edge of a visit is dragged under: its id, and this. */
export const EDGE_OF = ' edge';

/** Drawn down or up it makes the visit longer or shorter. */
function LowerEdge({ job }: { job: BoardJob }) {
  const { setNodeRef, listeners } = useDraggable({ id: `${job.id}${EDGE_OF}` });
  const heard: object = {
    onPointerDown: (event: PointerEvent) => {
      event.stopPropagation();
      listeners?.['onPointerDown']?.(event);
    },
  };
  return (
    <View
      ref={(node) => setNodeRef(node as unknown as HTMLElement | null)}
      testID={`edge ${job.machine.serial}`}
      aria-hidden
      style={styles.edge}
      {...heard}
    />
  );
}

const styles = StyleSheet.create({
  frame: { flex: 1 },
  dragged: { opacity: 0.4 },
  block: {
    flex: 1,
    minHeight: 0,
    borderRadius: RADIUS.s,
    borderWidth: STROKE.thin,
    paddingHorizontal: SPACE.s,
    justifyContent: 'flex-start',
    overflow: 'hidden',
  },
  chosen: { borderWidth: STROKE.chosen },
  edge: {
    position: 'absolute',
    left: 0,
    right: 0,
    bottom: 0,
    height: 9,
    cursor: 'ns-resize' as never,
  },
  moved: { borderStyle: 'dashed' },
  line: { lineHeight: 28 },
});
