import type { Check, Reading, ReadingValue } from '../contracts';
import { demoCheck, madeCheck, reading, shortSheet, WALK_ID } from '../testing/sheet';
import { sheets } from '../testing/shipped';
import {
  goOn,
  groupsOf,
  isRead,
  mayBeSoundTogether,
  nextStop,
  unreadPlaces,
  walkStops,
} from './order';

const travel = (left: number): ReadingValue => ({
  kind: 'travel',
  left,
  linksOut: 0,
  typed: '',
  unit: 'mm',
});
const width: ReadingValue = { kind: 'measure', values: [36], typed: [], unit: 'mm' };
const mark: ReadingValue = { kind: 'mark', stands: 'at', by: 0 };
const skip: ReadingValue = { kind: 'skip', why: 'too dark' };
const look: ReadingValue = { kind: 'look', seen: 'fine', found: '' };

const belt = demoCheck('fan-drive-belt', 'measure');
const conveyor = demoCheck('conveyor-chain-tension', 'mark');
const onBelt = (value: ReadingValue, change: Partial<Reading> = {}) =>
  reading('fan-drive-belt', 'belt', value, change);
const onConveyor = (place: string, value: ReadingValue) =>
  reading('conveyor-chain-tension', place, value);

describe('whether a place is read', () => {
  test.each<[string, boolean, Reading[]]>([
    ['nothing', false, []],
    ['its width', true, [onBelt(width)]],
    ['why it was not measured', true, [onBelt(skip)]],
    ['a mere look', true, [onBelt(look)]],
  ])('a belt, with %s: %s', (_, read, readings) => expect(isRead(belt, readings)).toBe(read));
  test.each<[string, boolean, Reading[]]>([
    ['its mark alone', false, [onConveyor('left', mark)]],
    ['the travel alone', false, [onConveyor('left', travel(20))]],
    ['both', true, [onConveyor('left', mark), onConveyor('left', travel(20))]],
    ['why it was not looked at', true, [onConveyor('left', skip)]],
  ])('a chain with an adjuster, with %s: %s', (_, read, readings) =>
    expect(isRead(conveyor, readings)).toBe(read),
  );
  test('the places still to be read are named, in their order', () => {
    expect(unreadPlaces(conveyor, [])).toEqual(['left', 'right']);
    expect(
      unreadPlaces(conveyor, [onConveyor('right', mark), onConveyor('right', travel(9))]),
    ).toEqual(['left']);
  });
  test('readings of another check count for nothing', () =>
    expect(unreadPlaces(belt, [reading('elevator-chain', 'belt', width)])).toEqual(['belt']));
});

describe('the stops of a walk', () => {
  const checks = [...shortSheet('ouzel7').checks].sort((a, b) => a.station - b.station).reverse();
  const walk = { id: WALK_ID };
  const stateOf = (id: string, readings: readonly Reading[]) =>
    walkStops(checks, walk, readings).find((s) => s.check.id === id)?.state;

  test('go in the order of the walk, which is not front to back where the time is short', () => {
    const stops = walkStops(checks, walk, []);
    expect(stops.map((s) => s.check.id)).toEqual(checks.map((c) => c.id));
    expect(stops.every((s) => s.state === 'due')).toBe(true);
  });
  test('due, begun, done', () => {
    expect(stateOf('conveyor-chain-tension', [])).toBe('due');
    expect(stateOf('conveyor-chain-tension', [onConveyor('left', mark)])).toBe('begun');
    const both = ['left', 'right'].flatMap((p) => [onConveyor(p, mark), onConveyor(p, travel(20))]);
    expect(stateOf('conveyor-chain-tension', both)).toBe('done');
  });
  test('readings of an earlier walk settle nothing in this one', () =>
    expect(stateOf('fan-drive-belt', [onBelt(width, { walkId: null })])).toBe('due'));
  test('a reading struck through settles nothing', () => {
    const wrong = onBelt(width);
    const elsewhere = onBelt(skip, { strikes: wrong.id, walkId: null });
    expect(stateOf('fan-drive-belt', [wrong, elsewhere])).toBe('due');
  });
  test('what was loosened by work elsewhere is due again, with the reason, until it is read again', () => {
    const read = () => [
      reading('elevator-chain', 'boot', { kind: 'feel', feel: 'justSlides' }),
      reading('elevator-chain', 'boot', travel(30)),
    ];
    const before = read();
    const renewed = onBelt(width, { state: 'asLeft', renewed: true });
    expect(stateOf('elevator-chain', before)).toBe('done');
    const stops = walkStops(checks, walk, [...before, renewed]);
    const elevator = stops.find((s) => s.check.id === 'elevator-chain');
    expect(elevator).toMatchObject({ state: 'again', because: { component: 'Fan drive belt' } });
    expect(elevator?.because?.why.length).toBeGreaterThan(5);
    expect(stateOf('elevator-chain', [...before, renewed, ...read()])).toBe('done');
  });
  test('measuring it as it is found loosens nothing', () => {
    const chain = [
      reading('elevator-chain', 'boot', { kind: 'feel', feel: 'justSlides' }),
      reading('elevator-chain', 'boot', travel(30)),
    ];
    expect(stateOf('elevator-chain', [...chain, onBelt(width)])).toBe('done');
  });
  test('the next stop is the first not done after this one, wrapping round; none when all are', () => {
    const stops = walkStops(checks, walk, [onBelt(width)]);
    const ids = stops.map((s) => s.check.id);
    expect(nextStop(stops)?.check.id).toBe(ids[0]);
    expect(nextStop(stops, ids.at(-1))?.check.id).toBe(ids[0]);
    const beforeBelt = ids[ids.indexOf('fan-drive-belt') - 1];
    expect(nextStop(stops, beforeBelt)?.check.id).not.toBe('fan-drive-belt');
    expect(nextStop(stops.map((s) => ({ ...s, state: 'done' as const })))).toBeUndefined();
  });
});

describe('how the machine has to stand next', () => {
  const stop = (id: string, position: string, state: 'due' | 'done' = 'due') => ({
    check: madeCheck('condition', { id, position, looksFor: ['cracks'] }),
    state,
  });
  test('what is still to do is gathered by position, in the order of the walk', () => {
    const stops = [stop('a', 'down'), stop('b', 'up', 'done'), stop('c', 'down'), stop('d', 'up')];
    expect(groupsOf(stops).map((g) => [g.position, g.stops.map((s) => s.check.id).join()])).toEqual(
      [
        ['down', 'a,c'],
        ['up', 'd'],
      ],
    );
    expect(groupsOf([])).toEqual([]);
  });
  test('as it stands comes first, all of it, and there the walk goes on', () => {
    const stops = [stop('a', 'up'), stop('b', 'down'), stop('c', 'up'), stop('d', 'down')];
    expect(
      groupsOf(stops, 'down').map((g) => [g.position, g.stops.map((s) => s.check.id).join()]),
    ).toEqual([
      ['down', 'b,d'],
      ['up', 'a,c'],
    ]);
    expect(goOn(stops, 'down')?.check.id).toBe('b');
    expect(goOn(stops, 'elsewhere')?.check.id).toBe('a');
    expect(goOn(stops, undefined)?.check.id).toBe('a');
  });
  test('only what a look answers is called sound together', () => {
    const look = stop('a', 'down');
    const of = (check: Check) => mayBeSoundTogether({ check, state: 'due' }, []);
    expect(mayBeSoundTogether(look, [])).toBe(true);
    expect(mayBeSoundTogether({ ...look, state: 'done' }, [])).toBe(false);
    expect(of({ ...look.check, guardsPeople: true })).toBe(false);
    expect(of({ ...look.check, method: 'knife-edge' })).toBe(false);
    for (const check of Object.values(sheets).flatMap((s) => s.checks))
      if (of(check)) expect(check).toMatchObject({ kind: 'condition', method: 'look' });
  });
  test('what was marked or damaged when it was last looked at is looked at by itself', () => {
    const look = stop('a', 'down');
    const seen = (grade: 'sound' | 'marked' | 'damaged', takenAt: string) =>
      reading('a', 'here', { kind: 'condition', grade, seen: [], found: '' }, { takenAt });
    const before = seen('marked', '2025-06-09T08:00:00.000Z');
    const after = seen('sound', '2025-06-10T08:00:00.000Z');
    expect(mayBeSoundTogether(look, [before])).toBe(false);
    expect(mayBeSoundTogether(look, [seen('damaged', '2025-06-09T08:00:00.000Z')])).toBe(false);
    expect(mayBeSoundTogether(look, [before, after])).toBe(true);
  });
});
