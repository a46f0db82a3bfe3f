import type { Reading } from '../contracts';
import { OwnerReport } from '../contracts/report';
import { standingOf, workLines } from '../plan';
import { seasonFile, TODAY, tick } from '../testing/season';
import { measured } from '../testing/judged';
import { demoSheet, reading, WALK_ID } from '../testing/sheet';
import { judgeCheck } from '../verdict';
import { asOfWalk } from './asOf';
import { ownerReport } from './report';
import { reportStrip } from './strips';

const checks = demoSheet('ouzel7').checks.filter((c) =>
  [
    'fan-drive-belt',
    'elevator-chain-elongation',
    'conveyor-chain-tension',
    'chopper-knives',
  ].includes(c.id),
);
const narrow = reading('fan-drive-belt', 'belt', measured(34));
const file = () => seasonFile({ checks, readings: [narrow] });

test('what was found stands in it, as the verdicts and the work say, and nothing else', () => {
  const report = OwnerReport.parse(ownerReport(file(), TODAY));
  const standing = standingOf(file(), TODAY);
  expect(report.items.map((i) => [i.component, i.decision, i.said])).toEqual(
    workLines(file(), standing).map((l) => [l.component, l.work.decision, l.work.reason]),
  );
  expect(report.items[0]).toMatchObject({
    decision: 'replace',
    measured: { text: '34 mm', other: '1.339 in' },
    strip: { kind: 'wear' },
  });
  expect(report.ready).toBe(standing.ready);
  expect(report.lacks).toHaveLength(standing.missing.length);
});

test('what was not read is said, what was renewed with who and when', () => {
  const left = reading('fan-drive-belt', 'belt', measured(38), {
    ...{ state: 'asLeft', renewed: true, by: 'Bram Tolley', takenAt: `${TODAY}T11:00:00.000Z` },
  });
  const report = ownerReport(seasonFile({ checks, readings: [narrow, left] }), TODAY);
  expect(report.renewed).toEqual([
    { component: 'Fan drive belt', on: TODAY, by: 'Bram Tolley', hours: left.hours },
  ]);
  expect(report.items.map((i) => i.component)).not.toContain('Fan drive belt');
  expect(report.notLooked.map((n) => n.component).length).toBeGreaterThanOrEqual(3);
  const struck = reading(
    'fan-drive-belt',
    'belt',
    { kind: 'strike', why: 'wrong machine' },
    {
      strikes: left.id,
    },
  );
  expect(
    ownerReport(seasonFile({ checks, readings: [narrow, left, struck] }), TODAY).renewed,
  ).toEqual([]);
});

test('what the owner said last stands at its item; of photos only those that are there', () => {
  const standing = standingOf(file(), TODAY);
  const [subject = ''] = standing.proposed[0]?.subjects ?? [];
  const photo = {
    ...{
      id: '0197a000-0000-7000-8000-0000000000f1',
      machineId: file().machine.id,
      walkId: WALK_ID,
    },
    ...{ checkId: 'fan-drive-belt', place: '', bytes: 10, width: 2, height: 2, by: 'Ines Marrow' },
    ...{ takenAt: `${TODAY}T10:00:00.000Z`, dropped: null },
  };
  const report = ownerReport(
    {
      ...file(),
      ticks: [
        tick(`owner|${subject}`, { answer: 'callMe', note: 'after noon', by: 'Nell Harrow' }),
      ],
      photos: [
        photo,
        {
          ...photo,
          id: '0197a000-0000-7000-8000-0000000000f2',
          dropped: { at: '', by: '' } as never,
        },
      ],
    },
    TODAY,
  );
  expect(report.items[0]?.owner).toMatchObject({ answer: 'callMe', by: 'Nell Harrow' });
  expect(report.items[0]?.photos).toEqual([photo.id]);
});

test.each([
  ['a belt that wears', 'fan-drive-belt', 'belt', measured(36), 'wear'],
  [
    'a chain with an adjuster',
    'conveyor-chain-tension',
    'left',
    { kind: 'travel', left: 20, linksOut: 0, typed: '20', unit: 'mm' },
    'band',
  ],
  [
    'knives that are counted',
    'chopper-knives',
    'rotor',
    { kind: 'count', missing: 0, damaged: 0, oneEdge: 0, bothEdges: 0 },
    undefined,
  ],
] as const)('%s has its strip, or none', (_, id, place, value, kind) => {
  const check = checks.find((c) => c.id === id);
  if (!check) throw new Error(id);
  const at = check.places.includes(place) ? place : (check.places[0] ?? '');
  const mark = reading(id, at, { kind: 'mark', stands: 'at', by: 0 });
  const own = reading(id, at, value as never);
  const verdict = judgeCheck(check, check.kind === 'mark' ? [mark, own] : [own], {
    hours: 1284,
    seasonHours: 100,
  });
  expect(verdict && reportStrip(verdict)?.kind).toBe(kind);
});

describe('a walk of the past', () => {
  const EARLY = '0197a000-0000-7000-8000-0000000000e1';
  const past = { walkId: EARLY, takenAt: '2025-11-03T09:00:00.000Z', hours: 1100 };
  const before = reading('fan-drive-belt', 'belt', measured(33), {
    ...past,
    id: '0197a000-0000-7000-8000-0000000000e2',
  });
  const fitted = reading('fan-drive-belt', 'belt', measured(38), {
    id: '0197a000-0000-7000-8000-0000000000e3',
    ...{ state: 'asLeft', renewed: true },
  });
  const both = (more: readonly Reading[] = []) => {
    const now = seasonFile({ checks, readings: [before, fitted, ...more] });
    const [walk] = now.walks;
    if (!walk) throw new Error('a walk');
    const early = { ...walk, id: EARLY, hours: 1100, kind: 'afterHarvest' as const };
    const times = { startedAt: '2025-11-03T08:00:00.000Z', finishedAt: '2025-11-03T11:00:00.000Z' };
    return { ...now, walks: [{ ...early, ...times }, ...now.walks] };
  };

  test('tells what was found then, at the hours of then, before the harvest that came', () => {
    const then = asOfWalk(both(), EARLY);
    expect(then?.today).toBe('2025-11-03');
    const report = ownerReport(then?.file ?? file(), then?.today ?? TODAY, then?.walk);
    expect(report.walk).toMatchObject({ kind: 'afterHarvest', to: '2025-11-03T11:00:00.000Z' });
    expect(report.machine.hours).toBe(1100);
    expect(report.machine.harvest.start.slice(0, 4)).toBe('2026');
    expect(report.items.map((i) => [i.component, i.decision])).toContainEqual([
      'Fan drive belt',
      'replace',
    ]);
    expect(report.renewed).toEqual([]);
    // of then, it is never said to be ready
    expect(report).toMatchObject({ past: true, ready: false, lacks: [] });
    // and now it holds
    expect(ownerReport(both(), TODAY).items.map((i) => i.component)).not.toContain(
      'Fan drive belt',
    );
  });
  test('what was struck since was wrong then as well', () => {
    const strike = reading(
      'fan-drive-belt',
      'belt',
      { kind: 'strike', why: 'wrong machine' },
      { id: '0197a000-0000-7000-8000-0000000000e4', strikes: before.id },
    );
    const then = asOfWalk(both([strike]), EARLY);
    expect(then?.file.readings).toEqual([]);
  });
  test('one that is not its own, or not finished, is none', () => {
    expect(asOfWalk(both(), WALK_ID.replace(/.$/, 'f'))).toBeUndefined();
    const open = both();
    expect(
      asOfWalk({ ...open, walks: open.walks.map((w) => ({ ...w, finishedAt: null })) }, EARLY),
    ).toBeUndefined();
  });
});
