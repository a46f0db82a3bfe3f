import { Reading, type Check } from '../src/contracts';
import type { Random } from '../src/random';

/** A sheet with one check of every kind that is measured often, for timing. */
export function benchSheet(): unknown {
  const base = {
    station: 9,
    stationName: 'Belt drives',
    measures: 'reading',
    on: 'combine',
    position: 'Header down',
    how: 'Look.',
    why: 'So.',
    tool: { name: 'Caliper', resolution: 0.1 },
    labour: { measure: 5 },
    ifLeft: 'It breaks.',
    source: 'Bench',
    places: ['here'],
  };
  const takeUp = {
    total: 45,
    reserve: 10,
    strandsPerTravel: 2,
    pitch: 41.4,
    loopPitches: 94,
    limitPercent: 2.6,
    resolution: 1,
  };
  const checks = [
    {
      kind: 'measure',
      method: 'belt-width',
      limit: { type: 'wear', nominal: 38, limit: 35 },
      wearRate: { perHour: 0.0015, sd: 0.0005 },
    },
    { kind: 'measure', method: 'sheave-gap', limit: { type: 'band', low: 2, high: 6 } },
    {
      kind: 'measure',
      method: 'chain-pitches',
      limit: { type: 'elongation', pitch: 41.4, pitches: 10, limitPercent: 2.1 },
      wearRate: { perHour: 0.001, sd: 0.0004 },
    },
    { kind: 'mark', method: 'tip-to-tip', gauge: { length: 60, past: 3 }, maxSideDifference: 3 },
    { kind: 'feel', method: 'elevator-feel', good: ['justSlides'], takeUp },
    { kind: 'gonogo', method: 'gonogo', gauge: 'Belt gauge', good: 'fits' },
    { kind: 'count', method: 'knife-count', total: 48, renew: 'opposite', turnFrom: 6 },
    { kind: 'condition', method: 'look', looksFor: ['cracks'] },
    { kind: 'level', method: 'level-eye', eye: 'sight glass', product: 'Gear oil' },
    { kind: 'setting', method: 'setting', options: ['low', 'high'], expected: [{ option: 'low' }] },
    {
      kind: 'service',
      method: 'grease',
      asks: 'strokes',
      amount: 2,
      product: 'Grease',
      interval: { kind: 'every', hours: 50 },
    },
  ].map((c, i) => ({ ...base, ...c, id: `check-${i}`, component: `Part ${i}` }));
  return { model: 'B1', maker: 'Bench', machine: 'combine', revision: 1, checks };
}

/** What a walk reads of a check now, and at the end of so many seasons before. */
export function readingsFor(check: Check, seasonsBefore: number, dice: Random): Reading[] {
  return Array.from({ length: seasonsBefore + 1 }, (_, i) => seasonsBefore - i).flatMap((ago) =>
    valuesOf(check, ago, dice).map((value, k) =>
      Reading.parse({
        id: `0197a000-0000-7000-8000-${Math.floor(dice.next() * 2 ** 40)
          .toString(16)
          .padStart(12, '0')}`,
        machineId: '0197a000-0000-7000-8000-000000000001',
        checkId: check.id,
        sheet: { model: 'B1', revision: 1 },
        place: 'here',
        state: 'asFound',
        value,
        positionConfirmed: true,
        takenAt: `${2026 - ago}-06-09T07:${String(10 + k).padStart(2, '0')}:00.000Z`,
        hours: 1284 - 109 * ago,
        by: 'bench',
      }),
    ),
  );
}

function valuesOf(check: Check, ago: number, dice: Random): unknown[] {
  const measure = (x: number) => ({ kind: 'measure', values: [x], typed: [], unit: 'mm' });
  switch (check.kind) {
    case 'measure':
    case 'series':
      return [
        measure(
          check.limit.type === 'wear'
            ? 36.8 + 0.3 * ago + 0.05 * dice.next()
            : check.limit.type === 'band'
              ? 4
              : 418 - ago,
        ),
      ];
    case 'mark':
      return [{ kind: 'mark', stands: 'at' }];
    case 'feel':
      return [
        { kind: 'feel', feel: 'justSlides' },
        { kind: 'travel', left: 25 + 3 * ago },
      ];
    case 'gonogo':
      return [{ kind: 'gonogo', fits: true }];
    case 'count':
      return [{ kind: 'count', missing: 0, damaged: 0, oneEdge: 3, bothEdges: 0 }];
    case 'condition':
      return [{ kind: 'condition', grade: 'sound' }];
    case 'level':
      return [{ kind: 'level', level: 'right' }];
    case 'setting':
      return [{ kind: 'setting', option: 'low' }];
    case 'service':
      return [{ kind: 'service', amount: 2 }];
  }
}
