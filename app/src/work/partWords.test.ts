import type { Part } from '@green-tally/core/contracts';
import { aboutPart, labourText, partLine } from './partWords';

const knife: Part = { number: 'K-1', name: 'Knife', each: 1 };

describe('what is said of a part', () => {
  test('nothing, where it is sold one by one and needs nothing', () =>
    expect(aboutPart(knife)).toEqual([]));
  test('what is ordered now, boxes, what goes with it, the heavy one and when', () =>
    expect(
      aboutPart({
        ...knife,
        soldIn: 4,
        supersededBy: { number: 'K-2', name: 'Knife, new' },
        heavy: { number: 'K-9', name: 'Knife, heavy', because: 'stones' },
        needs: [{ number: 'B-1', name: 'Bolt', each: 2 }],
      }),
    ).toEqual([
      'Now K-2 Knife, new',
      'Sold in boxes of 4',
      'With each: 2 × B-1 Bolt',
      'Heavy instead: K-9 Knife, heavy: stones',
    ]));
});

describe('a line of parts of some work', () => {
  const line = { number: 'K-1', name: 'Knife', quantity: 4 };
  test.each([
    [line, '4 × K-1 Knife'],
    [{ ...line, soldIn: 4, order: 4 }, '4 × K-1 Knife'],
    [{ ...line, soldIn: 6, order: 6 }, '4 × K-1 Knife (order 6, sold in 6s)'],
    [{ ...line, instead: 'K-0' }, '4 × K-1 Knife (in the place of K-0)'],
    [{ ...line, neededBy: 'R-1' }, '4 × K-1 Knife (with R-1)'],
    [
      { ...line, heavy: { number: 'K-9', name: 'Knife, heavy', because: 'stones' } },
      '4 × K-1 Knife (or heavy K-9: stones)',
    ],
  ])('%j', (part, said) => expect(partLine(part)).toBe(said));
});

test.each([
  [0, ''],
  [0.004, ''],
  [0.05, '3 min'],
  [0.99, '59 min'],
  [1, '60 min'],
  [2, '2 h'],
  [1.756, '105 min'],
  [2.256, '2.26 h'],
])('%p h of labour are said as %p', (hours, said) => expect(labourText(hours)).toBe(said));
