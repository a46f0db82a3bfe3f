import type { SpecSheet } from '../contracts';
import { starterOf } from '../figures';
import { sheets } from '../testing/shipped';
import { standingOf } from './index';

const starter = starterOf(sheets.ouzel7, { model: 'Own 1', maker: 'Own' });

test('a machine is not ready while a check of its walk has no limit', () => {
  const standing = standingOf(fileOf(starter), '2026-06-09');
  const step = standing.missing.find((m) => m.id === 'enterLimits');
  expect(step?.count).toBeGreaterThan(50);
  expect(standing.ready).toBe(false);
  const whole = standingOf(fileOf(sheets.ouzel7), '2026-06-09');
  expect(whole.missing.some((m) => m.id === 'enterLimits')).toBe(false);
});

function fileOf(sheet: SpecSheet) {
  return {
    machine: {
      id: '0197a000-0000-7000-8000-000000000001',
      serial: 'T1',
      model: sheet.model,
      customer: 'A',
      branch: 'B',
      builtOn: '2022-01-01',
      hours: 800,
      header: null,
      harvest: {
        crop: 'malting barley',
        start: '2026-07-01',
        end: '2026-07-14',
        areaHa: 400,
        widthM: 9,
        speedKmh: 6,
        efficiency: 0.7,
      },
    },
    sheets: [sheet],
    earlier: [],
    readings: [],
    walks: [],
    work: [],
    visits: [],
    ticks: [],
    photos: [],
    said: [],
    rates: {},
    hands: {},
    times: {},
    costs: null,
  };
}
