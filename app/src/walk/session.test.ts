import { Reading } from '@green-tally/core/contracts';
import { checkOf, machineFile } from '../testing/fixtures';
import { newReading, newWalk } from './session';
import { groupBySides } from './series/sides';

const file = machineFile();
const now = new Date('2026-06-09T08:00:00.000Z');
const by = 'Ines Marrow';
const begun = {
  hours: 1290,
  by,
  noticed: '',
  checks: null,
  kind: null,
  minutes: null,
};
const walk = newWalk(file, now, begun);

describe('a new reading', () => {
  const check = checkOf(file, 'fan-drive-belt');
  const take = (value: Reading['value'], change: object = {}) =>
    newReading(
      { file, check, walk, place: 'belt', state: 'asFound', now, by, stand: undefined, ...change },
      value,
    );
  const stand = (position: string) => ({ position, by, at: now.toISOString(), safe: [] });
  const width: Reading['value'] = { kind: 'measure', values: [36], typed: ['36'], unit: 'mm' };

  test('is whole: the contract takes it as it is', () => {
    const reading = take(width);
    expect(Reading.parse(reading)).toEqual(reading);
    expect(reading).toMatchObject({
      machineId: file.machine.id,
      walkId: walk.id,
      hours: 1290,
      takenAt: '2026-06-09T08:00:00.000Z',
      strikes: null,
    });
  });
  test('has an id of its own each time', () => expect(take(width).id).not.toBe(take(width).id));
  test('is void where the position was not confirmed, and counts where it was', () => {
    expect(take(width).positionConfirmed).toBe(false);
    expect(take(width, { stand: stand('Header down') }).positionConfirmed).toBe(false);
    expect(take(width, { stand: stand(check.position) }).positionConfirmed).toBe(true);
  });
  test('that says why nothing was measured needs no position', () =>
    expect(take({ kind: 'skip', why: 'too dark' }).positionConfirmed).toBe(true));
  test('knows the sheet and the tool it is judged by', () => {
    const reading = take(width);
    expect(reading.sheet).toEqual({ model: 'Ouzel 7', revision: 1 });
    expect(reading.tool).toEqual(check.kind === 'measure' ? check.tool : null);
  });
  test('may strike one, be of a new part, and be looked at again after running', () =>
    expect(
      take(width, { strikes: walk.id, renewed: true, settled: true, note: 'wet' }),
    ).toMatchObject({ strikes: walk.id, renewed: true, settled: true, note: 'wet' }));
});

describe('a new walk', () => {
  test('is begun, made safe, and not finished', () =>
    expect(walk).toMatchObject({
      startedAt: now.toISOString(),
      madeSafeAt: now.toISOString(),
      finishedAt: null,
      machineId: file.machine.id,
    }));
  test('is not the same as the last', () => expect(newWalk(file, now, begun).id).not.toBe(walk.id));
});

describe('places of a series as rows', () => {
  test('two sides of a row stand in one row', () =>
    expect(groupBySides(['row 1 left', 'row 1 right', 'row 2 left', 'row 2 right'])).toEqual({
      sides: ['left', 'right'],
      rows: [
        { name: '1', places: ['row 1 left', 'row 1 right'] },
        { name: '2', places: ['row 2 left', 'row 2 right'] },
      ],
    }));
  test('places without sides are a row each', () =>
    expect(groupBySides(['front', 'rear'])).toEqual({
      sides: [],
      rows: [
        { name: 'front', places: ['front'] },
        { name: 'rear', places: ['rear'] },
      ],
    }));
  test('where only some have sides, none are put together', () =>
    expect(groupBySides(['row 1 left', 'middle']).sides).toEqual([]));
});
