import fc from 'fast-check';
import {
  Visit,
  type MachineFile,
  type Reading,
  type ReadingValue,
  type Tick,
  type WorkItem,
} from '../contracts';
import { closedUp, seasonFile, workItem } from '../testing/season';
import { shortSheet, MACHINE_ID, reading, WALK_ID } from '../testing/sheet';
import { proposeWork } from '../work';
import { unreadPlaces, walkStops, nextStop } from '../walk';
import { judgeCheck } from '../verdict';
import {
  daysFor,
  mustStartBy,
  nextStep,
  slackDays,
  standingOf,
  visitEnd,
  workingDayFrom,
} from './index';

describe('working days', () => {
  test.each([
    ['2026-06-12', 8, '2026-06-12'],
    ['2026-06-12', 12, '2026-06-15'],
    ['2026-06-13', 4, '2026-06-15'],
    ['2026-06-08', 40, '2026-06-12'],
  ])('from %s, %d h end on %s', (start, hours, end) => expect(visitEnd(start, hours)).toBe(end));
  test.each([
    ['2026-06-30', 2, 12, '2026-06-25'],
    ['2026-06-30', 2, 4, '2026-06-26'],
    ['2026-06-29', 0, 8, '2026-06-26'],
    ['2026-07-01', 0, 8, '2026-06-30'],
  ])('harvest %s, margin %d, %d h: start by %s', (harvest, margin, hours, day) =>
    expect(mustStartBy(harvest, margin, hours)).toBe(day),
  );
  test.each([
    ['2026-06-26', '2026-06-30', 1],
    ['2026-06-29', '2026-06-30', 0],
    ['2026-06-27', '2026-06-29', 0],
    ['2026-06-30', '2026-06-30', -1],
    ['2026-07-01', '2026-06-30', -2],
    ['2026-06-09', '2026-06-30', 14],
  ])('work finished %s, harvest %s: slack %d', (finish, harvest, slack) =>
    expect(slackDays(finish, harvest)).toBe(slack),
  );
  test('finishing a day later never leaves more slack', () => {
    const day = (n: number) => new Date(Date.UTC(2026, 4, 1 + n)).toISOString().slice(0, 10);
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 120 }),
        fc.integer({ min: 0, max: 120 }),
        (a, b) => slackDays(day(a + 1), day(b)) <= slackDays(day(a), day(b)),
      ),
    );
  });
  test('slack to the end of time is refused at once, by name', () =>
    expect(() => slackDays('2026-06-09', '9999-12-31')).toThrow(
      expect.objectContaining({ field: 'finish' }) as Error,
    ));
  test('a weekend start moves to Monday', () =>
    expect(workingDayFrom('2026-06-13')).toBe('2026-06-15'));
  test('no hours take no day', () =>
    expect([daysFor(0), daysFor(8), daysFor(8.25)]).toEqual([0, 1, 2]));
});

const width = (v: number): ReadingValue => ({
  kind: 'measure',
  values: [v],
  typed: [],
  unit: 'mm',
});
const file = (
  readings: Reading[],
  work: WorkItem[] = [],
  visits: Visit[] = [],
  ticks: Tick[] = closedUp(),
): MachineFile => seasonFile({ readings, work, visits, ticks });
const narrow = () => reading('fan-drive-belt', 'belt', width(34));
const item = (r: Reading): WorkItem =>
  workItem({
    cover: { name: 'left side shields', minutes: 15 },
    acceptedAt: new Date(Date.parse(r.takenAt) + 1000).toISOString(),
  });
const visit = (startsOn: string, endsOn: string, workIds: string[]): Visit =>
  Visit.parse({
    id: '0197a000-0000-7000-8000-0000000000c1',
    machineId: MACHINE_ID,
    technicianId: MACHINE_ID,
    technician: 'Ines Marrow',
    startsOn,
    endsOn,
    hours: 1.5,
    site: 'bay',
    workIds,
    version: 1,
  });

describe('standing of a machine', () => {
  test('without a walk, the walk itself is the work, and starting it is next', () => {
    const standing = standingOf(
      seasonFile({ checks: shortSheet('ouzel7').checks, walked: false }),
      '2026-06-09',
    );
    expect(standing.walkState).toBe('none');
    expect(standing.checksDue).toBe(4);
    expect(standing.hoursOpen).toBeGreaterThan(0);
    expect(nextStep(standing)).toMatchObject({ id: 'startWalk', count: 4 });
  });
  test('a narrow belt proposes its work, with part and labour, cover once', () => {
    const standing = standingOf(file([narrow()]), '2026-06-09');
    expect(standing.counts).toEqual({ replace: 1 });
    expect(standing.proposed[0]).toMatchObject({
      decision: 'replace',
      minutes: 75,
      parts: [{ number: 'LM-5207', quantity: 1 }],
    });
    // 75 min, 15 for the shields, 3 to set the machine
    expect(standing.hoursOpen).toBe(1.75);
    expect(nextStep(standing).id).toBe('acceptWork');
    expect(standing.mustStartBy).toBe('2026-06-26');
  });
  test('accepted work asks for a visit; a visit sets the slack; one after harvest start is late', () => {
    const r = narrow();
    expect(nextStep(standingOf(file([r], [item(r)]), '2026-06-09')).id).toBe('planVisit');
    const early = standingOf(
      file([r], [item(r)], [visit('2026-06-18', '2026-06-18', [item(r).id])]),
      '2026-06-09',
    );
    expect(early).toMatchObject({
      finish: '2026-06-18',
      slack: 7,
      late: false,
      hoursPlanned: 1.75,
    });
    expect(nextStep(early)).toMatchObject({
      id: 'visitPlanned',
      day: '2026-06-18',
      technician: 'Ines Marrow',
    });
    const late = standingOf(
      file([r], [item(r)], [visit('2026-07-02', '2026-07-02', [item(r).id])]),
      '2026-06-09',
    );
    expect(late).toMatchObject({ slack: -3, late: true });
    expect(nextStep(late).id).toBe('visitLate');
  });
  test('a reading that holds after the work was accepted closes it', () => {
    const r = narrow();
    const closed = file(
      [
        r,
        reading('fan-drive-belt', 'belt', width(38), {
          state: 'asLeft',
          renewed: true,
          takenAt: '2026-06-18T10:00:00.000Z',
        }),
      ],
      [item(r)],
    );
    const done = standingOf(closed, '2026-06-18');
    expect(done.work[0]!.done).toBe(true);
    expect(done).toMatchObject({ hoursOpen: 0, late: false, ready: true });
    expect(nextStep(done).id).toBe('ready');
  });
});

describe('labour', () => {
  test('what holds or is only watched asks for no work', () => {
    const belt = shortSheet('ouzel7').checks.find((c) => c.id === 'fan-drive-belt')!;
    expect(
      proposeWork(
        judgeCheck(belt, [reading(belt.id, 'belt', width(37.8))], {
          hours: 1284,
          seasonHours: 109,
        })!,
      ),
    ).toBeUndefined();
  });
});

describe('the walk', () => {
  const checks = [...shortSheet('ouzel7').checks, ...shortSheet('merle12').checks].sort(
    (a, b) => a.station - b.station,
  );
  const walk = { id: WALK_ID };
  test('keeps the order it is given', () =>
    expect(walkStops(checks, walk, []).map((s) => s.check.station)).toEqual([2, 4, 8, 9, 12]));
  test('a check is begun until every place is read with its travel', () => {
    const half = [reading('conveyor-chain-tension', 'left', { kind: 'mark', stands: 'at', by: 0 })];
    expect(
      unreadPlaces(
        checks.find((c) => c.id === 'conveyor-chain-tension')!,
        half,
      ),
    ).toEqual(['left', 'right']);
    expect(walkStops(checks, walk, half)[1]!.state).toBe('begun');
  });
  test('the next stop is the first not done, wrapping round', () => {
    const stops = walkStops(checks, walk, [narrow()]);
    expect(nextStop(stops, 'elevator-chain')!.check.id).toBe('chopper-knives');
    expect(nextStop(stops, 'chopper-knives')!.check.id).toBe('gathering-chain');
  });
  test('a new fan belt sends the elevator chain back into the walk', () => {
    const felt = [
      reading('elevator-chain', 'boot', { kind: 'feel', feel: 'justSlides' }),
      reading('elevator-chain', 'boot', {
        kind: 'travel',
        left: 30,
        linksOut: 0,
        typed: '30',
        unit: 'mm',
      }),
    ];
    const renewed = reading('fan-drive-belt', 'belt', width(38), {
      state: 'asLeft',
      renewed: true,
    });
    const stop = walkStops(checks, walk, [...felt, narrow(), renewed]).find(
      (s) => s.check.id === 'elevator-chain',
    )!;
    expect(stop).toMatchObject({ state: 'again', because: { component: 'Fan drive belt' } });
  });
});
