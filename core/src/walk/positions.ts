import {
  SETTINGS,
  type AsFound,
  type Check,
  type Machine,
  type PositionFact,
  type PositionFacts,
  type SettingFact,
  type SpecSheet,
} from '../contracts';

/** What each fact of a position is called, and how it may be. */
export const FACT_WORDS = {
  feeder: {
    name: 'Feeder',
    level: 'level, on its lock',
    raised: 'fully raised, on its lock',
    lowered: 'lowered',
  },
  header: {
    name: 'Header',
    ground: 'on the ground',
    working: 'in working position',
    raised: 'raised, on its stops',
    stands: 'level on its stands',
    off: 'off',
  },
  drum: { name: 'Conveyor drum', low: 'low', high: 'high' },
  drive: {
    name: 'Variable drive',
    slowest: 'slowest',
    fastest: 'fastest',
    farSheaveClosed: 'far sheave closed',
    between: 'between the two',
  },
  rotor: {
    name: 'Rotor drive',
    slowest: 'slowest',
    fastest: 'fastest',
    between: 'between the two',
  },
  tube: { name: 'Unloading tube', in: 'in', out: 'out' },
  reel: { name: 'Reel', down: 'down', raised: 'raised, on its stops' },
  shields: { name: 'Side shields', open: 'open', closed: 'closed' },
  engine: { name: 'Engine', cold: 'cold', rested: 'stood ten minutes', warm: 'warm' },
  run: {
    name: 'Drives',
    stopped: 'stopped, made safe',
    turnedByHand: 'turned by hand only',
    running: 'running, everyone clear',
  },
} as const satisfies Record<
  PositionFact,
  Readonly<Record<string, string>> & { readonly name: string }
>;

/** "Feeder: level, on its lock". */
export function factWords(fact: PositionFact, value: string): string {
  const words: Readonly<Record<string, string>> = FACT_WORDS[fact];
  return `${words['name'] ?? fact}: ${words[value] ?? value}`;
}

/** What a setting may be found at. */
export const FOUND_AT: { readonly [F in SettingFact]: readonly NonNullable<AsFound[F]>[] } = {
  drum: ['low', 'high'],
  drive: ['slowest', 'between', 'fastest'],
  rotor: ['slowest', 'between', 'fastest'],
  tube: ['in', 'out'],
  reel: ['down', 'raised'],
};

/** The facts of the position a check is read in; undefined where its sheet does not tell them. */
export function positionOf(
  check: Pick<Check, 'position' | 'on'>,
  machine: Pick<Machine, 'model' | 'header'>,
  sheets: readonly SpecSheet[],
): PositionFacts | undefined {
  const model = check.on === 'combine' ? machine.model : machine.header?.model;
  return sheets.find((s) => s.model === model)?.positions.find((p) => p.name === check.position)
    ?.facts;
}

/** The facts of a position by its name, whichever of the machine's sheets tells them. */
export const factsNamed = (
  position: string | undefined,
  sheets: readonly SpecSheet[],
): PositionFacts | undefined =>
  sheets.flatMap((s) => s.positions).find((p) => p.name === position)?.facts;

/** Settings a position moves that nobody has noted yet as they were found. */
export const settingsToNote = (
  facts: PositionFacts | undefined,
  asFound: AsFound,
): readonly SettingFact[] =>
  SETTINGS.filter((s) => facts?.[s] !== undefined && asFound[s] === undefined);

/** A setting that stands otherwise than it was found, and the check that was read so. */
export interface PutBack {
  readonly setting: SettingFact;
  readonly found: string;
  readonly check: Check;
}

/**
 * What is to be put back after a walk: settings that a position moved away from how they were found.
 * @param read checks of the walk that were read, in the order they were
 */
export function toPutBack(
  read: readonly Check[],
  asFound: AsFound,
  factsOf: (check: Check) => PositionFacts | undefined,
): readonly PutBack[] {
  return SETTINGS.flatMap((setting) => {
    const found = asFound[setting];
    if (found === undefined) return [];
    const moved = read.findLast((c) => {
      const stood = factsOf(c)?.[setting];
      return stood !== undefined && stood !== found;
    });
    return moved ? [{ setting, found, check: moved }] : [];
  });
}
