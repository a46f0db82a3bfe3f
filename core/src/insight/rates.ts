import { clusterMean, pooledSpread, together, type Drawn, type Ranged, type Seen } from './shrink';

/** How fast one part wore, and whose it was. */
export interface SeenRate {
  readonly machine: string;
  readonly slope: number;
  readonly se: number;
}

/** The rate of a class on one machine, drawn toward that of the class. */
export interface MachineRate extends Ranged {
  readonly machine: string;
  readonly lives: number;
}

/** How fast a class wears, of the way to its limit an hour. */
export interface ClassWear extends Ranged {
  readonly machines: number;
  readonly lives: number;
  /** each machine by itself; worked out when asked for */
  each(): readonly MachineRate[];
}

/** The rate of a class in one group of machines, drawn toward that of all. */
export interface GroupRate extends Ranged {
  readonly group: string;
  readonly machines: number;
  readonly lives: number;
  /** how far it lies from the mean of the other groups, of that mean */
  readonly apart: Ranged;
}

/** The groups of one dimension, and how far they differ, of their mean. */
export interface GroupedWear {
  readonly spread: number;
  readonly groups: readonly string[];
  /** one of them; worked out when asked for */
  group(i: number): GroupRate;
  /** whether it has machines enough to be told apart, and may lie off the others at all */
  maybeApart(i: number): boolean;
}

/**
 * Lives of one machine, and machines of one class, usually differ by this share of the mean. Model
 * assumption, as in the forecast: few noisy ones often show none at all.
 */
const USUAL_SPREAD = 0.25;
/** Groups differ by this share of the mean, twice it is unlikely. Model assumption. */
const GROUP_SCALE = 0.4;

/** A machine's own mean, as far as its lives tell. */
export interface OneMachine extends Seen {
  readonly machine: string;
  readonly lives: number;
}

/** The rates of one class, taken together machine by machine. */
export interface Rates {
  readonly machines: readonly OneMachine[];
  readonly lives: number;
  /** what machines usually differ by */
  readonly usual: number;
}

/**
 * How fast a component class wears. A machine counts once, however many of the parts it has: its lives
 * are taken together first.
 * @param rates of one class, at least one life
 */
export function classWear({ machines, lives, usual }: Rates): ClassWear {
  const all = together(machines, usual);
  return {
    ...ranged(all),
    ...{ machines: machines.length, lives },
    each: () =>
      machines.map(({ machine, lives: own }, i) => ({
        ...{ machine, lives: own },
        ...ranged(all.group(i)),
      })),
  };
}

const ranged = ({ value, low, high }: Ranged): Ranged => ({ value, low, high });

/**
 * The rate of a class by groups of machines: by model, crop, customer or branch. Each group is drawn
 * toward the mean of all as far as its machines are few or disagree.
 * @param groupOf the group of a machine
 */
export function groupedWear(
  { machines, usual }: Rates,
  groupOf: (machine: string) => string,
): GroupedWear {
  const own = new Map<string, OneMachine[]>();
  for (const one of machines) push(own, groupOf(one.machine), one);
  const groups = [...own];
  const spread = pooledSpread(
    groups.map(([, members]) => members),
    usual,
  );
  const all = together(
    groups.map(([, members]) => clusterMean(members, spread)),
    GROUP_SCALE * (usual / USUAL_SPREAD),
  );
  return {
    spread: all.spread / Math.abs(all.value),
    groups: groups.map(([group]) => group),
    group: (i) => {
      const [group, members] = groups[i] ?? ['', []];
      const drawn = all.group(i);
      return {
        ...{ group, machines: members.length },
        lives: members.reduce((n, m) => n + m.lives, 0),
        ...ranged(drawn),
        apart: shareOf(drawn, usual),
      };
    },
    maybeApart: (i) =>
      (groups[i]?.[1].length ?? 0) >= ENOUGH_MACHINES && Math.abs(all.off(i)) > MAYBE,
  };
}

/** How far a group lies from the others, as a share of what the others show. */
function shareOf({ value, apart }: Drawn, usual: number): Ranged {
  const others = Math.max(value - apart.value, usual);
  return { value: apart.value / others, low: apart.low / others, high: apart.high / others };
}

/** What one or two machines show is told as theirs, not as that of their crop or model. Shop rule. */
export const ENOUGH_MACHINES = 3;

/** A range nine times of ten cannot leave the mean out when it lies nearer than this. */
const MAYBE = 1.2;

/** Takes the rates of one class together: each machine's mean over its lives, and how they differ. */
export function ratesByMachine(rates: readonly SeenRate[]): Rates {
  const own = new Map<string, Seen[]>();
  for (const { machine, slope, se } of rates) push(own, machine, { value: slope, se });
  const lives = [...own];
  const rough = clusterMean(
    rates.map(({ slope, se }) => ({ value: slope, se })),
    0,
  ).value;
  // wear goes forward; where all of it is noise, the noise is what is usual
  const usual = USUAL_SPREAD * Math.max(Math.abs(rough), LEAST_RATE);
  const spread = pooledSpread(
    lives.map(([, l]) => l),
    usual,
  );
  return {
    ...{ usual, lives: rates.length },
    machines: lives.map(([machine, l]) => ({
      ...{ machine, lives: l.length },
      ...clusterMean(l, spread),
    })),
  };
}

function push<T>(into: Map<string, T[]>, key: string, one: T): void {
  const there = into.get(key);
  if (there) there.push(one);
  else into.set(key, [one]);
}

/** Slower than this nothing is told from standing still, of the way to the limit an hour. */
const LEAST_RATE = 1e-6;
