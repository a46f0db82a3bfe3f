import type { MachineFile, ReadingValue } from '../contracts';
import { seasonFile, tick, TODAY, workedEntry, workItem } from '../testing/season';
import { demoSheet, reading } from '../testing/sheet';
import { besideOf, deferKey, ownerKey, standingOf, workLines } from './index';

const width = (v: number): ReadingValue => ({
  kind: 'measure',
  values: [v],
  typed: [],
  unit: 'mm',
});
const narrow = reading('fan-drive-belt', 'belt', width(34));
const costs = {
  currency: 'crowns',
  labourHour: 90,
  stopHour: 500,
  ownStopHour: false,
  prices: { 'LM-5207': 180 },
};
const subject = `fan-drive-belt|${narrow.id}`;
const linesOf = (change: Partial<MachineFile>, today = TODAY) => {
  const file = { ...seasonFile({ readings: [narrow] }), costs, ...change };
  const standing = standingOf(file, today);
  return { standing, lines: workLines(file, standing), file };
};
describe('work with what a person needs to decide it', () => {
  test('what a verdict calls for: both sums, what happens if it is left', () => {
    const [line, ...more] = linesOf({}).lines;
    expect(more).toEqual([]);
    // 180 for the belt, (75 + 15) min of labour at 90
    expect(line).toMatchObject({
      state: 'called',
      component: 'Fan drive belt',
      work: { decision: 'replace', subjects: [subject] },
      sums: { now: 180 + 135, unpriced: [], currency: 'crowns', chance: null, left: null },
    });
    expect(line?.sums?.ifItGoes).toBeGreaterThan(500);
    expect(line?.ifLeft).not.toBe('');
  });
  test('without a price there is no sum for now, and it is said of which part', () =>
    expect(linesOf({ costs: { ...costs, prices: {} } }).lines[0]?.sums).toMatchObject({
      now: null,
      unpriced: ['LM-5207'],
    }));
  test('without the branch’s costs there are no sums', () =>
    expect(linesOf({ costs: null }).lines[0]?.sums).toBeNull());
  test('jobs that took longer teach the minutes, from three of them on', () => {
    const check = linesOf({}).file.sheets[0]?.checks[0];
    const times = (jobs: number) => ({
      [`${check?.wearClass ?? check?.id} replace`]: { ratio: 1.4, jobs },
    });
    expect(linesOf({ times: times(3) }).lines[0]?.work).toMatchObject({
      minutes: 105,
      learnt: { sheet: 75, jobs: 3 },
    });
    expect(linesOf({ times: times(2) }).lines[0]?.work).toMatchObject({
      minutes: 75,
      learnt: null,
    });
  });
  test('put off past the first day of harvest, with a reason: nothing of it is missing', () => {
    const until = (on: string) => [tick(deferKey(subject), { until: { on }, note: 'runs still' })];
    const late = linesOf({ ticks: [...seasonFile().ticks, ...until('2026-07-20')] });
    expect(late.lines.map((l) => l.state)).toEqual(['putOff']);
    expect(late.lines[0]?.putOff).toMatchObject({ until: { on: '2026-07-20' }, why: 'runs still' });
    expect(late.standing.missing.map((m) => m.id)).not.toContain('acceptWork');
    const early = linesOf({ ticks: until('2026-06-15') });
    expect(early.standing.missing.map((m) => m.id)).toContain('acceptWork');
    expect(early.lines.map((l) => l.state)).toEqual(['putOff']);
    // its day has come: it is called for anew
    expect(linesOf({ ticks: until('2026-06-15') }, '2026-06-15').lines[0]?.state).toBe('called');
  });
  test('what guards people is neither put off nor left', () => {
    const base = seasonFile({ readings: [narrow] });
    const sheets = base.sheets.map((s) => ({
      ...s,
      checks: s.checks.map((c) => ({ ...c, guardsPeople: true })),
    }));
    const ticks = [
      tick(deferKey(subject), { until: { on: '2026-07-20' }, note: 'no' }),
      tick(`leave|${subject}`, { note: 'no' }),
    ];
    const { lines, standing } = linesOf({ sheets, ticks });
    expect(lines.map((l) => l.state)).toEqual(['called']);
    expect(standing.ready).toBe(false);
  });
  test('the owner’s answer stands beside it, accepted or not', () => {
    const ticks = [tick(ownerKey(subject), { answer: 'notNow', note: 'Mr Harrow, by phone' })];
    expect(linesOf({ ticks }).lines[0]?.owner).toMatchObject({
      answer: 'notNow',
      note: 'Mr Harrow, by phone',
    });
    expect(linesOf({ ticks, work: [workItem()] }).lines[0]).toMatchObject({
      state: 'accepted',
      owner: { answer: 'notNow' },
    });
  });
  test('worked on, it asks to be read; a new part that nobody read does not close it', () => {
    expect(
      linesOf({ work: [workItem({ worked: [workedEntry()] })] }).lines[0]?.item?.asksReading,
    ).toBe(true);
    const fitted = reading(
      'fan-drive-belt',
      'belt',
      { kind: 'renewal', fittedBy: 'shop', part: 'LM-5207' },
      { state: 'asLeft', renewed: true, takenAt: '2026-06-10T09:00:00.000Z' },
    );
    const { standing } = linesOf({
      work: [workItem({ worked: [workedEntry()] })],
      readings: [narrow, fitted],
    });
    expect(standing.work[0]).toMatchObject({ done: false, asksReading: true });
    const read = reading('fan-drive-belt', 'belt', width(38), {
      state: 'asLeft',
      renewed: true,
      takenAt: '2026-06-10T10:00:00.000Z',
    });
    expect(
      linesOf({ work: [workItem({ worked: [workedEntry()] })], readings: [narrow, fitted, read] })
        .standing.work[0]?.done,
    ).toBe(true);
  });
});

describe('work that no verdict calls for', () => {
  const checks = demoSheet('ouzel7').checks;
  const services = checks.filter((c) => c.kind === 'service' && c.interval.kind === 'every');
  const file = seasonFile({ checks: services.slice(0, 3) });
  test('services nobody has done are due before harvest, each once', () => {
    const { proposed } = besideOf(file, standingOf(file, TODAY));
    expect(proposed.map((p) => [p.from, p.decision])).toEqual(
      services.slice(0, 3).map(() => ['service', 'due']),
    );
  });
  test('accepted, it is not called for again; it is done once it was read', () => {
    const [check] = services;
    const work = [
      workItem({
        checkId: check?.id ?? '',
        from: 'service',
        decision: 'due',
        places: check?.places ?? [],
      }),
    ];
    const open = { ...file, work };
    expect(besideOf(open, standingOf(open, TODAY)).proposed).toHaveLength(2);
    const done = {
      ...open,
      readings: (check?.places ?? []).map((place) =>
        reading(
          check?.id ?? '',
          place,
          { kind: 'service', amount: null, product: '' },
          { state: 'asLeft', takenAt: '2026-06-10T10:00:00.000Z' },
        ),
      ),
    };
    expect(standingOf(open, TODAY).work[0]?.done).toBe(false);
    expect(standingOf(done, '2026-06-10').work[0]?.done).toBe(true);
  });
});
