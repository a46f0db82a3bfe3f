import { facts } from '../testing/judged';
import { demoCheck, demoSheet, madeCheck, reading } from '../testing/sheet';
import { judgeCheck } from '../verdict';
import { SpecSheet, type Part } from '../contracts';
import { partLines, proposeWork, takenHeavy, type ProposedWork } from './index';

const knife: Part = { number: 'K-1', name: 'Knife', each: 1 };
const work = (parts: readonly unknown[]) =>
  ({ checkId: 'knives', reason: 'lost.', minutes: 24, parts }) as unknown as ProposedWork;
const fit = (part: Partial<Part>, quantity: number) => ({ part: { ...knife, ...part }, quantity });

describe('what is ordered for what is fitted', () => {
  test.each([
    [1, 4, 4],
    [4, 4, 4],
    [5, 4, 8],
    [9, 2, 10],
  ])('%i of them, sold in %is: %i are ordered', (quantity, soldIn, order) =>
    expect(partLines([fit({ soldIn }, quantity)])).toEqual([
      { number: 'K-1', name: 'Knife', quantity, soldIn, order },
    ]),
  );
  test('one that is sold singly is ordered as it is fitted', () =>
    expect(partLines([fit({}, 3)])).toEqual([{ number: 'K-1', name: 'Knife', quantity: 3 }]));
  test('the same number from two places is one line, and one box', () =>
    expect(partLines([fit({ soldIn: 4 }, 1), fit({ soldIn: 4 }, 2)])).toEqual([
      { number: 'K-1', name: 'Knife', quantity: 3, soldIn: 4, order: 4 },
    ]));
  test('a superseded one is ordered under its new number, and says which it was', () =>
    expect(partLines([fit({ supersededBy: { number: 'K-2', name: 'Knife, new' } }, 2)])).toEqual([
      { number: 'K-2', name: 'Knife, new', quantity: 2, instead: 'K-1' },
    ]));
  test('what each needs comes along, so many as there are of it', () =>
    expect(partLines([fit({ needs: [{ number: 'B-1', name: 'Bolt', each: 2 }] }, 3)])).toEqual([
      { number: 'K-1', name: 'Knife', quantity: 3 },
      { number: 'B-1', name: 'Bolt', quantity: 6, neededBy: 'K-1' },
    ]));
  test('what is needed and fitted anyway is one line', () =>
    expect(
      partLines([
        fit({ needs: [{ number: 'B-1', name: 'Bolt', each: 2 }] }, 1),
        fit({ number: 'B-1', name: 'Bolt' }, 1),
      ]).map((l) => [l.number, l.quantity]),
    ).toEqual([
      ['K-1', 1],
      ['B-1', 3],
    ]));
  test('the heavy one may be taken in its place; nothing else changes', () => {
    const heavy = { number: 'K-9', name: 'Knife, heavy', because: 'stones' };
    const needs = [{ number: 'S-1', name: 'Bolt set', each: 1 }];
    const lines = partLines([fit({ heavy, soldIn: 4, needs }, 2), fit({ number: 'B-1' }, 1)]);
    expect(takenHeavy(work(lines), 'K-1')).toEqual(
      work([
        { number: 'K-9', name: 'Knife, heavy', quantity: 2, instead: 'K-1' },
        lines[1],
        { number: 'S-1', name: 'Bolt set', quantity: 2, neededBy: 'K-9' },
      ]),
    );
    expect(takenHeavy(work(lines), 'B-1')).toEqual(work(lines));
  });
  test('one that is never mixed goes in everywhere at once, with its bolts and its time', () => {
    const heavy = { number: 'K-9', name: 'Heavy', because: 'never mixed', all: true as const };
    const needs = [{ number: 'S-1', name: 'Bolt set', each: 2 }];
    const lines = partLines([
      { ...fit({ heavy, needs }, 4), whole: { quantity: 64, minutes: 384 } },
    ]);
    expect(takenHeavy(work(lines), 'K-1')).toMatchObject({
      minutes: 384,
      reason: 'lost. The heavy ones go in all 64 at once.',
      parts: [
        { number: 'K-9', quantity: 64, instead: 'K-1' },
        { number: 'S-1', quantity: 128, neededBy: 'K-9' },
      ],
    });
    // where nobody entered how many there are, it is not offered: a few of them would unbalance it
    expect(partLines([fit({ heavy }, 4)])[0]?.heavy).toBeUndefined();
  });
});

describe('one lost knife proposes what the rule says, and the box it is sold in', () => {
  const lost = (missing: number) => ({
    kind: 'count' as const,
    missing,
    damaged: 0,
    oneEdge: 0,
    bothEdges: 0,
  });
  const chopper = demoCheck(
    'chopper-knives',
    'count',
    demoSheet('ouzel9').checks.find((c) => c.id === 'chopper-knives'),
  );
  test.each([
    [1, 4, 4],
    [2, 8, 8],
    [3, 12, 12],
  ])('%i lost on hangers of two: %i renewed, %i ordered', (missing, renewed, order) => {
    const verdict = judgeCheck(chopper, [reading('chopper-knives', 'rotor', lost(missing))], facts);
    const work = proposeWork(verdict!);
    expect(work?.parts).toEqual([
      expect.objectContaining({ number: 'LM-7712', quantity: renewed, soldIn: 4, order }),
      expect.objectContaining({ number: 'LM-7715', quantity: renewed, neededBy: 'LM-7712' }),
    ]);
    expect(work?.reason).toMatch(/all that hang beside and opposite/);
    // the hard-faced ones are never mixed
    expect(takenHeavy(work!, 'LM-7712')).toMatchObject({
      minutes: work!.minutes * (chopper.total! / renewed),
      parts: [
        { number: 'LM-7713', quantity: chopper.total },
        { number: 'LM-7715', quantity: chopper.total, neededBy: 'LM-7713' },
      ],
    });
  });
  test('never more than there are', () => {
    const few = madeCheck('count', { total: 6, renew: 'hangers', perHanger: 2 });
    const verdict = judgeCheck(few, [reading('made', 'here', lost(2))], facts);
    expect(verdict?.places[0]?.renew).toBe(6);
  });
});

describe('parts that cannot be ordered are refused', () => {
  const sheet = demoSheet('tarn5');
  const withParts = (...parts: object[]) =>
    SpecSheet.safeParse({
      ...sheet,
      checks: sheet.checks.map((c, i) => (i === 0 ? { ...c, parts } : c)),
    }).error?.issues.map((x) => [x.path.join('.'), x.message]) ?? [];
  const part = (number: string, more: object) => ({ number, name: number, each: 1, ...more });
  const needs = (number: string) => ({ needs: [{ number, name: number, each: 1 }] });

  test('a kit that needs itself', () =>
    expect(withParts(part('A', needs('A')))[0]).toEqual([
      'checks.0.parts.0',
      expect.stringMatching(/A needs.*circle/),
    ]));
  test('round three corners', () =>
    expect(
      withParts(
        part('A', needs('B')),
        part('B', { supersededBy: { number: 'C', name: 'C' } }),
        part('C', needs('A')),
      ).map(([path]) => path),
    ).toEqual(['checks.0.parts.0', 'checks.0.parts.1', 'checks.0.parts.2']));
  test('two kits that need the same bolt are fine', () =>
    expect(withParts(part('A', needs('C')), part('B', needs('C')), part('C', {}))).toEqual([]));
  test.each([
    ['soldIn', 1],
    ['soldIn', 2.5],
    ['each', 0],
  ])('%s %p', (field, value) =>
    expect(withParts({ ...part('A', {}), [field]: value })[0]?.[0]).toBe(
      `checks.0.parts.0.${field}`,
    ),
  );
});
