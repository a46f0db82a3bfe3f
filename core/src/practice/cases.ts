import { z } from 'zod';
import {
  MachineFile,
  type Check,
  type Reading,
  type ReadingTool,
  type ReadingValue,
  type SpecSheet,
} from '../contracts';
import type { MachineFacts } from '../kinds';
import { factsOf } from '../plan';
import { random, type Random } from '../random';
import {
  KINDS,
  MACHINE_KINDS,
  PART_PRICES,
  partOf,
  practiceSheet,
  roleOf,
  SHEET_NAME,
  type Role,
} from './sheets';

/** What a careless hand falls into. */
export const TRAPS = [
  'slotRunOut',
  'unsettled',
  'looksFine',
  'oneSide',
  'wrongPosition',
  'narrowLimit',
] as const;
export const Trap = z.enum(TRAPS);
export type Trap = z.infer<typeof Trap>;

/** The check each trap is laid at. */
export const TRAP_AT: Readonly<Record<Trap, Role>> = {
  slotRunOut: 'tension',
  unsettled: 'chainTension',
  looksFine: 'belt',
  oneSide: 'pair',
  wrongPosition: 'gap',
  narrowLimit: 'chain',
};

export const DIFFICULTIES = ['first', 'seasoned', 'sly'] as const;
const LAID: Readonly<Record<(typeof DIFFICULTIES)[number], number>> = {
  first: 2,
  seasoned: 4,
  sly: 6,
};
/** How much readings scatter, of what the tool may. */
const SCATTER: Readonly<Record<(typeof DIFFICULTIES)[number], number>> = {
  first: 0.5,
  seasoned: 1,
  sly: 1.2,
};

/** A case: the same one for everybody who opens it. */
export const CaseSpec = z.object({
  seed: z.int().min(0).max(2_147_483_647),
  kind: z.enum(MACHINE_KINDS),
  difficulty: z.enum(DIFFICULTIES),
  traps: z
    .array(Trap)
    .max(TRAPS.length)
    .optional()
    .describe('which are laid; the dice choose where nothing is said'),
  days: z.int().min(1).max(3).default(2),
  hours: z.int().min(2).max(10).default(4),
});
export type CaseSpec = z.infer<typeof CaseSpec>;

/** How one place truly is. */
export interface TruePlace {
  /** of a measure, its value in mm */
  readonly value?: number;
  /** and what it reads where the machine does not stand as it should */
  readonly asItHangs?: number;
  /** of an indicator: mm short of its end, below 0 past it; and the slot left, mm */
  readonly short?: number;
  readonly left?: number;
  /** after the first adjustment it settles back by so much, mm */
  readonly settles?: number;
  readonly counted?: {
    readonly missing: number;
    readonly damaged: number;
    readonly oneEdge: number;
  };
  readonly grade?: 'sound' | 'marked' | 'damaged';
}

/** A machine to practise on, with all that is hidden. */
export interface PracticeCase {
  readonly spec: CaseSpec;
  readonly title: string;
  readonly sheet: SpecSheet;
  readonly traps: readonly Trap[];
  readonly truth: Readonly<Record<string, Readonly<Record<string, TruePlace>>>>;
  readonly history: readonly Reading[];
  readonly facts: MachineFacts;
  /** what there is for the walk, minutes: enough for a careful one */
  readonly minutes: number;
  readonly file: MachineFile;
}

const MACHINE = '0197a000-0000-7000-8000-00000000face';
const WALK = '0197a000-0000-7000-8000-00000000fade';
export const PRACTICE_DAY = '2026-06-09';
const HOURS = 1240;
/** What nobody's branch reckons with. */
const COSTS = { currency: 'crowns', stopHour: 600, labourHour: 90 };

/** Makes a case. @throws ZodError where it is no case */
export function practiceCase(given: CaseSpec): PracticeCase {
  const spec = CaseSpec.parse(given);
  const dice = random(spec.seed ^ (MACHINE_KINDS.indexOf(spec.kind) * 7919));
  const sheet = practiceSheet(spec.kind);
  const traps = spec.traps ?? drawn(dice, TRAPS, LAID[spec.difficulty]);
  const truth: Record<string, Record<string, TruePlace>> = {};
  for (const check of sheet.checks) truth[check.id] = trueOf(check, traps, dice);
  const { title, on } = KINDS[spec.kind];
  // nobody read the narrow one before: its years would tell what the tape cannot
  const known = (check: Check) =>
    !traps.some((t) => t === 'narrowLimit' && TRAP_AT[t] === roleOf(check.id));
  const history = sheet.checks
    .filter(known)
    .flatMap((check) => earlier(check, truth[check.id] ?? {}, dice));
  const file = MachineFile.parse({
    machine: {
      ...{
        id: MACHINE,
        serial: 'Practice',
        model: sheet.model,
        customer: 'Nobody',
        branch: 'Practice',
      },
      ...{ builtOn: '2021-05-01', hours: HOURS },
      header: on === 'header' ? { model: sheet.model, serial: 'P-H' } : null,
      harvest: {
        ...{ crop: 'malting barley', start: '2026-06-30', end: '2026-07-14' },
        ...{ areaHa: 600, widthM: 9, speedKmh: 6, efficiency: 0.7 },
      },
    },
    ...{ sheets: [sheet], readings: history, work: [], visits: [] },
    walks: [walkOf()],
    costs: { ...COSTS, ownStopHour: false, prices: pricesOf(sheet) },
  });
  return {
    ...{ spec, title, sheet, traps, truth, history, file },
    facts: factsOf(file, PRACTICE_DAY),
    minutes: budgetOf(sheet),
  };
}

/** The walk that is practised. */
export const walkOf = () => ({
  ...{
    id: WALK,
    machineId: MACHINE,
    startedAt: `${PRACTICE_DAY}T07:00:00.000Z`,
    hours: HOURS,
    by: 'You',
  },
  madeSafeAt: `${PRACTICE_DAY}T07:05:00.000Z`,
});

const pricesOf = (sheet: SpecSheet): Record<string, number> =>
  Object.fromEntries(sheet.checks.map(({ id }) => [partOf(roleOf(id)), PART_PRICES[roleOf(id)]]));

/** Minutes for a careful walk: every position set, every doubtful length read again, half as much in hand. */
function budgetOf({ checks, moves }: SpecSheet): number {
  const reading = checks.reduce((sum, c) => sum + c.labour.measure * c.places.length, 0);
  return Math.round(1.5 * reading + 5 * moves.usual + 30);
}

function drawn<T>(dice: Random, from: readonly T[], count: number): T[] {
  const left = [...from];
  const taken: T[] = [];
  while (taken.length < count && left.length)
    taken.push(...left.splice(Math.floor(dice.next() * left.length), 1));
  return taken;
}

/** Wear that is plainly one thing or the other: no luck is needed to be right. */
function plainWear(dice: Random): number {
  const draw = dice.next();
  if (draw < 0.6) return 0.2 + 0.35 * dice.next();
  return draw < 0.8 ? 0.3 : 1.15 + 0.2 * dice.next();
}

const lengthOf = (check: Check, wear: number): number => {
  if (check.kind !== 'measure' && check.kind !== 'series') return NaN;
  const { limit } = check;
  if (limit.type === 'wear') return limit.nominal + wear * (limit.limit - limit.nominal);
  if (limit.type !== 'elongation') return NaN;
  return limit.pitch * limit.pitches * (1 + (wear * (limit.limitPercent ?? 2)) / 100);
};

type At = (i: number) => TruePlace;

/** How the places of a check truly are, by its role, its trap laid or not. */
const TRUTHS: Readonly<Record<Role, (check: Check, laid: boolean, dice: Random) => At>> = {
  tension: (_check, laid, dice) => {
    const left = Math.round(laid ? 3 + 4 * dice.next() : 24 + 8 * dice.next());
    return () => ({ short: 0, left });
  },
  chainTension: (_check, laid, dice) => {
    const short = laid || dice.next() < 0.4 ? 3 + Math.round(3 * dice.next()) : 0;
    return () => ({ short, left: 24, settles: laid ? 4 : 0 });
  },
  belt: (check, laid, dice) => {
    const wear = laid ? 1.2 + 0.15 * dice.next() : plainWear(dice);
    return () => ({ value: lengthOf(check, wear) });
  },
  pair: (check, laid, dice) => {
    const bad = laid ? Math.floor(dice.next() * 2) : -1;
    const wear = laid ? 0.35 : plainWear(dice);
    return (i) => ({ value: lengthOf(check, i === bad ? 1.35 : wear) });
  },
  gap: (_check, laid, dice) => {
    const value = laid ? 14 + 2 * dice.next() : 9.4 + 1.2 * dice.next();
    // as it hangs it looks right where it is wrong, and the other way round
    return () => ({ value, asItHangs: laid ? 10.2 : value + 4.5 });
  },
  chain: (check, laid, dice) => {
    // so near that whole millimetres cannot tell
    const wear = laid ? 1.09 + 0.04 * dice.next() : plainWear(dice);
    return () => ({ value: lengthOf(check, wear) });
  },
  knives: (_check, _laid, dice) => {
    const missing = dice.next() < 0.5 ? 0 : 1 + Math.floor(2 * dice.next());
    const oneEdge = Math.floor(4 * dice.next());
    return () => ({ counted: { missing, damaged: 0, oneEdge } });
  },
  look: (_check, _laid, dice) => {
    const grade = dice.next() < 0.7 ? 'sound' : 'damaged';
    return () => ({ grade });
  },
};

function trueOf(check: Check, traps: readonly Trap[], dice: Random): Record<string, TruePlace> {
  const role = roleOf(check.id);
  const at = TRUTHS[role](
    check,
    traps.some((t) => TRAP_AT[t] === role),
    dice,
  );
  return Object.fromEntries(check.places.map((place, i) => [place, at(i)]));
}

/** What the walks of two earlier seasons read, along the true line. */
function earlier(
  check: Check,
  truth: Readonly<Record<string, TruePlace>>,
  dice: Random,
): Reading[] {
  if (check.kind !== 'measure' && check.kind !== 'series') return [];
  const { limit } = check;
  if (limit.type === 'band') return [];
  return check.places.flatMap((place) =>
    [2, 1].map((years) => {
      const now = truth[place]?.value ?? NaN;
      const fresh = lengthOf(check, 0.02);
      const then = fresh + ((now - fresh) * (HOURS - 120 * years)) / HOURS;
      const shown = Math.round((then + 0.04 * dice.normal() * check.tool.resolution) / 0.1) * 0.1;
      return practiceReading(check, place, measuredValue(shown), {
        n: earlierId(check.id, place, years),
        takenAt: `${2026 - years}-06-08T09:00:00.000Z`,
        hours: HOURS - 120 * years,
        by: 'Last year’s hand',
        walkId: null,
      });
    }),
  );
}

const earlierId = (id: string, place: string, years: number): number =>
  [...`${id}|${place}`].reduce((h, c) => (h * 31 + c.charCodeAt(0)) >>> 0, 7) * 10 + years;

export const measuredValue = (mm: number): ReadingValue => {
  const value = Number(mm.toFixed(2));
  return { kind: 'measure', values: [value], typed: [`${value}`], unit: 'mm' };
};

/** A reading of the practice machine; nothing of it leaves the place one practises in. */
export function practiceReading(
  check: Check,
  place: string,
  value: ReadingValue,
  about: Partial<Omit<Reading, 'id' | 'tool'>> & {
    readonly n: number;
    readonly tool?: ReadingTool | undefined;
  },
): Reading {
  const { n, tool, ...rest } = about;
  const measured = check.kind === 'measure' || check.kind === 'series';
  return {
    id: `0197a000-0000-7000-9000-${n.toString(16).padStart(12, '0').slice(-12)}`,
    machineId: MACHINE,
    walkId: WALK,
    checkId: check.id,
    sheet: { model: SHEET_NAME, revision: 1 },
    place,
    state: 'asFound',
    value,
    renewed: false,
    repaired: false,
    settled: false,
    positionConfirmed: true,
    tool: measured ? (tool ?? check.tool) : null,
    takenAt: `${PRACTICE_DAY}T08:00:00.000Z`,
    hours: HOURS,
    fit: null,
    by: 'You',
    note: '',
    strikes: null,
    ...rest,
  };
}

/** How much a reading of this case scatters, of what its tool may. */
export const scatterOf = ({ spec }: PracticeCase): number => SCATTER[spec.difficulty];
