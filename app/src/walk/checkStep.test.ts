import { reading } from '../testing/fixtures';
import {
  asItStands,
  firstStep,
  fresh,
  nextStep,
  struckBy,
  takenIn,
  type CheckEvent,
  type CheckStep,
  type StepFacts,
  type Wish,
} from './checkStep';

const set: StepFacts = { confirmed: true, runsToSettle: true };
const notSet: StepFacts = { ...set, confirmed: false };
const found = fresh(['left', 'right']);
const left: Wish = { ...found, state: 'asLeft', renewed: true, since: '2026-06-09T08:00:00.000Z' };

const STEPS: Readonly<Record<CheckStep['at'], CheckStep>> = {
  unset: { at: 'unset', wish: found },
  settling: { at: 'settling', wish: left },
  entering: { at: 'entering', wish: found, settled: false },
  skipping: { at: 'skipping', wish: found },
  verdict: { at: 'verdict' },
};
const EVENTS: Readonly<Record<CheckEvent['type'], CheckEvent>> = {
  looked: { type: 'looked' },
  skip: { type: 'skip' },
  back: { type: 'back' },
  done: { type: 'done' },
  seeVerdict: { type: 'seeVerdict' },
  begin: { type: 'begin', wish: left },
};

/** Every way through: what each event makes of each step; what is not named stays as it is. */
const WAYS: Readonly<
  Record<CheckStep['at'], Partial<Record<CheckEvent['type'], CheckStep['at']>>>
> = {
  unset: { skip: 'skipping', begin: 'settling' },
  settling: { looked: 'entering', begin: 'settling' },
  entering: { skip: 'skipping', done: 'verdict', seeVerdict: 'verdict', begin: 'settling' },
  skipping: { back: 'entering', done: 'verdict', begin: 'settling' },
  verdict: { begin: 'settling' },
};

describe('every event in every step', () => {
  const steps = Object.keys(STEPS) as CheckStep['at'][];
  const events = Object.keys(EVENTS) as CheckEvent['type'][];
  test.each(steps.flatMap((s) => events.map((e) => [s, e] as const)))('%s, %s', (from, type) => {
    const step = STEPS[from];
    const next = nextStep(step, EVENTS[type], set);
    expect(next.at).toBe(WAYS[from][type] ?? from);
    if (WAYS[from][type] === undefined) expect(next).toEqual(step);
  });
});

describe('a check of the walk', () => {
  test('begins at its verdict when all is read, else at its entry', () => {
    expect(firstStep(undefined, set)).toEqual({ at: 'verdict' });
    expect(firstStep(found, set)).toEqual({ at: 'entering', wish: found, settled: false });
    expect(firstStep(found, notSet)).toEqual({ at: 'unset', wish: found });
  });
  test('opens no pad before the machine stands as the check wants, whatever is to be entered', () => {
    for (const wish of [found, left])
      expect(nextStep(STEPS.verdict, { type: 'begin', wish }, notSet)).toEqual({
        at: 'unset',
        wish,
      });
  });
  test('as left, what must settle is run and looked at again first', () => {
    const settling = asItStands({ at: 'unset', wish: left }, set);
    expect(settling).toEqual({ at: 'settling', wish: left });
    expect(nextStep(settling, { type: 'looked' }, set)).toEqual({
      at: 'entering',
      wish: left,
      settled: true,
    });
  });
  test('as left, what need not settle is entered at once, and does not claim to have settled', () =>
    expect(
      nextStep(STEPS.verdict, { type: 'begin', wish: left }, { ...set, runsToSettle: false }),
    ).toEqual({ at: 'entering', wish: left, settled: false }));
  test('a machine that was moved takes the wish along, and a run to settle has to be repeated', () => {
    const entering: CheckStep = { at: 'entering', wish: left, settled: true };
    const unset = asItStands(entering, notSet);
    expect(unset).toEqual({ at: 'unset', wish: left });
    expect(asItStands(unset, set).at).toBe('settling');
  });
  test('what was read, or is being said of why not, does not mind how the machine stands', () => {
    for (const at of ['verdict', 'skipping'] as const)
      for (const facts of [set, notSet]) expect(asItStands(STEPS[at], facts)).toBe(STEPS[at]);
    expect(nextStep(STEPS.skipping, { type: 'back' }, notSet).at).toBe('unset');
  });
  test('only what is found can be skipped: an adjustment is read as left or stays open', () => {
    const entering: CheckStep = { at: 'entering', wish: left, settled: true };
    expect(nextStep(entering, { type: 'skip' }, set)).toBe(entering);
  });
});

describe('what belongs to an entry', () => {
  const width = (mm: number, change = {}) =>
    reading(
      'fan-drive-belt',
      'belt',
      { kind: 'measure', values: [mm], typed: [], unit: 'mm' },
      change,
    );
  const first = width(36, { takenAt: '2026-06-09T07:00:00.000Z' });
  const second = width(37, { takenAt: '2026-06-09T09:00:00.000Z' });
  const asLeft = width(38, { state: 'asLeft', takenAt: '2026-06-09T09:30:00.000Z' });
  const all = [first, second, asLeft];
  test('all of its state in this walk, unless it began later', () => {
    expect(takenIn(fresh(['belt']), all)).toEqual([first, second]);
    expect(takenIn(fresh(['belt'], '2026-06-09T08:00:00.000Z'), all)).toEqual([second]);
    expect(takenIn({ ...left, places: ['belt'] }, all)).toEqual([asLeft]);
  });
  test('a correction strikes the newest earlier one of its place, kind and state', () => {
    const wish = { ...fresh(['belt'], '2026-06-09T10:00:00.000Z'), strike: true };
    expect(struckBy(wish, all, second)).toBe(second);
    expect(struckBy({ ...wish, since: '2026-06-09T08:00:00.000Z' }, all, second)).toBe(first);
    expect(struckBy({ ...wish, state: 'asLeft' }, all, second)).toBe(asLeft);
    expect(struckBy({ ...wish, strike: false }, all, second)).toBeUndefined();
    expect(struckBy(wish, all, { ...second, place: 'elsewhere' })).toBeUndefined();
  });
});
