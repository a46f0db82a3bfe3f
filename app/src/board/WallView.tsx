import type { RefObject } from 'react';
import { StyleSheet, View } from 'react-native';
import type { Span } from '@green-tally/core/board';
import type { BoardJob, BoardPage } from '@green-tally/core/contracts';
import { halfDayAt, SLOTS_A_DAY } from '@green-tally/core/crew';
import { Quiet, SPACE, STROKE, Strong, usePalette } from '../ui';
import { dayWords, weekdayWords } from '../yard/words';
import { Block } from './Block';
import { baysTaken, harvestLines, topOf, type Wall, type WallDay } from './wall';
import type { Desk } from './useDesk';

/** Widths, px: of the days and of the bays. */
const DAYS = 104;
const BAYS = 64;

interface WallViewProps {
  readonly desk: Desk;
  readonly wall: Wall;
  /** where it lies, for what is let go over it */
  readonly columns: RefObject<View | null>;
  readonly onKey: (job: BoardJob, key: string) => boolean;
  /** half day and technician over which a visit is held, whether it fits there */
  readonly held:
    { readonly slot: number; readonly column: number; readonly fits: boolean } | undefined;
}

/** What the columns are: stays above what scrolls. */
export function WallHead({ page }: { page: BoardPage }) {
  const palette = usePalette();
  return (
    <View style={[styles.head, { borderColor: palette.line, backgroundColor: palette.paper }]}>
      <View style={styles.days}>
        <Strong>Day</Strong>
      </View>
      <View style={styles.bays}>
        <Strong>Bays</Strong>
      </View>
      {page.technicians.map((t) => (
        <View key={t.id} style={styles.column}>
          <Strong oneLine>{t.name}</Strong>
        </View>
      ))}
    </View>
  );
}

/** Days one below the other, a column for each technician; where harvests begin. */
export function WallView({ desk, wall, columns, onKey, held }: WallViewProps) {
  const { page } = desk;
  const palette = usePalette();
  const spans = [...desk.spans.values()].filter((s) => topOf(wall, s.first) < wall.height);
  const inBays = spans.flatMap(({ placing: { site }, first, last, job }) =>
    job.finishedAt ? [] : [{ site, first, last: last ?? first }],
  );
  const lines = harvestLines(page, wall);
  const { selected } = desk;
  const due = selected && wall.days.find((d) => d.day === selected.due);
  return (
    <View testID="wall">
      <View style={[styles.wall, { height: wall.height }]}>
        {wall.days.map((d) => (
          <DayRow key={d.day} desk={desk} day={d} taken={baysTaken(inBays, d.slot)} />
        ))}
        <View ref={columns} style={styles.columns}>
          {page.technicians.map((t, column) => (
            <View
              key={t.id}
              testID={`column ${t.name}`}
              style={[styles.column, { borderColor: palette.line }, styles.ruled]}
            >
              <Closed desk={desk} wall={wall} open={t.open} />
              {held && held.column === column ? (
                <View
                  style={[
                    styles.held,
                    slotBox(wall, held.slot),
                    { borderColor: held.fits ? palette.pine : palette.rust },
                  ]}
                />
              ) : null}
              {ofTechnician(spans, t.id).map(({ span, second, lane, lanes }) => (
                <View
                  key={`${span.job.id} ${String(second)}`}
                  style={[styles.visit, boxOf(wall, span), laneOf(lane, lanes)]}
                >
                  <Block
                    desk={desk}
                    job={span.job}
                    second={second}
                    onKey={onKey}
                    tall={boxOf(wall, span).height > 60}
                  />
                </View>
              ))}
            </View>
          ))}
        </View>
        {lines.map(({ crop, day, top }) => (
          <View key={crop} style={[styles.harvest, { top, borderColor: palette.rust }]}>
            <Strong tone="rust" style={[styles.crop, { backgroundColor: palette.paper }]}>
              {`${crop} from ${dayWords(day)}`}
            </Strong>
          </View>
        ))}
        {due ? (
          <View style={[styles.due, { top: due.top, borderColor: palette.violet }]}>
            <Strong tone="violet" style={[styles.dueWords, { backgroundColor: palette.paper }]}>
              {`${selected.machine.serial} ready before this`}
            </Strong>
          </View>
        ) : null}
      </View>
    </View>
  );
}

function DayRow({ desk, day, taken }: { desk: Desk; day: WallDay; taken: number }) {
  const palette = usePalette();
  const { bays } = desk.page.setting;
  const named = !day.shut || day.holiday !== undefined;
  return (
    <View
      testID={`row ${day.day}`}
      style={[
        styles.day,
        { top: day.top, height: day.height },
        { borderColor: palette.line, backgroundColor: day.shut ? palette.tray : palette.paper },
      ]}
    >
      <View style={styles.days}>
        {named ? (
          <Strong oneLine style={styles.dayWords}>
            {day.holiday ?? weekdayWords(day.day)}
          </Strong>
        ) : null}
        {day.shut ? null : <Quiet style={styles.dayWords}>after noon</Quiet>}
      </View>
      <View style={styles.bays}>
        {day.shut || taken === 0 ? null : (
          <Strong
            tone={taken > bays ? 'rust' : 'ink'}
            style={styles.dayWords}
          >{`${taken} of ${bays}`}</Strong>
        )}
      </View>
    </View>
  );
}

/** Half days that a technician does not work. */
function Closed({ desk, wall, open }: { desk: Desk; wall: Wall; open: readonly number[] }) {
  const palette = usePalette();
  const shown = wall.days.length * SLOTS_A_DAY;
  return open.slice(0, shown).map((o, slot) =>
    o === 1 || wall.days[Math.floor(slot / SLOTS_A_DAY)]?.shut ? null : (
      <View
        key={slot}
        style={[
          styles.closed,
          slotBox(wall, slot),
          { backgroundColor: o === 0 ? palette.tray : palette.paper },
        ]}
      >
        {o === 2 ? (
          <Quiet>over time</Quiet>
        ) : slot % SLOTS_A_DAY === 0 ? (
          <Away desk={desk} slot={slot} open={open} />
        ) : null}
      </View>
    ),
  );
}

/** Why somebody is away, on the first day of it. */
function Away({ desk, slot, open }: { desk: Desk; slot: number; open: readonly number[] }) {
  const technician = desk.page.technicians.find((t) => t.open === open);
  const { day } = halfDayAt(desk.page.today, slot);
  const away = technician?.away.find(
    (a) => a.from === day || (a.from < day && slot === 0 && a.to >= day),
  );
  return away ? <Quiet oneLine>{away.why}</Quiet> : null;
}

interface Shown {
  readonly span: Span;
  readonly second: boolean;
  readonly lane: number;
  readonly lanes: number;
}

/** A technician's visits, side by side where they lie on the same half days. */
function ofTechnician(spans: readonly Span[], id: string): Shown[] {
  const own = spans
    .filter((s) => s.placing.technicianIds.includes(id))
    .sort((a, b) => a.first - b.first);
  const ends: number[] = [];
  const laid = own.map((span) => {
    const free = ends.findIndex((end) => end < span.first);
    const lane = free < 0 ? ends.length : free;
    ends[lane] = span.last ?? span.first;
    return { span, second: span.placing.technicianIds[0] !== id, lane };
  });
  return laid.map((l) => {
    const beside = laid.filter((o) => meets(o.span, l.span)).map((o) => o.lane);
    return { ...l, lanes: Math.max(...beside) + 1 };
  });
}

const meets = (a: Span, b: Span): boolean =>
  a.first <= (b.last ?? b.first) && b.first <= (a.last ?? a.first);

const boxOf = (wall: Wall, { first, last }: Span) => {
  const top = topOf(wall, Math.max(0, first));
  return { top, height: Math.max(20, topOf(wall, (last ?? first) + 1) - top - 2) };
};

/** Where a half day lies. */
const slotBox = (wall: Wall, slot: number) => ({
  top: topOf(wall, slot),
  height: topOf(wall, slot + 1) - topOf(wall, slot),
});

const laneOf = (lane: number, lanes: number) => ({
  left: `${(100 * lane) / lanes}%` as const,
  width: `${100 / lanes}%` as const,
});

const styles = StyleSheet.create({
  head: { flexDirection: 'row', borderBottomWidth: STROKE.thin, paddingBottom: SPACE.xs },
  wall: { position: 'relative' },
  day: { position: 'absolute', left: 0, right: 0, flexDirection: 'row', borderTopWidth: 1 },
  days: { width: DAYS, paddingLeft: SPACE.xs },
  bays: { width: BAYS },
  dayWords: { lineHeight: 32 },
  columns: {
    position: 'absolute',
    left: DAYS + BAYS,
    right: 0,
    top: 0,
    bottom: 0,
    flexDirection: 'row',
  },
  column: { flex: 1, minWidth: 0, paddingHorizontal: 2 },
  ruled: { borderLeftWidth: 1, position: 'relative' },
  closed: {
    position: 'absolute',
    left: 0,
    right: 0,
    paddingHorizontal: SPACE.xs,
    overflow: 'hidden',
  },
  held: { position: 'absolute', left: 0, right: 0, borderWidth: STROKE.thick, zIndex: 3 },
  visit: { position: 'absolute', padding: 1, zIndex: 2 },
  harvest: {
    position: 'absolute',
    left: 0,
    right: 0,
    borderTopWidth: STROKE.thick,
    pointerEvents: 'none',
    zIndex: 1,
  },
  crop: { position: 'absolute', right: 0, top: -12, paddingHorizontal: SPACE.s },
  due: {
    position: 'absolute',
    left: 0,
    right: 0,
    borderTopWidth: STROKE.thick,
    borderStyle: 'dashed',
    pointerEvents: 'none',
    zIndex: 4,
  },
  dueWords: { position: 'absolute', left: DAYS + BAYS, top: -12, paddingHorizontal: SPACE.s },
});
