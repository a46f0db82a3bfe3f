import { elongationFromTravel } from '@green-tally/core/chain';
import {
  type Check,
  type CheckOf,
  type CountCheck,
  type Machine,
  type MeasuredCheck,
  QUANTITY_UNITS,
  Reading,
  type ReadingValue,
  type SettingCheck,
  type SpecSheet,
  type TakeUp,
  takeUpOf,
} from '@green-tally/core/contracts';
import { atPlace, expectedOption, wearLimitsOf } from '@green-tally/core/kinds';
import { type Random } from '@green-tally/core/random';
import type { DemoMachine, Found, Life } from './machines';

/** A walk of a machine's past. */
export interface Stop {
  readonly index: number;
  readonly day: string;
  readonly hours: number;
  readonly newest: boolean;
}

/** What a machine's history is written from. */
export interface Telling {
  readonly demo: DemoMachine;
  readonly machine: Machine;
  readonly sheets: readonly SpecSheet[];
  readonly stops: readonly Stop[];
  readonly dice: Random;
  /** what each place showed last in its life: nothing that wears grows back */
  readonly shown: Map<string, number>;
}

/** One reading of a walk, before it has an id and a moment. */
export interface Taken {
  readonly state: Reading['state'];
  readonly value: ReadingValue;
  readonly confirmed: boolean;
  readonly settled: boolean;
  readonly renewed: boolean;
  readonly note: string;
}

/** What was found at a place, and as left where a new part was put in or something was set then. */
export function valuesAt(telling: Telling, stop: Stop, check: Check, place: string): Taken[] {
  const { demo } = telling;
  const staged = stop.newest ? demo.finds?.[`${check.id}/${place}`] : undefined;
  const found = staged ?? foundAt(telling, stop, atPlace(check, place), place);
  const renewed = !stop.newest && lifeOf(check, demo)?.renewedAt === stop.index;
  return [...found.map(takenOf), ...(renewed ? asNew(check) : []).map(asRenewed)];
}

const asRenewed = (value: ReadingValue): Taken => ({
  state: 'asLeft',
  value,
  confirmed: true,
  settled: true,
  renewed: true,
  note: '',
});

function takenOf(found: Found): Taken {
  const plain = 'taken' in found ? found : { taken: found };
  const { taken, unconfirmed = false, unsettled = false, note = '' } = plain;
  return {
    state: unsettled ? 'asLeft' : 'asFound',
    value: taken,
    confirmed: !unconfirmed,
    settled: false,
    renewed: false,
    note,
  };
}

function lifeOf(check: Check, demo: DemoMachine): Life | undefined {
  if (check.id === 'fan-drive-belt') return demo.belt;
  return check.id === 'gathering-chain' ? demo.chains : undefined;
}

/**
 * How worn a part that the scenario says nothing of is today: a fifth to half of the way, by its
 * name and machine, so that it is the same each time.
 */
function ordinaryLife(check: Check, machine: Machine): Life {
  const spell = [...`${check.id} ${machine.serial}`].reduce(
    (sum, letter) => (sum * 31 + letter.charCodeAt(0)) % 997,
    7,
  );
  return { wear: 0.2 + (0.3 * spell) / 997 };
}

/**
 * True wear fraction at a stop: straight up to today's wear within this life, and up past the limit
 * within the one before.
 */
function wearAt(life: Life, machine: Machine, stop: Stop, stops: readonly Stop[]): number {
  const renewal = stops.find((s) => s.index === life.renewedAt);
  if (!renewal) return (life.wear * stop.hours) / machine.hours;
  if (stop.index > renewal.index)
    return (life.wear * (stop.hours - renewal.hours)) / Math.max(1, machine.hours - renewal.hours);
  return Math.max(0.1, 1.08 - 0.0032 * (renewal.hours - stop.hours));
}

/** What an ordinary machine shows at a place: worn as its life says, all else in order. */
function foundAt(
  telling: Telling,
  stop: Stop,
  check: Check,
  place: string,
): readonly ReadingValue[] {
  const { demo, machine, dice } = telling;
  const share = stop.hours / machine.hours;
  switch (check.kind) {
    case 'measure':
    case 'series':
      return measuredAt(telling, stop, check, place);
    case 'mark':
      return [
        { kind: 'mark', stands: 'at', by: 0 },
        ...travels(check, (demo.stretched?.[check.id] ?? demo.conveyor) * share, dice),
      ];
    case 'feel':
      return [
        { kind: 'feel', feel: 'justSlides' },
        ...travels(check, (demo.stretched?.[check.id] ?? 0.9) * share, dice),
      ];
    case 'count':
      return [countedAll(check, dice)];
    case 'gonogo':
      return [{ kind: 'gonogo', fits: check.good === 'fits' }];
    case 'condition':
      return [{ kind: 'condition', grade: 'sound', seen: [], found: '' }];
    case 'level':
      return [{ kind: 'level', level: 'right', colour: '', product: '', toppedUp: null }];
    case 'setting':
      return [setAsWanted(check, machine)];
    case 'service':
      return [doneOf(check)];
  }
}

const doneOf = ({ amount }: CheckOf<'service'>): ReadingValue => ({
  kind: 'service',
  amount: amount ?? null,
  product: '',
});

function countedAll({ turnFrom }: CountCheck, dice: Random): ReadingValue {
  const oneEdge = turnFrom === undefined ? 0 : Math.round((turnFrom - 1) * dice.next());
  return { kind: 'count', missing: 0, damaged: 0, oneEdge, bothEdges: 0 };
}

function setAsWanted(check: SettingCheck, { harvest, header }: Machine): ReadingValue {
  const wanted = expectedOption(check, harvest.crop, header?.model);
  return { kind: 'setting', option: wanted?.option ?? check.options[0] ?? '' };
}

function measuredAt(
  { demo, machine, stops, dice, shown }: Telling,
  stop: Stop,
  check: MeasuredCheck,
  place: string,
): readonly ReadingValue[] {
  const limits = wearLimitsOf(check);
  if (!limits) return [inBand(check, dice)];
  const { nominal, limit } = limits;
  const spread =
    check.kind === 'series' ? 0.96 + (0.08 * ((check.places.indexOf(place) * 7) % 5)) / 4 : 1;
  const life = lifeOf(check, demo) ?? ordinaryLife(check, machine);
  const wear = wearAt(life, machine, stop, stops) * spread;
  const step = check.tool.resolution;
  const off = dice.normal() * step * 0.35;
  const read = Number(
    (Math.round((nominal + (limit - nominal) * wear + off) / step) * step).toFixed(3),
  );
  const renewal = stops.find((s) => s.index === life.renewedAt);
  const renewed = renewal !== undefined && stop.index > renewal.index;
  const key = `${check.id}/${place}/${renewed ? 'new' : 'old'}`;
  const last = shown.get(key) ?? read;
  const x = limit < nominal ? Math.min(read, last) : Math.max(read, last);
  shown.set(key, x);
  const measured = measureOf(check, x);
  return check.takeUp
    ? [measured, travelAt(check.takeUp, wear * check.takeUp.limitPercent, dice)]
    : [measured];
}

const measureOf = (check: MeasuredCheck, x: number): ReadingValue => ({
  kind: 'measure',
  values: [x],
  typed: [String(x)],
  unit: QUANTITY_UNITS[check.quantity][0],
});

/** A reading well inside its band, a little off the middle. */
function inBand(check: MeasuredCheck, dice: Random): ReadingValue {
  const { limit } = check;
  if (limit.type !== 'band') throw new Error(`${check.id} has no band`);
  const low = limit.low ?? (limit.high ?? 1) * 0.5;
  const high = limit.high ?? low * 1.3;
  const step = check.tool.resolution;
  const x = Number(
    (Math.round(((low + high) / 2 + dice.normal() * step * 0.3) / step) * step).toFixed(4),
  );
  return measureOf(check, x);
}

const travels = (check: Check, elongation: number, dice: Random): ReadingValue[] => {
  const takeUp = takeUpOf(check);
  return takeUp ? [travelAt(takeUp, elongation, dice)] : [];
};

/** Travel left when the chain has grown by so many %. */
function travelAt(takeUp: TakeUp, elongation: number, dice: Random): ReadingValue {
  const perMillimetre = elongationFromTravel({ used: 1, linksOut: 0 }, takeUp);
  const left = Math.max(
    0,
    Math.min(
      takeUp.total,
      Math.round(takeUp.total - elongation / perMillimetre + dice.normal() * 0.3),
    ),
  );
  return { kind: 'travel', left, linksOut: 0, typed: String(left), unit: 'mm' };
}

function asNew(check: Check): readonly ReadingValue[] {
  if (check.kind !== 'measure' && check.kind !== 'series') return [];
  const measured = measureOf(check, wearLimitsOf(check)?.nominal ?? 0);
  const { takeUp } = check;
  if (!takeUp) return [measured];
  const { total } = takeUp;
  return [measured, { kind: 'travel', left: total, linksOut: 0, typed: String(total), unit: 'mm' }];
}
