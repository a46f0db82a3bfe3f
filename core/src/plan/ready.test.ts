import fc from 'fast-check';
import type { MachineFile, Reading, ReadingValue, Tick } from '../contracts';
import { closedUp, seasonFile, tick, TODAY } from '../testing/season';
import { madeCheck, reading, WALK_ID } from '../testing/sheet';
import { CLOSING, dueOf, leaveKey, nextStep, skipKey, standingOf } from './index';

const mm = (v: number): ReadingValue => ({ kind: 'measure', values: [v], typed: [], unit: 'mm' });
const belt = (id: string, change: object = {}) =>
  madeCheck('measure', {
    id,
    component: `Belt ${id}`,
    limit: { type: 'wear', nominal: 38, limit: 35 },
    tool: { name: 'Caliper', resolution: 0.1 },
    ...change,
  });
const shield = madeCheck('condition', {
  id: 'shields',
  looksFor: ['tears'],
  places: ['left', 'right'],
  damaged: 'replace',
});
const checks = [
  belt('one', {
    knockOns: [{ task: 'Recalibrate the yield sensor' }, { check: 'two', why: 'it slackens' }],
  }),
  belt('two'),
  shield,
];
const at = (minute: number) =>
  new Date(Date.parse('2026-06-09T07:00:00.000Z') + minute * 60_000).toISOString();
const sound = (place: string): Reading =>
  reading(
    'shields',
    place,
    { kind: 'condition', grade: 'sound', seen: [], found: '' },
    { takenAt: at(3) },
  );
const good = (id: string, minute: number, change: Partial<Reading> = {}) =>
  reading(id, 'here', mm(37.9), { takenAt: at(minute), ...change });
const allRead = () => [good('one', 1), good('two', 2), sound('left'), sound('right')];
const stand = (file: Partial<MachineFile>, change: object = {}) =>
  standingOf({ ...seasonFile({ checks, ticks: closedUp(), ...change }), ...file }, TODAY);
const lacks = (file: Partial<MachineFile>, change: object = {}) =>
  stand(file, change).missing.map((m) => [m.id, m.count]);

describe('what a machine lacks to be ready', () => {
  test('nothing, when all was read, holds and was closed up', () => {
    expect(lacks({ readings: allRead() })).toEqual([]);
    expect(nextStep(stand({ readings: allRead() })).id).toBe('ready');
  });
  test('a walk ended after one of its checks is not ready: it says how many are left', () => {
    const standing = stand({ readings: [good('one', 1)] });
    expect(standing.ready).toBe(false);
    expect(nextStep(standing)).toMatchObject({ id: 'readRest', count: 2 });
    expect(standing.checksDue).toBe(2);
    expect(standing.hoursOpen).toBeGreaterThan(0);
  });
  test.each([
    ['in winter, a week ago', '2026-06-02', null, 'started'],
    ['in winter, and left half a year', '2025-11-01', null, 'none'],
    ['in winter, and finished', '2026-06-02', '2026-06-02T12:00:00.000Z', 'none'],
  ])('a walk begun %s', (_, day, finishedAt, state) => {
    // harvest is far off: no look of now counts for it
    const file = seasonFile({ checks, ticks: [] });
    const harvest = { ...file.machine.harvest, start: '2027-07-01', end: '2027-07-14' };
    const walks = file.walks.map((w) => ({
      ...w,
      startedAt: `${day}T07:00:00.000Z`,
      finishedAt,
    }));
    const winter = { ...file, machine: { ...file.machine, harvest }, walks, readings: [] };
    expect(standingOf(winter, TODAY).walkState).toBe(state);
  });
  test('no walk, and a walk begun', () => {
    expect(lacks({ readings: [] }, { walked: false, ticks: [] })).toEqual([['startWalk', 3]]);
    expect(lacks({ readings: [good('one', 1)] }, { finishedAt: null })).toEqual([
      ['resumeWalk', 2],
    ]);
  });
  test('one of two shields', () =>
    expect(lacks({ readings: allRead().slice(0, 3) })).toEqual([['readRest', 1]]));
  test('what was read last season', () => {
    const old = { takenAt: '2025-09-16T07:00:00.000Z', hours: 1176, walkId: null };
    expect(lacks({ readings: [...allRead().slice(1), good('one', 1, old)] })).toEqual([
      ['readRest', 1],
    ]);
  });
  test('a skip, until a planner accepts it', () => {
    const skip = reading('two', 'here', { kind: 'skip', why: 'too dark' }, { takenAt: at(2) });
    const readings = [good('one', 1), skip, sound('left'), sound('right')];
    expect(lacks({ readings })).toEqual([['acceptSkips', 1]]);
    const accepted = [...closedUp(), tick(skipKey('two', [skip.id]), { note: 'new last year' })];
    expect(lacks({ readings, ticks: accepted })).toEqual([]);
  });
  test('a doubt, a decision to accept, and what a person decided to leave', () => {
    const doubt = reading('two', 'here', mm(35.02), { takenAt: at(2) });
    expect(lacks({ readings: [good('one', 1), doubt, sound('left'), sound('right')] })).toEqual([
      ['remeasure', 1],
    ]);
    const worn = reading('two', 'here', mm(34), { takenAt: at(2) });
    const readings = [good('one', 1), worn, sound('left'), sound('right')];
    expect(lacks({ readings })).toEqual([['acceptWork', 1]]);
    const left = [...closedUp(), tick(leaveKey('two', [worn.id]), { note: 'sold in August' })];
    expect(lacks({ readings, ticks: left })).toEqual([]);
    expect(stand({ readings, ticks: left }).proposed).toEqual([]);
    const again = reading('two', 'here', mm(33.9), { takenAt: at(9) });
    expect(lacks({ readings: [...readings, again], ticks: left })).toEqual([['acceptWork', 1]]);
  });
  test('tasks that work brought along, and a check that it disturbed', () => {
    const renewed = reading('one', 'here', mm(38), {
      takenAt: at(30),
      state: 'asLeft',
      renewed: true,
    });
    const readings = [...allRead(), renewed];
    const standing = stand({ readings });
    expect(standing.missing.map((m) => [m.id, m.count])).toEqual([
      ['readRest', 1],
      ['tasks', 1],
    ]);
    expect(standing.missing[0]?.checks).toEqual(['two']);
    const [task] = standing.tasks.filter((t) => t.check);
    const done = {
      readings: [...readings, good('two', 40)],
      ticks: [...closedUp(), tick(task?.key ?? '')],
    };
    expect(lacks(done)).toEqual([]);
  });
  test('a look or a skip does not undo what was disturbed, nor one of two places', () => {
    const two = belt('two', { places: ['left', 'right'], lookAlone: true });
    const both = [checks[0]!, two, shield];
    const at2 = (place: string, minute: number, value: ReadingValue = mm(37.9)) =>
      reading('two', place, value, { takenAt: at(minute) });
    const worked = good('one', 30, { state: 'asLeft', renewed: true, value: mm(38) });
    const read = [good('one', 1), at2('left', 2), at2('right', 2), sound('left'), sound('right')];
    const left = (...more: Reading[]) =>
      standingOf(
        seasonFile({ checks: both, readings: [...read, worked, ...more], ticks: closedUp() }),
        TODAY,
      ).missing.find((m) => m.id === 'readRest')?.checks;
    const look: ReadingValue = { kind: 'look', seen: 'fine', found: '' };
    expect(left()).toEqual(['two']);
    expect(left(at2('left', 40, look), at2('right', 40, look))).toEqual(['two']);
    expect(left(at2('left', 40))).toEqual(['two']);
    expect(left(at2('left', 40), at2('right', 41))).toBeUndefined();
  });
  test('the machine stands open until every step of closing up is ticked', () => {
    expect(lacks({ readings: allRead(), ticks: [] })).toEqual([['closeUp', CLOSING.length]]);
    expect(lacks({ readings: allRead(), ticks: closedUp().slice(1) })).toEqual([['closeUp', 1]]);
  });
});

describe('a tick', () => {
  const key = `close|${WALK_ID}|shields`;
  const shown = (ticks: Tick[]) =>
    stand({ readings: allRead(), ticks }).tasks.find((t) => t.key === key)?.done?.by;
  const by = (name: string, minute: number, done = true) =>
    tick(key, {
      id: WALK_ID.replace(/a+$/, String(1000 + minute)),
      by: name,
      at: at(minute),
      done,
    });
  test('by two phones is ticked once, by the first', () =>
    expect(shown([by('Bram', 20), by('Ines', 10)])).toBe('Ines'));
  test('taken back is open again, and can be given anew', () => {
    expect(shown([by('Ines', 10), by('Bram', 20, false)])).toBeUndefined();
    expect(shown([by('Ines', 10), by('Bram', 20, false), by('Rhea', 30)])).toBe('Rhea');
  });
});

describe('readiness is earned', () => {
  /** Readings and ticks that all speak for the machine; any of them may be missing. */
  const worn = reading('one', 'here', mm(34), { takenAt: at(1) });
  const renewed = reading('one', 'here', mm(38), {
    takenAt: at(30),
    state: 'asLeft',
    renewed: true,
  });
  const whole = {
    readings: [worn, renewed, good('two', 40), sound('left'), sound('right')],
    ticks: [...closedUp(), tick(`task|one|${WALK_ID}|Recalibrate the yield sensor`)],
  };
  const part = fc.record({
    readings: fc.subarray(whole.readings),
    ticks: fc.subarray(whole.ticks),
    walked: fc.boolean(),
    finished: fc.boolean(),
  });
  const readyWith = (evidence: {
    readings: Reading[];
    ticks: Tick[];
    walked: boolean;
    finished: boolean;
  }) =>
    standingOf(
      seasonFile({
        checks,
        readings: evidence.readings,
        ticks: evidence.ticks,
        walked: evidence.walked,
        finishedAt: evidence.finished ? at(60) : null,
      }),
      TODAY,
    );
  test('the whole of it is ready', () =>
    expect(readyWith({ ...whole, walked: true, finished: true }).ready).toBe(true));
  test('taking any evidence away never makes a machine ready', () => {
    fc.assert(
      fc.property(part, fc.nat(), (evidence, n) => {
        const before = readyWith(evidence);
        const { readings, ticks } = evidence;
        const pieces = readings.length + ticks.length;
        if (before.ready || pieces === 0) return;
        const i = n % pieces;
        const less = readyWith({
          ...evidence,
          readings: readings.filter((_, k) => k !== i),
          ticks: ticks.filter((_, k) => k !== i - readings.length),
        });
        expect(less.ready).toBe(false);
      }),
      { numRuns: 60 },
    );
  });
  test('a good reading where none was never makes it less ready', () => {
    fc.assert(
      fc.property(part, fc.constantFrom('one', 'two'), (evidence, id) => {
        const before = readyWith(evidence);
        const after = readyWith({ ...evidence, readings: [...evidence.readings, good(id, 50)] });
        if (before.ready) expect(after.ready).toBe(true);
        expect(after.missing.length).toBeLessThanOrEqual(before.missing.length);
      }),
      { numRuns: 60 },
    );
  });
});

describe('what is due', () => {
  const due = (readings: readonly Reading[], extra: object = {}) => {
    const file = seasonFile({ checks, readings, ...extra });
    return dueOf(file, standingOf(file, TODAY));
  };
  test('never read: before harvest; read: nothing until it falls due again', () => {
    expect(
      due([])
        .filter((l) => l.kind === 'check')
        .map((l) => [l.key, l.state, l.on]),
    ).toEqual([
      ['one', 'beforeHarvest', '2026-06-29'],
      ['shields', 'beforeHarvest', '2026-06-29'],
      ['two', 'beforeHarvest', '2026-06-29'],
    ]);
    expect(due(allRead(), { ticks: closedUp() })).toEqual([]);
  });
  test('by hours, projected to a day of harvest by the machine’s own use', () => {
    const hourly = belt('one', { interval: { kind: 'every', hours: 50 } });
    const [line] = due([good('one', 1)], { checks: [hourly], ticks: closedUp() });
    expect(line).toMatchObject({ state: 'inSeason', by: 'hours', atHours: 1334 });
    expect((line?.on ?? '') >= '2026-06-30' && (line?.on ?? '') <= '2026-07-12').toBe(true);
  });
  test('an early look that was missed is overdue and stays so', () => {
    const early = belt('one', { interval: { kind: 'season', early: 10 } });
    const fitted = good('one', 1, {
      takenAt: '2026-05-20T07:00:00.000Z',
      hours: 1260,
      state: 'asLeft',
      renewed: true,
      walkId: null,
    });
    expect(due([fitted], { checks: [early], ticks: closedUp() })[0]).toMatchObject({
      state: 'overdue',
      by: 'early',
      atHours: 1270,
    });
  });
  test('open tasks are due now, ticked ones are not', () => {
    expect(due(allRead()).map((l) => [l.kind, l.state, l.what])).toEqual([
      ['task', 'now', '5 of 5 steps open'],
    ]);
    expect(due(allRead(), { ticks: closedUp().slice(2) })[0]?.what).toBe('2 of 5 steps open');
  });
});
