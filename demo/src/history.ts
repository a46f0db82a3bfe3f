import { v5 as uuidv5 } from 'uuid';
import {
  type Check,
  type Machine,
  Reading,
  type SpecSheet,
  takeUpOf,
  type Walk,
} from '@green-tally/core/contracts';
import { seasonHours } from '@green-tally/core/forecast';
import { random } from '@green-tally/core/random';
import { checksFor } from '@green-tally/core/walk';
import type { DemoMachine } from './machines';
import { valuesAt, type Stop, type Telling } from './found';

const NAMESPACE = '0d9a6f0e-7a53-4a0e-9d53-1f3f4f0c2b11';
/** The same name gives the same id, so that pictures and tests do not drift. */
export const demoId = (name: string): string => uuidv5(name, NAMESPACE);

const EARLIER_WALKS = ['2024-06-11', '2024-09-17', '2025-06-10', '2025-09-16'] as const;
const SEASONS_BEFORE = [2, 1, 1, 0] as const;

/** Three seasons of walks of one machine: what was found, and what was left, walk by walk. */
export function historyOf(
  demo: DemoMachine,
  machine: Machine,
  sheets: readonly SpecSheet[],
  seed: number,
): { walks: Walk[]; readings: Reading[] } {
  const telling = { demo, machine, sheets, stops: stopsOf(demo, machine), dice: random(seed) };
  const told = telling.stops.map((stop) => walkAt(telling, stop));
  return { walks: told.map((t) => t.walk), readings: told.flatMap((t) => t.readings) };
}

function stopsOf(demo: DemoMachine, machine: Machine): Stop[] {
  const { areaHa, widthM, speedKmh, efficiency } = machine.harvest;
  const season = seasonHours(areaHa, widthM, speedKmh, efficiency);
  const earlier = EARLIER_WALKS.map((day, index): Stop => ({
    index,
    day,
    hours: Math.round(Math.max(20, machine.hours - (SEASONS_BEFORE[index] ?? 0) * season)),
    newest: false,
  }));
  return demo.walked
    ? [...earlier, { index: 4, day: demo.walked, hours: machine.hours, newest: true }]
    : earlier;
}

function walkAt(telling: Telling, stop: Stop): { walk: Walk; readings: Reading[] } {
  const { demo, machine, sheets } = telling;
  const walkId = demoId(`${machine.serial} walk ${stop.day}`);
  let minute = 0;
  const moment = () =>
    new Date(Date.parse(`${stop.day}T05:10:00Z`) + 60_000 * (minute += 1)).toISOString();
  const startedAt = moment();
  const readings = checksRead(telling, stop).flatMap((check) => {
    const model = sheets.find((s) => s.checks.includes(check))?.model ?? machine.model;
    return check.places.flatMap((place) =>
      valuesAt(telling, stop, check, place).map(({ state, value }) =>
        Reading.parse({
          id: demoId(`${machine.serial} ${stop.day} ${check.id} ${place} ${state} ${value.kind}`),
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
          fit: { crop: machine.harvest.crop, header: machine.header?.serial ?? null },
          by: demo.walkedBy,
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
  };
  return { walk, readings };
}

/**
 * Earlier seasons kept what wears; this season's walk reads everything, unless it was broken off.
 */
function checksRead({ demo, machine, sheets }: Telling, stop: Stop): readonly Check[] {
  const checks = checksFor(machine, sheets);
  if (stop.newest) return demo.unfinished ? checks.slice(0, 9) : checks;
  return checks.filter(
    (c) =>
      takeUpOf(c) !== undefined ||
      c.kind === 'count' ||
      ('wearRate' in c && c.wearRate !== undefined),
  );
}
