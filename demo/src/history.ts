import { v5 as uuidv5 } from 'uuid';
import { elongationFromTravel } from '@green-tally/core/chain';
import {
  type Check,
  type Machine,
  type MeasuredCheck,
  QUANTITY_UNITS,
  Reading,
  type ReadingValue,
  type SpecSheet,
  type TakeUp,
  takeUpOf,
  type Walk,
} from '@green-tally/core/contracts';
import { seasonHours } from '@green-tally/core/forecast';
import { expectedOption, wearLimitsOf } from '@green-tally/core/kinds';
import { random, type Random } from '@green-tally/core/random';
import { checksFor } from '@green-tally/core/walk';
import type { DemoMachine, Life } from './machines';

const NAMESPACE = '0d9a6f0e-7a53-4a0e-9d53-1f3f4f0c2b11';
/** The same name gives the same id, so that pictures and tests do not drift. */
export const demoId = (name: string): string => uuidv5(name, NAMESPACE);

const EARLIER_WALKS = ['2024-06-11', '2024-09-17', '2025-06-10', '2025-09-16'] as const;
const SEASONS_BEFORE = [2, 1, 1, 0] as const;

interface Stop {
  readonly index: number;
  readonly day: string;
  readonly hours: number;
  readonly newest: boolean;
}

/** Three seasons of walks of one machine: what was found, and what was left, walk by walk. */
export function historyOf(
  demo: DemoMachine,
  machine: Machine,
  sheets: readonly SpecSheet[],
  seed: number,
): { walks: Walk[]; readings: Reading[] } {
  const dice = random(seed);
  const { areaHa, widthM, speedKmh, efficiency } = machine.harvest;
  const season = seasonHours(areaHa, widthM, speedKmh, efficiency);
  const earlier = EARLIER_WALKS.map((day, index): Stop => ({
    index,
    day,
    hours: Math.round(Math.max(20, machine.hours - (SEASONS_BEFORE[index] ?? 0) * season)),
    newest: false,
  }));
  const newest: Stop[] = demo.walked
    ? [{ index: 4, day: demo.walked, hours: machine.hours, newest: true }]
    : [];
  const stops = [...earlier, ...newest];
  const walks: Walk[] = [];
  const readings: Reading[] = [];
  for (const stop of stops) {
    const walkId = demoId(`${machine.serial} walk ${stop.day}`);
    let minute = 0;
    const moment = () =>
      new Date(Date.parse(`${stop.day}T05:10:00Z`) + 60_000 * (minute += 1)).toISOString();
    const startedAt = moment();
    const checks = checksFor(machine, sheets);
    // earlier seasons kept what wears; this season's walk reads everything
    const kept = stop.newest
      ? demo.unfinished
        ? checks.slice(0, 9)
        : checks
      : checks.filter(
          (c) =>
            takeUpOf(c) !== undefined ||
            c.kind === 'count' ||
            ('wearRate' in c && c.wearRate !== undefined),
        );
    for (const check of kept) {
      const model = sheets.find((s) => s.checks.includes(check))?.model ?? machine.model;
      for (const place of check.places) {
        const found =
          (stop.newest ? demo.finds?.[`${check.id}/${place}`] : undefined) ??
          foundAt(check, place, demo, machine, stop, stops, dice);
        const left =
          !stop.newest && lifeOf(check, demo)?.renewedAt === stop.index ? asNew(check) : [];
        for (const [state, values] of [
          ['asFound', found],
          ['asLeft', left],
        ] as const) {
          for (const value of values) {
            readings.push(
              Reading.parse({
                id: demoId(
                  `${machine.serial} ${stop.day} ${check.id} ${place} ${state} ${value.kind}`,
                ),
                machineId: machine.id,
                walkId,
                checkId: check.id,
                sheet: { model, revision: 1 },
                place,
                state,
                value,
                renewed: state === 'asLeft',
                settled: state === 'asLeft',
                positionConfirmed: true,
                tool: check.kind === 'measure' || check.kind === 'series' ? check.tool : null,
                takenAt: moment(),
                hours: stop.hours,
                by: demo.walkedBy,
              }),
            );
          }
        }
      }
    }
    walks.push({
      id: walkId,
      machineId: machine.id,
      startedAt,
      madeSafeAt: startedAt,
      finishedAt: stop.newest && demo.unfinished ? null : moment(),
      hours: stop.hours,
      by: demo.walkedBy,
      noticed: '',
    });
  }
  return { walks, readings };
}

function lifeOf(check: Check, demo: DemoMachine): Life | undefined {
  if (check.id === 'fan-drive-belt') return demo.belt;
  return check.id === 'gathering-chain' ? demo.chains : undefined;
}

/** How worn a part that the scenario says nothing of is today: a fifth to half of the way, by its name and machine, so that it is the same each time. */
function ordinaryLife(check: Check, machine: Machine): Life {
  const spell = [...`${check.id} ${machine.serial}`].reduce(
    (sum, letter) => (sum * 31 + letter.charCodeAt(0)) % 997,
    7,
  );
  return { wear: 0.2 + (0.3 * spell) / 997 };
}

/** True wear fraction at a stop: straight up to today's wear within this life, and up past the limit within the one before. */
function wearAt(life: Life, machine: Machine, stop: Stop, stops: readonly Stop[]): number {
  const renewal = stops.find((s) => s.index === life.renewedAt);
  if (!renewal) return (life.wear * stop.hours) / machine.hours;
  if (stop.index > renewal.index)
    return (life.wear * (stop.hours - renewal.hours)) / Math.max(1, machine.hours - renewal.hours);
  return Math.max(0.1, 1.08 - 0.0032 * (renewal.hours - stop.hours));
}

function foundAt(
  check: Check,
  place: string,
  demo: DemoMachine,
  machine: Machine,
  stop: Stop,
  stops: readonly Stop[],
  dice: Random,
): readonly ReadingValue[] {
  const share = stop.hours / machine.hours;
  switch (check.kind) {
    case 'measure':
    case 'series': {
      const limits = wearLimitsOf(check);
      if (!limits) return [inBand(check, dice)];
      const { nominal, limit } = limits;
      const spread =
        check.kind === 'series' ? 0.96 + (0.08 * ((check.places.indexOf(place) * 7) % 5)) / 4 : 1;
      const wear =
        wearAt(lifeOf(check, demo) ?? ordinaryLife(check, machine), machine, stop, stops) * spread;
      const step = check.tool.resolution;
      const x = Number(
        (
          Math.round((nominal + (limit - nominal) * wear + dice.normal() * step * 0.35) / step) *
          step
        ).toFixed(3),
      );
      const measured: ReadingValue = {
        kind: 'measure',
        values: [x],
        typed: [String(x)],
        unit: QUANTITY_UNITS[check.quantity][0],
      };
      return check.takeUp
        ? [measured, travelAt(check.takeUp, wear * check.takeUp.limitPercent, dice)]
        : [measured];
    }
    case 'mark':
      return [
        { kind: 'mark', stands: 'at', by: 0 },
        ...travels(check, demo.conveyor * share, dice),
      ];
    case 'feel':
      return [{ kind: 'feel', feel: 'justSlides' }, ...travels(check, 0.9 * share, dice)];
    case 'count':
      return [
        {
          kind: 'count',
          missing: 0,
          damaged: 0,
          oneEdge:
            check.turnFrom === undefined ? 0 : Math.round((check.turnFrom - 1) * dice.next()),
          bothEdges: 0,
        },
      ];
    case 'gonogo':
      return [{ kind: 'gonogo', fits: check.good === 'fits' }];
    case 'condition':
      return [{ kind: 'condition', grade: 'sound', seen: [], found: '' }];
    case 'level':
      return [{ kind: 'level', level: 'right', colour: '' }];
    case 'setting':
      return [
        {
          kind: 'setting',
          option:
            expectedOption(check, machine.harvest.crop, machine.header?.model)?.option ??
            check.options[0] ??
            '',
        },
      ];
    case 'service':
      return [{ kind: 'service', amount: check.amount ?? null, product: '' }];
  }
}

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
  return {
    kind: 'measure',
    values: [x],
    typed: [String(x)],
    unit: QUANTITY_UNITS[check.quantity][0],
  };
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
  const nominal = wearLimitsOf(check)?.nominal ?? 0;
  const measured: ReadingValue = {
    kind: 'measure',
    values: [nominal],
    typed: [String(nominal)],
    unit: 'mm',
  };
  return check.takeUp
    ? [
        measured,
        {
          kind: 'travel',
          left: check.takeUp.total,
          linksOut: 0,
          typed: String(check.takeUp.total),
          unit: 'mm',
        },
      ]
    : [measured];
}
