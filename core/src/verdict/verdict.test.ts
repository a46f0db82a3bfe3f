import fc from 'fast-check';
import type { ReadingValue } from '../contracts';
import { demoCheck, reading } from '../testing/sheet';
import { width } from '../testing/values';
import { againstLimit, judgeRepeats } from '../findings';
import { wearFraction } from '../kinds';
import { headSentence, judgeCheck } from './index';

const facts = { hours: 1284, seasonHours: 108.87 };
const count = (
  missing: number,
  damaged: number,
  oneEdge: number,
  bothEdges: number,
): ReadingValue => ({ kind: 'count', missing, damaged, oneEdge, bothEdges });
const belt = demoCheck('fan-drive-belt', 'measure');
const knives = demoCheck('chopper-knives', 'count');

/** Nothing is known of how it wears: doubt is not settled by what is to come. */
const unrated = { ...belt, wearRate: undefined };
const beltVerdict = (...values: number[]) =>
  judgeCheck(belt, [reading('fan-drive-belt', 'belt', width(...values))], facts)!;
const ids = (verdict: ReturnType<typeof beltVerdict>) =>
  verdict.places.flatMap((p) => p.findings.map((f) => f.id));

describe('uncertainty', () => {
  test('one caliper reading carries the resolution alone: 2·0.1/√12', () =>
    expect(judgeRepeats([35.1], { resolution: 0.1 }, false).expanded).toBeCloseTo(0.057735, 6));
  test('both ends of a length count', () =>
    expect(judgeRepeats([414], { resolution: 0.5 }, true).expanded).toBeCloseTo(
      (2 * 0.5 * Math.SQRT2) / Math.sqrt(12),
      9,
    ));
  test("the tool's own figure goes before its resolution", () =>
    expect(judgeRepeats([10], { resolution: 0.1, uncertainty: 0.05 }, false).expanded).toBeCloseTo(
      0.1,
      9,
    ));
  test('no tool is surer than its own scale', () =>
    expect(judgeRepeats([10], { resolution: 0.1, uncertainty: 0.001 }, false).expanded).toBeCloseTo(
      (2 * 0.1) / Math.sqrt(12),
      9,
    ));
  test('the median is judged, and the spread widens the uncertainty', () => {
    const repeats = judgeRepeats([36, 36.1, 36.2], { resolution: 0.1 }, false);
    expect(repeats.value).toBe(36.1);
    expect(repeats.expanded).toBeCloseTo(2 * Math.sqrt(0.1 ** 2 / 12 + 0.01 / 3), 9);
    expect(repeats.scattered).toBe(true);
  });
  test('proven inside, proven out, in doubt', () => {
    expect(againstLimit(0.8, 0.1)).toBe('inside');
    expect(againstLimit(0.95, 0.1)).toBe('doubt');
    expect(againstLimit(1.2, 0.1)).toBe('out');
    expect(againstLimit(1, 0)).toBe('out');
  });
});

describe('wear fraction', () => {
  test('runs from 0 when new to 1 at the limit, whichever side wears', () => {
    expect(wearFraction(38, 38, 35)).toBe(0);
    expect(wearFraction(35, 38, 35)).toBe(1);
    expect(wearFraction(422.7, 414, 422.7)).toBeCloseTo(1, 12);
  });
  test('does not depend on the unit', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 20, max: 60, noNaN: true }),
        (x) =>
          Math.abs(wearFraction(x / 25.4, 38 / 25.4, 35 / 25.4) - wearFraction(x, 38, 35)) < 1e-9,
      ),
    );
  });
});

describe('fan drive belt, top width', () => {
  test('a belt well inside its width holds, and the sentence names number and limit', () => {
    const verdict = beltVerdict(37.6);
    expect(verdict.decision).toBe('holds');
    expect(headSentence(belt, verdict.places[0]!.findings)).toMatch(
      /37\.6 mm, 13 % of the way to the limit of 35 mm/,
    );
  });
  const worn = (at: number) => [
    reading(belt.id, 'belt', width(38), {
      walkId: null,
      takenAt: '2025-06-10T08:00:00Z',
      hours: 1000,
      state: 'asLeft',
      renewed: true,
    }),
    reading(belt.id, 'belt', width(at)),
  ];
  test('inside now, but may reach the limit before harvest ends: watched, with the hour to look again', () => {
    const verdict = judgeCheck(belt, worn(35.86), facts)!;
    expect(verdict.decision).toBe('watch');
    expect(headSentence(belt, verdict.places[0]!.findings)).toMatch(
      /chance to reach the limit before harvest ends \(109 h to go\)\. Look again at [\d,]+ h/,
    );
  });
  test('surely gone before harvest ends: never only watched, costs known or not', () => {
    const verdict = judgeCheck(belt, worn(35.3), facts)!;
    expect(verdict.decision).toBe('replace');
    expect(headSentence(belt, verdict.places[0]!.findings)).toMatch(
      /chance to reach the limit before harvest ends, most likely at [\d,]+ h\. No costs are known/,
    );
  });
  test('watched, and the hour to look again has come with nothing read since: due', () => {
    const later = { ...facts, hours: 1388, seasonHours: 6 };
    const verdict = judgeCheck(belt, worn(35.8), later)!;
    expect(ids(verdict)).toContain('recheckDue');
    expect(verdict.decision).toBe('due');
  });
  test('proven past the limit is replaced', () =>
    expect(beltVerdict(34.2).decision).toBe('replace'));
  test('at the limit with one reading is remeasured; with three it counts as reached', () => {
    expect(judgeCheck(unrated, [reading(belt.id, 'belt', width(35))], facts)?.decision).toBe(
      'remeasure',
    );
    expect(beltVerdict(35, 35, 35)).toMatchObject({ decision: 'replace' });
    expect(ids(beltVerdict(35, 35, 35))).toContain('limitReached');
  });
  test('repeats that differ more than the tool explains are taken again', () =>
    expect(ids(beltVerdict(37.2, 36.1))).toContain('scatter'));
  test('readings of one walk are repeats: the third settles a doubt', () => {
    const three = [35, 35.1, 35].map((w) => reading(belt.id, 'belt', width(w)));
    expect(judgeCheck(unrated, three.slice(0, 1), facts)!.decision).toBe('remeasure');
    expect(judgeCheck(belt, three, facts)!.decision).toBe('replace');
  });
  test('"looks fine" never passes it', () => {
    const verdict = judgeCheck(
      belt,
      [reading(belt.id, 'belt', { kind: 'look', seen: 'fine', found: '' })],
      facts,
    )!;
    expect(verdict.decision).toBe('remeasure');
    expect(headSentence(belt, verdict.places[0]!.findings)).toMatch(/narrows without looking worn/);
  });
  test('"looks fine" does not rescue a narrow belt', () => {
    expect(
      judgeCheck(
        belt,
        [
          reading(belt.id, 'belt', { kind: 'look', seen: 'fine', found: '' }),
          reading(belt.id, 'belt', width(34)),
        ],
        facts,
      )!.decision,
    ).toBe('replace');
  });
  test('a damaged belt is renewed whatever its width', () => {
    expect(
      judgeCheck(
        belt,
        [
          reading(belt.id, 'belt', width(37.9)),
          reading(belt.id, 'belt', { kind: 'look', seen: 'damaged', found: 'cord showing' }),
        ],
        facts,
      )!.decision,
    ).toBe('replace');
  });
  test('a reading in an unconfirmed position is void, never a pass', () => {
    expect(
      judgeCheck(
        belt,
        [reading(belt.id, 'belt', width(37.9), { positionConfirmed: false })],
        facts,
      )!.decision,
    ).toBe('remeasure');
  });
  test('a struck reading stays on the strip and is not judged', () => {
    const wrong = reading(belt.id, 'belt', width(31));
    const verdict = judgeCheck(
      belt,
      [wrong, reading(belt.id, 'belt', width(37.5), { strikes: wrong.id })],
      facts,
    )!;
    expect(verdict.decision).toBe('holds');
    expect(verdict.places[0]!.ticks.map((t) => t.struck)).toEqual([true, false]);
  });
  test('wear cannot shrink: a wider belt without a renewal is questioned, with a renewal it begins a new life', () => {
    const old = reading(belt.id, 'belt', width(35.6), {
      walkId: null,
      takenAt: '2025-09-20T08:00:00Z',
      hours: 1100,
    });
    expect(ids(judgeCheck(belt, [old, reading(belt.id, 'belt', width(37.9))], facts)!)).toContain(
      'shrunk',
    );
    const renewed = judgeCheck(
      belt,
      [old, reading(belt.id, 'belt', width(38), { state: 'asLeft', renewed: true })],
      facts,
    )!;
    expect(renewed.decision).toBe('watch');
    expect(ids(renewed)).toEqual(['earlyRecheck']);
    expect(renewed.places[0]!.ticks).toHaveLength(1);
  });
  test('no width turns a worse belt into a better decision', () => {
    const badness = (w: number) =>
      ['holds', 'watch', 'remeasure', 'replace'].indexOf(beltVerdict(w).decision);
    fc.assert(
      fc.property(
        fc.double({ min: 32.5, max: 38, noNaN: true }),
        fc.double({ min: 0.2, max: 2, noNaN: true }),
        (w, less) => badness(w - less) >= badness(w),
      ),
    );
  });
  test('text in place of a width cannot get here', () => expect(() => beltVerdict(NaN)).toThrow());
});

describe('chopper knives', () => {
  const counted = (...c: [number, number, number, number]) =>
    judgeCheck(knives, [reading(knives.id, 'rotor', count(...c))], facts)!;
  test('all there and sharp holds', () => expect(counted(0, 0, 2, 0).decision).toBe('holds'));
  test('worn on one edge is turned', () => expect(counted(0, 0, 20, 0).decision).toBe('turn'));
  test('a lost knife is replaced with its opposite mate', () => {
    const verdict = counted(1, 1, 4, 0);
    expect(verdict.decision).toBe('replace');
    expect(verdict.places[0]!.renew).toBe(4);
    expect(headSentence(knives, verdict.places[0]!.findings)).toMatch(
      /1 missing, 1 bent or cracked of 48: renew 4, the 2 opposite mates among them/,
    );
  });
  test('never more than the set', () => expect(counted(20, 10, 0, 5).places[0]!.renew).toBe(48));
  test('more than there are is refused', () =>
    expect(() => counted(30, 10, 9, 0)).toThrow(/no more than the 48/));
});
