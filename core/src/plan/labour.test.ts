import fc from 'fast-check';
import { madeCheck } from '../testing/sheet';
import { labourOf } from './index';

const check = (id: string, position: string) =>
  madeCheck('condition', { id, position, looksFor: ['cracks'] });
const checks = [
  check('belt', 'shields open'),
  check('chain', 'feeder up'),
  check('knife', 'feeder up'),
];
const costs = {
  usual: 3,
  moves: [{ from: 'shields open', to: 'feeder up', minutes: 5 }],
};
const item = (checkId: string, minutes: number, cover?: [string, number]) => ({
  checkId,
  minutes,
  cover: cover ? { name: cover[0], minutes: cover[1] } : null,
});

describe('labour of a visit', () => {
  test('covers are opened once, positions set once', () => {
    const items = [
      item('belt', 30, ['left shields', 15]),
      item('chain', 40, ['left shields', 15]),
      item('knife', 20),
    ];
    // from "feeder up" to "shields open" is not in the table: 3 min, cheaper than the other way
    expect(labourOf(items, checks, costs)).toEqual({
      work: 90,
      covers: [{ name: 'left shields', minutes: 15 }],
      positions: [
        { name: 'feeder up', minutes: 3 },
        { name: 'shields open', minutes: 3 },
      ],
      minutes: 111,
      hours: 2,
    });
  });
  test('nothing to do takes no time', () =>
    expect(labourOf([], checks, costs)).toMatchObject({ minutes: 0, hours: 0, positions: [] }));
  test('a task without minutes sets nothing up; a check that is gone brings no position', () =>
    expect(labourOf([item('belt', 0), item('gone', 10)], checks, costs)).toMatchObject({
      minutes: 10,
      positions: [],
    }));
  test('together never takes longer than one by one, nor less than the work itself', () => {
    const any = fc.record({
      checkId: fc.constantFrom('belt', 'chain', 'knife'),
      minutes: fc.integer({ min: 0, max: 300 }),
      cover: fc.constantFrom(null, { name: 'a', minutes: 10 }, { name: 'b', minutes: 20 }),
    });
    fc.assert(
      fc.property(fc.array(any, { maxLength: 8 }), (items) => {
        const together = labourOf(items, checks, costs);
        const apart = items.reduce((sum, i) => sum + labourOf([i], checks, costs).minutes, 0);
        expect(together.minutes).toBeLessThanOrEqual(apart);
        expect(together.minutes).toBeGreaterThanOrEqual(together.work);
      }),
    );
  });
  test.each([
    ['items.0.minutes', item('belt', -1)],
    ['items.0.cover.minutes', item('belt', 1, ['x', NaN])],
  ])('%s is refused by name', (field, bad) =>
    expect(() => labourOf([bad], checks, costs)).toThrow(
      expect.objectContaining({ field }) as Error,
    ),
  );
});
