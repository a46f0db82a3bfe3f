import {
  type Check,
  type Machine,
  type Reading,
  type SpecSheet,
  takeUpOf,
  type Walk,
} from '@green-tally/core/contracts';
import { seasonHours } from '@green-tally/core/forecast';
import { random } from '@green-tally/core/random';
import { checksFor } from '@green-tally/core/walk';
import type { DemoMachine } from './machines';
import { demoId } from './ids';
import { valuesAt, type Stop, type Telling } from './found';

const EARLIER_WALKS = ['2024-06-11', '2024-09-17', '2025-06-10', '2025-09-16'] as const;
/** Of the walks before this season's, those after harvest: the others were before it. */
const AFTER_HARVEST: readonly number[] = [1, 3];
const SEASONS_BEFORE = [2, 1, 1, 0] as const;

/** Three seasons of walks of one machine: what was found, and what was left, walk by walk. */
export function historyOf(
  demo: DemoMachine,
  machine: Machine,
  sheets: readonly SpecSheet[],
  seed: number,
): { walks: Walk[]; readings: Reading[] } {
  const telling = {
    demo,
    machine,
    sheets,
    stops: stopsOf(demo, machine),
    dice: random(seed),
    shown: new Map(),
  };
  const told = telling.stops.map((stop) => walkAt(telling, stop));
  return {
    walks: told.map((t) => t.walk),
    readings: [...told.flatMap((t) => t.readings), ...fittedByOwner(telling)],
  };
}

/** New parts that the owner fitted between two walks, and told of. */
function fittedByOwner({ demo, machine, sheets }: Telling): Reading[] {
  return Object.entries(demo.ownerFitted ?? {}).map(([where, day]) => {
    const [checkId = '', place = ''] = where.split('/');
    const model = sheets.find((s) => s.checks.some((c) => c.id === checkId))?.model;
    return {
      id: demoId(`${machine.serial} ${where} fitted ${day}`),
      machineId: machine.id,
      walkId: null,
      checkId,
      sheet: { model: model ?? machine.model, revision: 1 },
      place,
      state: 'asLeft',
      value: { kind: 'renewal', fittedBy: 'owner', part: '' },
      ...{ renewed: true, repaired: false, settled: false, positionConfirmed: true, tool: null },
      takenAt: `${day}T15:00:00.000Z`,
      hours: machine.hours,
      fit: null,
      by: demo.walkedBy,
      ...{ note: '', strikes: null },
    };
  });
}

function stopsOf(demo: DemoMachine, machine: Machine): Stop[] {
  if (demo.neverWalked) return [];
  const { areaHa, widthM, speedKmh, efficiency } = machine.harvest;
  const season = seasonHours(areaHa, widthM, speedKmh, efficiency);
  const earlier = EARLIER_WALKS.map((day, index): Stop => ({
    index,
    day,
    hours: Math.round(Math.max(20, machine.hours - (SEASONS_BEFORE[index] ?? 0) * season)),
    newest: false,
  })).filter((s) => s.day > machine.builtOn);
  return demo.walked
    ? [
        ...earlier,
        { index: 4, day: demo.walked, hours: machine.hours - (demo.since ?? 0), newest: true },
      ]
    : earlier;
}

function walkAt(telling: Telling, stop: Stop): { walk: Walk; readings: Reading[] } {
  const { demo, machine, sheets } = telling;
  const walkId = demoId(`${machine.serial} walk ${stop.day}`);
  let minute = 0;
  const moment = () =>
    new Date(Date.parse(`${stop.day}T05:10:00Z`) + 60_000 * (minute += 1)).toISOString();
  const startedAt = moment();
  const checks = checksRead(telling, stop);
  const handOf = (at: number): string =>
    (stop.newest && at >= checks.length / 2 ? demo.walkedWith : undefined) ?? demo.walkedBy;
  const readings = checks.flatMap((check, at) => {
    const model = sheets.find((s) => s.checks.includes(check))?.model ?? machine.model;
    return check.places.flatMap((place) =>
      valuesAt(telling, stop, check, place).map(
        ({ state, value, confirmed, settled, renewed, note }): Reading => ({
          id: demoId(`${machine.serial} ${stop.day} ${check.id} ${place} ${state} ${value.kind}`),
          machineId: machine.id,
          walkId,
          checkId: check.id,
          sheet: { model, revision: 1 },
          place,
          state,
          value,
          ...{ renewed, repaired: false, settled, note, strikes: null },
          positionConfirmed: confirmed,
          tool: check.kind === 'measure' || check.kind === 'series' ? check.tool : null,
          takenAt: moment(),
          hours: stop.hours,
          fit: { crop: machine.harvest.crop, header: machine.header?.serial ?? null },
          by: handOf(at),
        }),
      ),
    );
  });
  const walk: Walk = {
    id: walkId,
    machineId: machine.id,
    startedAt,
    madeSafeAt: startedAt,
    finishedAt: stop.newest && demo.unfinished ? null : moment(),
    hours: stop.hours,
    by: demo.walkedBy,
    checks: null,
    asFound: {},
    noticed: '',
    kind: AFTER_HARVEST.includes(stop.index) ? 'afterHarvest' : 'beforeHarvest',
    minutes: null,
  };
  return { walk, readings };
}

/**
 * Earlier seasons kept what wears; this season's walk reads everything of its time of the year,
 * unless it was broken off. What belongs to storage is done after harvest, and only then.
 */
function checksRead({ demo, machine, sheets }: Telling, stop: Stop): readonly Check[] {
  const after = AFTER_HARVEST.includes(stop.index);
  // who changes an oil does it first, and reads the level after it
  const checks = checksFor(machine, sheets)
    .filter((c) => inTime(c, after))
    .sort((a, b) => Number(disturbs(b)) - Number(disturbs(a)));
  if (stop.newest) return demo.unfinished ? checks.slice(0, 9) : checks;
  return checks.filter((c) => (after && AFTER.has(c.interval.kind)) || isKept(c));
}

const disturbs = ({ kind, knockOns }: Check): boolean =>
  kind === 'service' && knockOns.some((k) => 'check' in k);

const AFTER: ReadonlySet<Check['interval']['kind']> = new Set(['afterHarvest', 'storageIn']);

const inTime = ({ interval }: Check, after: boolean): boolean =>
  interval.kind === 'storageOut' ? !after : after || !AFTER.has(interval.kind);

const isKept = (c: Check): boolean =>
  takeUpOf(c) !== undefined || c.kind === 'count' || ('wearRate' in c && c.wearRate !== undefined);
