import { stringify } from 'csv-stringify/sync';
import type {
  InsightClass,
  InsightOf,
  InsightTable,
  WalkFound,
} from '@green-tally/core/contracts/insight';
import {
  choicesOf,
  classPage,
  insightPage,
  walksOf,
  type InsightMember,
} from '@green-tally/core/insight';

/** Which table, of which class or kind of walk where the table is of one. */
export interface TableAsked {
  readonly of: InsightOf;
  readonly what: InsightTable;
  readonly key: string | undefined;
  readonly kind: WalkFound['kind'];
}

type Row = Readonly<Record<string, string | number | null>>;

/** What insight shows, as CSV: the columns are the same whatever there is to tell. */
export function insightCsv(members: readonly InsightMember[], asked: TableAsked): string {
  return stringify([...TABLES[asked.what](members, asked)], {
    header: true,
    columns: [...COLUMNS[asked.what]],
    escape_formulas: true,
  });
}

const COLUMNS: Readonly<Record<InsightTable, readonly string[]>> = {
  classes: [
    ...['class', 'wear_per_100h', 'wear_low', 'wear_high', 'machines', 'lives'],
    ...['travel_per_100h', 'drift_per_100h', 'parts', 'ended', 'median_life_h', 'median_low_h'],
    ...['median_high_h', 'worn_when_renewed', 'looks', 'needed_a_hand', 'stops', 'hours_lost'],
    ...['minutes_against_sheet', 'minutes_low', 'minutes_high', 'jobs'],
    ...['forecasts', 'came_to_limit', 'said'],
  ],
  groups: [
    ...['class', 'of', 'by', 'group', 'per_100h', 'low', 'high', 'machines', 'lives'],
    ...['against_others', 'against_low', 'against_high'],
  ],
  machines: [
    ...['class', 'serial', 'model', 'crop', 'customer', 'branch', 'hours', 'of', 'per_100h'],
    ...['low', 'high', 'lives', 'parts', 'ended', 'stops', 'hours_lost', 'jobs', 'forecasts'],
    'came_to_limit',
  ],
  walks: ['kind', 'day', 'serial', 'minutes', 'read', 'found', 'found_per_hour', 'walk_id'],
  forecasts: ['branch', 'forecasts', 'came_to_limit', 'said', 'brier', 'brier_of_average', 'log'],
};

/** A rate as a share of the way to the limit in 100 h, in per cent. */
const per100 = (rate: number | undefined): number | null =>
  rate === undefined ? null : Number((rate * 1e4).toPrecision(6));

const pageOf = (members: readonly InsightMember[], { of }: TableAsked) =>
  insightPage(members, { of, learntOn: null, choices: choicesOf([]) });

const TABLES: Readonly<
  Record<InsightTable, (members: readonly InsightMember[], asked: TableAsked) => readonly Row[]>
> = {
  classes: (members, asked) =>
    pageOf(members, asked)
      .classes.filter((c) => asked.key === undefined || c.key === asked.key)
      .map(classRow),
  groups: (members, asked) => perClass(members, asked, groupRows),
  machines: (members, asked) => perClass(members, asked, machineRows),
  walks: (members, { kind: asked }) => {
    const kinds = new Set(members.flatMap((m) => m.walks.map((w) => w.kind)));
    return [...kinds]
      .filter((k) => asked === null || k === asked)
      .flatMap((kind) => walksOf(members, kind))
      .map((w) => ({
        ...{ kind: w.kind, day: w.day, serial: w.serial, minutes: w.minutes, read: w.read },
        ...{ found: w.found, walk_id: w.id },
        found_per_hour: w.minutes > 0 ? (60 * w.found) / w.minutes : null,
      }));
  },
  forecasts: (members, asked) =>
    pageOf(members, asked).forecasts.map(({ branch, score }) => ({
      ...{ branch, forecasts: score.n, came_to_limit: score.happened, said: score.said },
      ...{ brier: score.brier, brier_of_average: score.base, log: score.log },
    })),
};

function classRow({ life, minutes, forecast, wear, ...c }: InsightClass): Row {
  return {
    ...{ class: c.key, machines: wear?.machines ?? null, lives: wear?.lives ?? null },
    ...{ wear_per_100h: per100(wear?.value), wear_low: per100(wear?.low) },
    ...{ wear_high: per100(wear?.high), travel_per_100h: per100(c.travel?.value) },
    ...{ drift_per_100h: per100(c.drift?.value), looks: c.looks, needed_a_hand: c.hands },
    ...lifeCells(life),
    ...{ stops: c.stops, hours_lost: c.hoursLost },
    ...minuteCells(minutes),
    ...{ forecasts: forecast.n, came_to_limit: forecast.happened, said: forecast.said },
  };
}

const minuteCells = (minutes: InsightClass['minutes']): Row => ({
  ...{ minutes_against_sheet: minutes?.value ?? null, jobs: minutes?.jobs ?? 0 },
  ...{ minutes_low: minutes?.low ?? null, minutes_high: minutes?.high ?? null },
});

const lifeCells = (life: InsightClass['life']): Row => ({
  ...{ parts: life?.lives ?? 0, ended: life?.ended ?? 0, median_life_h: life?.median ?? null },
  ...{ median_low_h: life?.low ?? null, median_high_h: life?.high ?? null },
  worn_when_renewed: life?.worn ?? null,
});

type Page = NonNullable<ReturnType<typeof classPage>>;

/** The rows of one class, or of every class the machines know. */
function perClass(
  members: readonly InsightMember[],
  { of, key }: TableAsked,
  rows: (page: Page) => readonly Row[],
): Row[] {
  const keys = key === undefined ? classesOf(members) : [key];
  return keys.flatMap((k) => {
    const page = classPage(members, of, k);
    return page ? rows(page) : [];
  });
}

const classesOf = (members: readonly InsightMember[]): string[] =>
  [
    ...new Set(
      members.flatMap((m) => [
        ...m.slopes.map((s) => s.key.split(' ')[0] ?? ''),
        ...m.parts.map((p) => p.key),
        ...m.stops.map((s) => s.key),
      ]),
    ),
  ].sort();

const groupRows = ({ class: { key }, line, by }: Page): Row[] =>
  by.flatMap(({ dimension, groups }) =>
    groups.map((g) => ({
      ...{ class: key, of: line, by: dimension, group: g.group, per_100h: per100(g.value) ?? 0 },
      ...{ low: per100(g.low), high: per100(g.high), machines: g.machines, lives: g.lives },
      ...{ against_others: g.apart.value, against_low: g.apart.low },
      against_high: g.apart.high,
    })),
  );

const machineRows = ({ class: { key }, line, machines }: Page): Row[] =>
  machines.map(({ id: _, done: _done, rate, happened, hoursLost, ...m }) => ({
    ...{ class: key, of: line, ...m, hours_lost: hoursLost, came_to_limit: happened },
    ...{ per_100h: per100(rate?.value), low: per100(rate?.low), high: per100(rate?.high) },
    lives: rate?.lives ?? 0,
  }));
