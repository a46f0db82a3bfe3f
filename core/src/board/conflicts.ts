import { format } from 'date-fns/format';
import { parseISO } from 'date-fns/parseISO';
import type { BoardJob, BoardPage, Day, HalfDay, Placing } from '../contracts';
import { closedBy, halfDayAt, lastSlot, slotOf, USUAL_WEEK } from '../crew';
import { CLOSED, OVER_TIME, SLOTS_A_DAY } from './problem';
import { placingOf, type Placings } from './laid';

/** What is wrong with where a visit stands. */
export type ConflictKind =
  | 'past'
  | 'person'
  | 'crew'
  | 'skill'
  | 'closed'
  | 'end'
  | 'busy'
  | 'machine'
  | 'bay'
  | 'farm'
  | 'parts'
  | 'late'
  | 'margin';

/** Something in the way of a visit, in words. Hard: a plan with it is not published. */
export interface Conflict {
  readonly id: string;
  readonly kind: ConflictKind;
  readonly hard: boolean;
  /** another visit that is in the way */
  readonly with?: string;
  readonly text: string;
}

/** Where a visit lies on the board, from its first half day to its last. */
export interface Span {
  readonly job: BoardJob;
  readonly placing: Placing;
  readonly first: number;
  /** undefined: its crew has not time enough */
  readonly last: number | undefined;
}

/** Where a visit stands, slot by slot; undefined where it has no place or its crew is not known. */
export function spanOf(page: BoardPage, job: BoardJob, placing: Placing | null): Span | undefined {
  if (!placing) return undefined;
  const first = slotOf(page.today, placing.startsOn, placing.starts);
  // what began before today ends as it was published: who worked then is not asked any more
  if (job.ends && placing === job.published && first < 0)
    return { job, placing, first, last: slotOf(page.today, job.ends.on, job.ends.half) };
  const crew = placing.technicianIds.map((id) => page.technicians.find((t) => t.id === id)?.open);
  const known = crew.flatMap((c) => (c ? [c] : []));
  const halfDays = placing.halfDays ?? job.halfDays;
  const last =
    known.length === crew.length ? lastSlot(known, first, halfDays, placing.overTime) : undefined;
  return { job, placing, first, last };
}

/** Every visit that is on the board, finished ones too, where it lies with what is laid over it. */
export const spansOf = (page: BoardPage, over: Placings): Span[] =>
  page.jobs.flatMap((job) => spanOf(page, job, placingOf(job, over)) ?? []);

/**
 * All that is wrong with a plan, visit by visit. What is finished is in nobody's way.
 * Grows with the visits and with what lies on the same half days.
 */
export function conflictsOf(page: BoardPage, over: Placings): Conflict[] {
  const spans = spansOf(page, over).filter((s) => s.job.finishedAt === null);
  const taken = new Taken(page, spans);
  return spans.flatMap((span) => [...alone(page, span), ...taken.around(span)]);
}

const dayWords = (day: Day): string => format(parseISO(day), 'EEE d MMM');
const halfWords = (half: HalfDay): string => (half === 'morning' ? 'in the morning' : 'after noon');

/** What is wrong whatever else is planned. */
function alone(page: BoardPage, span: Span): Conflict[] {
  const { job, placing, first } = span;
  const found: Conflict[] = [];
  const say = (kind: ConflictKind, text: string, hard = true) =>
    found.push({ id: job.id, kind, hard, text });
  const { serial } = job.machine;
  if (first < 0 && !job.startedAt)
    say('past', `${serial} was to begin on ${dayWords(placing.startsOn)}, and has not.`);
  const crew = placing.technicianIds.map((id) => page.technicians.find((t) => t.id === id));
  if (crew.includes(undefined))
    say('person', `Somebody planned for ${serial} does not work at ${page.branch}.`);
  if (job.crew === 2 && crew.length < 2)
    say('crew', `${serial} takes two: something on it is not lifted or held by one.`);
  const held = new Set(crew.flatMap((t) => t?.skills ?? []));
  const missing = job.skills.filter((s) => !held.has(s));
  if (missing.length)
    say('skill', `${namesOf(page, placing)} cannot do ${missing.join(', ')} on ${serial}.`);
  if (placing.site === 'farm' && job.notAtFarm.length)
    say('farm', `Not at the farm: ${serial} is worked on with its ${job.notAtFarm.join(', ')}.`);
  found.push(...closings(page, span));
  if (first >= 0 && span.last === undefined && !crew.includes(undefined))
    say('end', `${serial} does not end while ${namesOf(page, placing)} can work.`);
  found.push(...dates(page, span));
  return found;
}

/** Whether it begins while one of its crew does not work, and why not. */
function closings(page: BoardPage, { job, placing, first }: Span): Conflict[] {
  if (first < 0) return [];
  return placing.technicianIds.flatMap((id): Conflict[] => {
    const technician = page.technicians.find((t) => t.id === id);
    const open = technician?.open[first];
    if (!technician || (open !== CLOSED && (open !== OVER_TIME || placing.overTime))) return [];
    const { startsOn, starts } = placing;
    const why =
      open === OVER_TIME
        ? 'is over time'
        : reasonWords(
            closedBy(
              { week: [...USUAL_WEEK], away: technician.away },
              page.setting.holidays,
              startsOn,
              starts,
            ),
          );
    const text = `${technician.name}: ${dayWords(startsOn)} ${halfWords(starts)} ${why}.`;
    return [{ id: job.id, kind: 'closed', hard: true, text }];
  });
}

function reasonWords(closed: ReturnType<typeof closedBy>): string {
  if (closed?.by === 'holiday') return `is ${closed.why}, a holiday`;
  if (closed?.by === 'away') return `is away, ${closed.why}`;
  return 'is not worked';
}

/** Parts and harvest: said, but a planner may know better. */
function dates(page: BoardPage, { job, placing, last }: Span): Conflict[] {
  const found: Conflict[] = [];
  const say = (kind: ConflictKind, text: string) =>
    found.push({ id: job.id, kind, hard: false, text });
  const { serial } = job.machine;
  const waits = job.awaited.map((p) => p.name).join(', ');
  if (job.earliest === null && !job.startedAt)
    say('parts', `${serial} waits for ${waits}: nobody knows when it comes.`);
  else if (job.awaited.length && placing.startsOn < (job.earliest ?? '') && !job.startedAt)
    say('parts', `${serial} begins before its parts: ${waits}, ${dayWords(job.earliest ?? '')}.`);
  if (last === undefined) return found;
  const ends = halfDayAt(page.today, last).day;
  const days = Math.ceil(
    (last + 1 - slotOf(page.today, job.harvest.start, 'morning')) / SLOTS_A_DAY,
  );
  const harvest = `${job.crop} from ${dayWords(job.harvest.start)}`;
  if (days > 0)
    say(
      'late',
      `${serial} ends ${dayWords(ends)}, ${days} ${days === 1 ? 'day' : 'days'} into harvest: ${harvest}.`,
    );
  else if (ends >= job.due) say('margin', `${serial} ends ${dayWords(ends)}, close to ${harvest}.`);
  return found;
}

const namesOf = (page: BoardPage, { technicianIds }: Placing): string =>
  technicianIds
    .map((id) => page.technicians.find((t) => t.id === id)?.name ?? 'somebody')
    .join(' and ');

/** What lies on each half day: by technician, by machine, in the bays. */
class Taken {
  private readonly byHand = new Map<string, Span[]>();
  private readonly byMachine = new Map<string, Span[]>();
  private readonly inBays = new Map<number, Span[]>();

  constructor(
    private readonly page: BoardPage,
    spans: readonly Span[],
  ) {
    for (const span of spans) {
      for (let t = Math.max(0, span.first); t <= endOf(span); t += 1) {
        if (span.placing.site === 'bay') add(this.inBays, t, span);
        add(this.byMachine, `${span.job.machine.id} ${t}`, span);
        for (const id of span.placing.technicianIds) add(this.byHand, `${id} ${t}`, span);
      }
    }
  }

  /** What others are in its way. */
  around(span: Span): Conflict[] {
    const { job, placing } = span;
    const found = new Map<string, Conflict>();
    const say = (key: string, conflict: Omit<Conflict, 'id' | 'hard'>) => {
      if (!found.has(key)) found.set(key, { id: job.id, hard: true, ...conflict });
    };
    for (let t = Math.max(0, span.first); t <= endOf(span); t += 1) {
      const { day } = halfDayAt(this.page.today, t);
      for (const id of placing.technicianIds) {
        // over what is rested nobody works
        if (!this.worksAt(id, t, placing.overTime)) continue;
        for (const other of this.others(this.byHand.get(`${id} ${t}`), span))
          if (this.worksAt(id, t, other.placing.overTime))
            say(`busy ${other.job.id}`, {
              kind: 'busy',
              with: other.job.id,
              text: `${this.nameOf(id)} is at ${other.job.machine.serial} on ${dayWords(day)}.`,
            });
      }
      for (const other of this.others(this.byMachine.get(`${job.machine.id} ${t}`), span))
        say(`machine ${other.job.id}`, {
          kind: 'machine',
          with: other.job.id,
          text: `${job.machine.serial} has another visit on ${dayWords(day)}.`,
        });
      const bay = this.inBays.get(t) ?? [];
      const { bays } = this.page.setting;
      if (placing.site === 'bay' && bay.length > bays)
        say('bay', {
          kind: 'bay',
          text: `${bay.length} machines in ${bays} ${bays === 1 ? 'bay' : 'bays'} on ${dayWords(day)}: ${bay.map((s) => s.job.machine.serial).join(', ')}.`,
        });
    }
    return [...found.values()];
  }

  private others = (here: readonly Span[] | undefined, span: Span): readonly Span[] =>
    (here ?? []).filter((s) => s.job.id !== span.job.id);

  private worksAt(id: string, t: number, overTime: boolean): boolean {
    const open = this.page.technicians.find((k) => k.id === id)?.open[t];
    return open !== undefined && open !== CLOSED && (open !== OVER_TIME || overTime);
  }

  private nameOf = (id: string): string =>
    this.page.technicians.find((t) => t.id === id)?.name ?? 'Somebody';
}

const endOf = ({ first, last }: Span): number => last ?? Math.max(0, first);

function add<K>(map: Map<K, Span[]>, key: K, span: Span): void {
  const there = map.get(key);
  if (there) there.push(span);
  else map.set(key, [span]);
}
