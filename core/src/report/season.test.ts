import { SeasonSummary } from '../contracts/report';
import { measured } from '../testing/judged';
import { seasonFile, TODAY } from '../testing/season';
import { demoSheet, reading } from '../testing/sheet';
import { ownerReport } from './report';
import { seasonSummary, seasonSums } from './season';

const checks = demoSheet('ouzel7').checks.filter((c) =>
  ['fan-drive-belt', 'chopper-knives'].includes(c.id),
);
const worn = ownerReport(
  seasonFile({ checks, readings: [reading('fan-drive-belt', 'belt', measured(34))] }),
  TODAY,
);
const later = {
  ...worn,
  machine: { ...worn.machine, serial: 'A1', harvest: { start: '2026-09-01', end: '2026-09-20' } },
};
const ID = '0197a000-0000-7000-8000-000000000001';

test('machines by harvest, each with what is open and what it costs; sums of all', () => {
  const priced = { ...worn, items: worn.items.map((i) => ({ ...i, now: 120, ifItGoes: 900 })) };
  const summary = SeasonSummary.parse(
    seasonSummary('Harrow End', [
      { id: ID, report: later },
      { id: ID, report: priced },
    ]),
  );
  expect(summary.machines.map((m) => m.serial)).toEqual([worn.machine.serial, 'A1']);
  expect(summary.machines[0]).toMatchObject({
    items: worn.items.length,
    now: 120 * worn.items.length,
    unpriced: 0,
    loudest: ['Replace: Fan drive belt'],
    ready: false,
  });
  // without prices nothing costs nothing: it is said that they have none
  expect(summary.machines[1]).toMatchObject({ now: 0, unpriced: worn.items.length });
  expect(seasonSums(summary)).toEqual({
    ready: 0,
    now: 120 * worn.items.length,
    unpriced: worn.items.length,
    ifItGoes: 900 * worn.items.length,
  });
});
