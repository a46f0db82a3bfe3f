import { DndContext, DragOverlay, PointerSensor, useSensor, useSensors } from '@dnd-kit/core';
import { useMemo, useRef, useState } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';
import { inTheWayOf, lengthTo, putAt, stepTechnician, stepTime } from '@green-tally/core/board';
import type { BoardJob, BoardPage, Placing } from '@green-tally/core/contracts';
import { slotOf } from '@green-tally/core/crew';
import { mayDo } from '@green-tally/core/rights';
import { SyncLine } from '../session/SyncLine';
import { useSession } from '../store';
import { Go, Press, Quiet, Row, Screen, SPACE, STROKE, Strong, Title, usePalette } from '../ui';
import { momentWords, weekdayWords } from '../yard/words';
import { EDGE_OF } from './Block';
import { lengthWords, likelyWords, placingWords } from './words';
import { Side } from './Side';
import { element, useDragging, type Pointer } from './useDragging';
import { placingNow, useDesk, type Desk } from './useDesk';
import { layWall, slotAt } from './wall';
import { WallHead, WallView } from './WallView';

/** The wall is drawn for so many days at first, and so many more each time. */
const DAYS = 35;
/** A mouse is dragging once it has gone so far, px; until then it is a tap. */
const FAR = 6;

/** What is dragged, and how far below its upper edge it is held, px. */
interface Dragged {
  readonly id: string;
  readonly grip: number;
}

interface Held {
  readonly job: BoardJob;
  readonly slot: number;
  readonly column: number;
  readonly to: Placing;
  readonly said: readonly string[];
  readonly fits: boolean;
}

/** The board on a wide screen: days down, technicians across, and what is said of it beside. */
export function DeskScreen({ page, again }: { page: BoardPage; again: () => void }) {
  const { data: session } = useSession();
  const role = session?.person?.role;
  const desk = useDesk(page, role !== undefined && mayDo(role, 'planVisits'), again);
  const palette = usePalette();
  const [days, setDays] = useState(DAYS);
  const [held, setHeld] = useState<Held>();
  const [dragged, setDragged] = useState<Dragged>();
  const columns = useRef<View>(null);
  const scrolls = useRef<ScrollView>(null);
  const worked = useMemo(
    () =>
      new Set(
        [...desk.spans.values()].flatMap(({ first, last }) =>
          Array.from({ length: (last ?? first) - first + 1 }, (_, i) => first + i),
        ),
      ),
    [desk.spans],
  );
  const wall = useMemo(() => layWall(page, days, worked), [page, days, worked]);
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: FAR } }));
  const over = ({ id: dragged, grip }: Dragged, pointer: Pointer): Held | undefined => {
    const [id = '', edge] = dragged.split(EDGE_OF);
    const job = page.jobs.find((j) => j.id === id);
    const at = element(columns.current)?.getBoundingClientRect();
    if (!job || !at) return undefined;
    const x = pointer.x - at.left;
    const y = pointer.y - (edge === undefined ? grip : 0) - at.top;
    if (x < 0 || x >= at.width || y < 0 || y >= at.height) return undefined;
    const slot = slotAt(wall, y);
    if (edge !== undefined) return longer(desk, job, slot);
    return heldAt(desk, job, {
      slot,
      column: Math.floor((x / at.width) * page.technicians.length),
    });
  };
  useDragging(dragged, scrolls, (pointer) => {
    const now = dragged && over(dragged, pointer);
    if (now?.slot !== held?.slot || now?.column !== held?.column) setHeld(now);
  });
  const onKey = (job: BoardJob, key: string) => {
    const moves = KEYS[key]?.(desk, job);
    if (!moves) return false;
    desk.move(moves);
    desk.select(job.id);
    return true;
  };
  return (
    <Screen testID="board" title="Board" full fixed>
      <DndContext
        sensors={sensors}
        autoScroll={false}
        onDragStart={({ active, activatorEvent }) => {
          const box = active.rect.current.initial;
          const on = desk.spans.has(String(active.id)) && box;
          const y = activatorEvent instanceof PointerEvent ? activatorEvent.clientY : 0;
          // a visit on the board is held where it was taken; one from beside it by its upper edge
          setDragged({ id: String(active.id), grip: on ? y - box.top - INSIDE : 0 });
        }}
        onDragCancel={() => {
          setDragged(undefined);
          setHeld(undefined);
        }}
        onDragEnd={() => {
          const now = held;
          setDragged(undefined);
          setHeld(undefined);
          if (!now) return;
          desk.move([[now.job.id, now.to]]);
          desk.select(now.job.id);
        }}
      >
        <Row apart>
          <Title>{`Board · ${page.branch}`}</Title>
          <Row gap={SPACE.m}>
            <Go
              to="/settings/crew"
              label="What the branch plans by: hours, skills, bays, map"
              style={styles.link}
            >
              <Strong tone="pine">Hours, skills, bays, map ›</Strong>
            </Go>
            <Go to="/board/print" label="A sheet of the plan to print" style={styles.link}>
              <Strong tone="pine">Sheet to print ›</Strong>
            </Go>
            <SyncLine />
          </Row>
        </Row>
        <View style={styles.told}>
          {held ? <HeldWords desk={desk} held={held} /> : <Summary page={page} />}
        </View>
        <View style={styles.parts}>
          <ScrollView
            ref={scrolls}
            style={styles.wall}
            testID="wall scroll"
            stickyHeaderIndices={[0]}
          >
            <WallHead page={page} />
            <WallView desk={desk} wall={wall} columns={columns} onKey={onKey} held={held} />
            {days * 2 < page.slots ? (
              <Press
                small
                title="Four more weeks"
                testID="more days"
                onPress={() => setDays(days + 28)}
              />
            ) : null}
          </ScrollView>
          <View style={[styles.side, { borderColor: palette.line }]}>
            <Side desk={desk} />
          </View>
        </View>
        <DragOverlay dropAnimation={null}>
          {held ? (
            <View
              style={[styles.overlay, { backgroundColor: palette.card, borderColor: palette.pine }]}
            >
              <Strong>{held.job.machine.serial}</Strong>
            </View>
          ) : null}
        </DragOverlay>
      </DndContext>
    </Screen>
  );
}

/** So far inside its upper edge a visit still begins with the half day it lies on, px. */
const INSIDE = 12;

/** A visit drawn longer or shorter by its lower edge. */
function longer(desk: Desk, job: BoardJob, slot: number): Held | undefined {
  const was = placingNow(desk, job);
  if (!was) return undefined;
  const column = desk.page.technicians.findIndex((t) => t.id === was.technicianIds[0]);
  return told(desk, job, { slot, column }, lengthTo(desk.page, was, slot));
}

function heldAt(desk: Desk, job: BoardJob, at: { slot: number; column: number }): Held {
  const technician = desk.page.technicians[at.column];
  const to = putAt(desk.page, desk.over, job, {
    technicianId: technician?.id ?? '',
    slot: at.slot,
  });
  return told(desk, job, at, to);
}

function told(desk: Desk, job: BoardJob, at: Pick<Held, 'slot' | 'column'>, to: Placing): Held {
  const conflicts = inTheWayOf(desk.page, desk.over, job, to);
  return {
    job,
    ...at,
    to,
    said: conflicts.map((c) => c.text),
    fits: !conflicts.some((c) => c.hard),
  };
}

/** What is in the way of where a visit is held, while it is held there. */
function HeldWords({ desk, held }: { desk: Desk; held: Held }) {
  const palette = usePalette();
  return (
    <View
      testID="held"
      role="status"
      style={[
        styles.held,
        {
          backgroundColor: held.fits ? palette.pineTint : palette.rustTint,
          borderColor: held.fits ? palette.pine : palette.rust,
        },
      ]}
    >
      <Strong oneLine>
        {`${held.job.machine.serial}: ${placingWords(desk.page, held.to)}, ${lengthWords(held.job, held.to)}`}
      </Strong>
      <Quiet>{heldWords(desk.page, held)}</Quiet>
    </View>
  );
}

/** That it goes on to another day, what is in its way, or that nothing is. */
function heldWords(page: BoardPage, { slot, to, said, column }: Held): string {
  const there = slotOf(page.today, to.startsOn, to.starts);
  const shut = page.technicians[column]?.open[slot] === 0 && there > slot;
  const goesOn = shut
    ? `${page.technicians[column]?.name ?? ''} does not work then: it goes on to ${weekdayWords(to.startsOn)}. `
    : '';
  return goesOn + (said.join(' ') || 'Nothing is in the way.');
}

type Move = (
  desk: Desk,
  job: BoardJob,
) => readonly (readonly [string, Placing | null])[] | undefined;

const one =
  (step: (desk: Desk, job: BoardJob) => Placing | null | undefined): Move =>
  (desk, job) => {
    const to = step(desk, job);
    return to === undefined ? undefined : [[job.id, to]];
  };
const changed = (change: (to: Placing, job: BoardJob) => Partial<Placing>): Move =>
  one((desk, job) => {
    const to = placingNow(desk, job);
    return to ? { ...to, ...change(to, job) } : undefined;
  });

/** What keys do with the visit that has the focus. */
const KEYS: Readonly<Record<string, Move>> = {
  ArrowDown: one((desk, job) => stepTime(desk.page, desk.over, job, 1)),
  ArrowUp: one((desk, job) => stepTime(desk.page, desk.over, job, -1)),
  ArrowRight: one((desk, job) => stepTechnician(desk.page, desk.over, job, 1)),
  ArrowLeft: one((desk, job) => stepTechnician(desk.page, desk.over, job, -1)),
  '+': changed((to, job) => ({ halfDays: (to.halfDays ?? job.halfDays) + 1 })),
  '-': changed((to, job) => ({ halfDays: Math.max(1, (to.halfDays ?? job.halfDays) - 1) })),
  p: changed((to) => ({ pinned: !to.pinned })),
  Delete: one(() => null),
};

function Summary({ page }: { page: BoardPage }) {
  const chances = page.jobs.flatMap((j) => (j.finishedAt || j.chance === null ? [] : [j.chance]));
  const { plan } = page;
  return (
    <Row gap={SPACE.l}>
      <Strong testID="likely">
        {chances.length ? `This plan: ${likelyWords(chances)}.` : 'No work is accepted yet.'}
      </Strong>
      <Quiet testID="plan now">
        {plan
          ? `Plan ${plan.n}, ${plan.by}, ${momentWords(plan.at)}: ${plan.why}`
          : 'No plan was published here yet; visits stand as they were set.'}
      </Quiet>
      {page.behind ? (
        <Quiet>{`${page.behind} ${page.behind === 1 ? 'machine is' : 'machines are'} being judged anew.`}</Quiet>
      ) : null}
    </Row>
  );
}

const styles = StyleSheet.create({
  parts: { flexDirection: 'row', flex: 1, minHeight: 0, gap: SPACE.m },
  wall: { flex: 1 },
  side: { width: 372, borderLeftWidth: STROKE.thin, paddingLeft: SPACE.m },
  overlay: { borderWidth: STROKE.thick, paddingHorizontal: SPACE.s, opacity: 0.9, width: 120 },
  link: { justifyContent: 'center' },
  // as high held as not, so that nothing moves under the hand
  told: { minHeight: 56, justifyContent: 'center' },
  held: { borderWidth: STROKE.thin, paddingHorizontal: SPACE.s, paddingVertical: 4 },
});
