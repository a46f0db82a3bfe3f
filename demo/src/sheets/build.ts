import type { z } from 'zod';
import { STATIONS, type Check, type SpecSheet } from '@green-tally/core/contracts';

export type CheckInput = z.input<typeof Check>;
export type SheetInput = z.input<typeof SpecSheet>;
type Kind = CheckInput['kind'];
type Of<K extends Kind> = Extract<CheckInput, { kind: K }>;
/** What is said of every check in a few words; the rest follows from the model. */
type Common =
  | 'id'
  | 'station'
  | 'stationName'
  | 'component'
  | 'measures'
  | 'on'
  | 'kind'
  | 'source'
  | 'labour'
  | 'safety'
  | 'tool'
  | 'places'
  | 'method'
  | 'labourPer';
type Told<K extends Kind> = Omit<Of<K>, Common> & {
  readonly component: string;
  readonly measures: string;
  readonly places?: string[];
  readonly method?: Of<K>['method'];
  readonly tool?: Of<K>['tool'];
  readonly minutes?: number;
  readonly put?: Partial<Of<K>['labour']>;
  readonly mind?: readonly Caution[];
  readonly per?: 'place' | 'check';
};

/** The usual cautions; the maker's manual goes before them. */
const CAUTIONS = {
  safe: 'Engine stopped, key out and on you, isolator off, all motion run down.',
  feeder: 'Feeder-house lift stop latched before anyone goes under.',
  header: 'Header stops and reel stops set before anyone reaches under the header.',
  knives: 'Cut-proof gloves. Sections and knives cut when they are turned by hand.',
  rotor: 'Cut-proof gloves. Block the rotor; it turns on by itself.',
  guards: 'Guards above the knives back on before any run.',
  spring: 'The tensioner is loaded: release it with the bar, standing clear of its swing.',
  nut: 'The spring is loaded: turn the nut, never strike it.',
  hot: 'Hot oil and coolant: let it cool, open caps slowly.',
  run: 'To run it: everyone clear, doors shut, run, then make safe again.',
  hand: 'Turn drives by hand only; fingers off chain and belt while somebody turns.',
  pressure: 'Never search for a leak with a hand: oil under pressure goes through skin.',
  wheel: 'Wheels held. Stand beside a tyre, not before it, while it is filled.',
  battery: 'No sparks near batteries; take the ground cable off first.',
  heavy: 'Heavy cover: two people, or its prop locked.',
  dust: 'Dust mask and eye protection when blowing out.',
  climb: 'Three points of contact on ladder and deck.',
  clutch: 'Key off and plug out: an electric clutch can close by itself.',
  fluid:
    'Isolator off only when the exhaust-fluid pump has run down; its line freezes or sets hard.',
} as const;
export type Caution = keyof typeof CAUTIONS;

const TOOLS = {
  caliper: { name: 'Caliper C3', resolution: 0.1 },
  micrometer: { name: 'Micrometer M2', resolution: 0.01 },
  rule: { name: 'Steel rule R1', resolution: 0.5 },
  feeler: { name: 'Feeler gauges F2', resolution: 0.05 },
  eye: { name: 'By eye and glove', resolution: 1 },
  hand: { name: 'Hand and rule', resolution: 1 },
  mark: { name: 'Gauge on the machine', resolution: 1 },
  force: { name: 'Force gauge G1', resolution: 1 },
  phone: { name: 'Phone microphone', resolution: 0.2 },
  meter: { name: 'Multimeter M1', resolution: 0.01 },
  tyre: { name: 'Tyre gauge P2', resolution: 2 },
  wrench: { name: 'Torque wrench W5', resolution: 5 },
  level: { name: 'Level with scale L1', resolution: 0.1 },
  tacho: { name: 'Hand tachometer', resolution: 1 },
  gun: { name: 'Grease gun, counted', resolution: 1 },
} as const;
export const tool = (name: keyof typeof TOOLS) => ({ ...TOOLS[name] });

/** What a sheet's checks share: where it is, how lengths are written, which book. */
export interface Book {
  readonly on: 'combine' | 'header';
  readonly book: string;
  readonly inch: boolean;
}

const DEFAULT_TOOL: Readonly<Record<Kind, keyof typeof TOOLS>> = {
  measure: 'caliper',
  series: 'caliper',
  mark: 'mark',
  feel: 'hand',
  gonogo: 'eye',
  count: 'eye',
  condition: 'eye',
  level: 'eye',
  setting: 'eye',
  service: 'gun',
};
const DEFAULT_METHOD: Partial<Readonly<Record<Kind, CheckInput['method']>>> = {
  gonogo: 'gonogo',
  count: 'look',
  condition: 'look',
  level: 'level-eye',
  setting: 'setting',
  service: 'grease',
};
const MINUTES: Readonly<Record<Kind, number>> = {
  measure: 4,
  series: 8,
  mark: 4,
  feel: 4,
  gonogo: 2,
  count: 3,
  condition: 2,
  level: 2,
  setting: 2,
  service: 3,
};

/** Checks of what somebody is hurt by when it fails. */
const GUARDS_PEOPLE: ReadonlySet<string> = new Set([
  'feeder-lift-stop',
  'shields',
  'fire-extinguishers',
  'lights-reflectors',
  'transport-locks',
  'header-latch',
  'wheel-bolts',
  'isolator',
  'chaff-near-heat',
  'latch-straps',
  'header-lights',
  'header-shields',
  'header-lock',
  'reel-stop',
]);

const HEADER_STATION = STATIONS.indexOf('Header') + 1;

/** Writes the checks of one sheet, front to back; each gets its page in the book by its order. */
export class SheetWriter {
  readonly checks: CheckInput[] = [];
  private station: number;
  /** A header's checks are all taken at its own station. */
  constructor(private readonly book: Book) {
    this.station = book.on === 'header' ? HEADER_STATION : 1;
  }

  /** A length in mm, to the nearest 1/64 inch where the book is written in inches. */
  len(mm: number): number {
    return Number((this.book.inch ? (Math.round((mm / 25.4) * 64) / 64) * 25.4 : mm).toFixed(6));
  }

  /**
   * A small length in mm, to the nearest thousandth of an inch where the book is written in inches.
   */
  thou(mm: number): number {
    return Number((this.book.inch ? Math.round(mm / 0.0254) * 0.0254 : mm).toFixed(4));
  }

  /**
   * How lengths are written: by fractions for what a rule reads, thousandths for what a caliper or
   * feeler reads.
   */
  get ruled(): { unit: 'mm' | 'in'; style: 'mm' | 'inFraction' } {
    return this.book.inch ? { unit: 'in', style: 'inFraction' } : { unit: 'mm', style: 'mm' };
  }
  get fine(): { unit: 'mm' | 'in'; style: 'mm' | 'inThou' } {
    return this.book.inch ? { unit: 'in', style: 'inThou' } : { unit: 'mm', style: 'mm' };
  }

  /** The checks that follow are taken at this station. */
  at(station: number): this {
    this.station = station;
    return this;
  }

  add<K extends Kind>(kind: K, id: string, told: Told<K>): this {
    const { station } = this;
    const { component, measures, minutes, put, mind = [], per, places, tool: own, ...rest } = told;
    this.checks.push({
      id,
      station,
      stationName: STATIONS[station - 1] ?? '',
      component,
      measures,
      kind,
      method: DEFAULT_METHOD[kind],
      on: this.book.on,
      places: places ?? ['here'],
      tool: own ?? tool(DEFAULT_TOOL[kind]),
      labour: { measure: minutes ?? MINUTES[kind], ...put },
      labourPer: per ?? 'check',
      safety: (['safe', ...mind] as const).map((c) => CAUTIONS[c]),
      source: `${this.book.book}, page ${12 + Math.floor(this.checks.length * 1.4)}`,
      ...(GUARDS_PEOPLE.has(id) ? { guardsPeople: true } : {}),
      ...rest,
    } as unknown as CheckInput);
    return this;
  }
}

/**
 * Parts of a check, one for each place.
 * @param mates why its mates come along, or nothing
 */
export const part = (
  number: string,
  name: string,
  each = 1,
  ...more: [mates?: string, sold?: More]
) => {
  const [mates, sold = {}] = more;
  return [{ number, name, each, ...(mates ? { with: mates } : {}), ...sold }];
};
/** How a part is sold, and what goes with it. */
type More = Omit<
  Partial<NonNullable<CheckInput['parts']>[number]>,
  'number' | 'name' | 'each' | 'with'
>;
export const both = ['left', 'right'];
export const afterHarvest = { kind: 'afterHarvest' } as const;
export const storageIn = { kind: 'storageIn' } as const;
export const storageOut = { kind: 'storageOut' } as const;
export const daily = { kind: 'daily' } as const;
export const perCrop = { kind: 'perCrop' } as const;
export const perHeader = { kind: 'perHeader' } as const;
export const once = (hours: number) => ({ kind: 'once' as const, hours });
export const season = (early?: number) => ({
  kind: 'season' as const,
  ...(early === undefined ? {} : { early }),
});
export const every = (hours: number, days = 365, early?: number) => ({
  kind: 'every' as const,
  hours,
  days,
  ...(early === undefined ? {} : { early }),
});

/**
 * Checks of one thing read by different schools wear alike: they share the class of the plain one,
 * so that its history of wear and its symptoms are found whichever is in force.
 */
export function sharingClasses(checks: readonly CheckInput[]): CheckInput[] {
  const ids = new Set(checks.map((c) => c.id));
  return checks.map((check) => {
    const plain = Object.values(check.when ?? {})
      .flat()
      .map((way) => check.id.replace(`-${way}`, ''))
      .find((id) => id !== check.id && ids.has(id));
    return plain === undefined ? check : { ...check, wearClass: plain };
  });
}
