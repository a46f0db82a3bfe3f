import fc from 'fast-check';
import type { ReadingValue } from '../contracts';
import { demoCheck, reading } from '../testing/sheet';
import { againstLimit, decide, judgeRepeats, LOUDNESS, PRECEDENCE } from '../findings';
import { wearFraction } from '../kinds';
import { example, INSIDE_EXAMPLES } from '../testing/findings';
import { headSentence, judgeCheck, sentence } from './index';

const facts = { hours: 1284, seasonHours: 108.87 };
const width = (...values: number[]): ReadingValue => ({
  kind: 'measure',
  values,
  typed: values.map(String),
  unit: 'mm',
});
const travel = (left: number, linksOut = 0): ReadingValue => ({
  kind: 'travel',
  left,
  linksOut,
  typed: String(left),
  unit: 'mm',
});
const mark = (stands: 'short' | 'at' | 'past', by = 0): ReadingValue => ({
  kind: 'mark',
  stands,
  by,
});
const count = (
  missing: number,
  damaged: number,
  oneEdge: number,
  bothEdges: number,
): ReadingValue => ({ kind: 'count', missing, damaged, oneEdge, bothEdges });
const belt = demoCheck('fan-drive-belt', 'measure');
const conveyor = demoCheck('conveyor-chain-tension', 'mark');
const elevator = demoCheck('elevator-chain', 'feel');
const gathering = demoCheck('gathering-chain', 'series');
const knives = demoCheck('chopper-knives', 'count');

const beltVerdict = (...values: number[]) =>
  judgeCheck(belt, [reading('fan-drive-belt', 'belt', width(...values))], facts)!;
const ids = (verdict: ReturnType<typeof beltVerdict>) =>
  verdict.places.flatMap((p) => p.findings.map((f) => f.id));
const conveyorVerdict = (
  left: [ReadingValue, ReadingValue?],
  right: [ReadingValue, ReadingValue?] = left,
  change = {},
) =>
  judgeCheck(
    conveyor,
    [
      ['left', left],
      ['right', right],
    ].flatMap(([place, values]) =>
      (values as ReadingValue[])
        .filter(Boolean)
        .map((v) => reading(conveyor.id, place as string, v, change)),
    ),
    facts,
  )!;

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
  test('inside now, but forecast to reach the limit before harvest ends, is watched with the hour to look again', () => {
    const verdict = judgeCheck(
      belt,
      [
        reading(belt.id, 'belt', width(38), {
          walkId: null,
          takenAt: '2025-06-10T08:00:00Z',
          hours: 1000,
          state: 'asLeft',
          renewed: true,
        }),
        reading(belt.id, 'belt', width(35.6)),
      ],
      facts,
    )!;
    expect(verdict.decision).toBe('watch');
    expect(headSentence(belt, verdict.places[0]!.findings)).toMatch(
      /chance to reach the limit before harvest ends \(109 h to go\)\. Look again at [\d,]+ h/,
    );
  });
  test('proven past the limit is replaced', () =>
    expect(beltVerdict(34.2).decision).toBe('replace'));
  test('at the limit with one reading is remeasured; with three it counts as reached', () => {
    expect(beltVerdict(35).decision).toBe('remeasure');
    expect(beltVerdict(35, 35, 35)).toMatchObject({ decision: 'replace' });
    expect(ids(beltVerdict(35, 35, 35))).toContain('limitReached');
  });
  test('repeats that differ more than the tool explains are taken again', () =>
    expect(ids(beltVerdict(37.2, 36.1))).toContain('scatter'));
  test('readings of one walk are repeats: the third settles a doubt', () => {
    const three = [35, 35.1, 35].map((w) => reading(belt.id, 'belt', width(w)));
    expect(judgeCheck(belt, three.slice(0, 1), facts)!.decision).toBe('remeasure');
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
    expect(ids(renewed)).toEqual(['earlyRecheck', 'inside']);
    expect(renewed.places[0]!.ticks).toHaveLength(1);
  });
  test('no width turns a worse belt into a better decision', () => {
    const badness = (w: number) =>
      ['holds', 'watch', 'remeasure', 'replace'].indexOf(beltVerdict(w).decision);
    fc.assert(
      fc.property(
        fc.double({ min: 30, max: 38, noNaN: true }),
        fc.double({ min: 0.2, max: 5, noNaN: true }),
        (w, less) => badness(w - less) >= badness(w),
      ),
    );
  });
  test('text in place of a width cannot get here', () => expect(() => beltVerdict(NaN)).toThrow());
});

describe('feeder conveyor chain, spring gauge with slot left', () => {
  test('washer at the gauge with slot left, both sides, holds', () =>
    expect(conveyorVerdict([mark('at'), travel(25)]).decision).toBe('holds'));
  test('a little past is fine, further past is over-tight', () => {
    expect(conveyorVerdict([mark('past', 3), travel(25)]).decision).toBe('holds');
    expect(conveyorVerdict([mark('past', 6), travel(25)]).decision).toBe('adjust');
  });
  test('short of the gauge with slot left is adjusted', () => {
    const verdict = conveyorVerdict([mark('short', 2), travel(25)]);
    expect(verdict.decision).toBe('adjust');
    expect(headSentence(conveyor, verdict.places[0]!.findings)).toBe(
      '2 mm short of its mark, 25 mm of travel left: tighten it.',
    );
  });
  test('a washer at the mark with no slot left is false tension: shorten, with the links to take out', () => {
    const verdict = conveyorVerdict([mark('at'), travel(0)]);
    expect(verdict.decision).toBe('shorten');
    expect(ids(verdict)).toContain('falseTension');
    expect(headSentence(conveyor, verdict.places[0]!.findings)).toMatch(
      /False tension.*0 mm of the 45 mm travel is left.*Take out one half link.*offset link.*20\.7|False tension.*21 mm/,
    );
  });
  test('no slot left on a chain stretched to its limit is replaced', () => {
    const stretched = { ...conveyor, takeUp: { ...conveyor.takeUp!, limitPercent: 2.2 } };
    const verdict = judgeCheck(
      stretched,
      [reading(conveyor.id, 'left', mark('at')), reading(conveyor.id, 'left', travel(0))],
      facts,
    )!;
    expect(verdict.decision).toBe('replace');
  });
  test('links already taken out count as stretch', () => {
    const before = reading(conveyor.id, 'left', travel(20, 2), {
      walkId: null,
      state: 'asLeft',
      takenAt: '2025-06-10T08:00:00Z',
      hours: 1060,
    });
    const verdict = judgeCheck(
      conveyor,
      [before, reading(conveyor.id, 'left', mark('at')), reading(conveyor.id, 'left', travel(1))],
      facts,
    )!;
    expect(verdict.places[0]!.elongation).toBeCloseTo((100 * (44 * 2 + 2 * 41.4)) / (94 * 41.4), 6);
    expect(verdict.decision).toBe('replace');
  });
  test('an indicator without its slot is remeasured', () =>
    expect(ids(conveyorVerdict([mark('at')]))).toEqual(['travelMissing', 'travelMissing']));
  test('one side only: unequal travel adjusts both', () => {
    const verdict = conveyorVerdict([mark('at'), travel(25)], [mark('at'), travel(19)]);
    expect(verdict.places.map((p) => p.decision)).toEqual(['adjust', 'adjust']);
    expect(headSentence(conveyor, verdict.places[0]!.findings)).toMatch(
      /Left and right differ by 6 mm of travel, 3 mm allowed/,
    );
  });
  test('an adjustment counts only after running and looking again', () => {
    const found = [
      reading(conveyor.id, 'left', mark('short', 2)),
      reading(conveyor.id, 'left', travel(25)),
    ];
    const left = (settled: boolean) => [
      reading(conveyor.id, 'left', mark('at'), { state: 'asLeft', settled }),
      reading(conveyor.id, 'left', travel(23), { state: 'asLeft', settled }),
    ];
    expect(judgeCheck(conveyor, [...found, ...left(false)], facts)!.decision).toBe('remeasure');
    const closed = judgeCheck(conveyor, [...found, ...left(true)], facts)!;
    expect(closed.decision).toBe('holds');
    expect(closed.places[0]!.asFound?.decision).toBe('adjust');
  });
  test('more slot left than the slot is long is refused', () =>
    expect(() => conveyorVerdict([mark('at'), travel(60)])).toThrow(
      /left: got 60, wanted at most the whole travel, 45 mm/,
    ));
});

describe('clean-grain elevator chain, feel', () => {
  const felt = (feel: 'stuck' | 'justSlides' | 'slidesEasily' | 'hangs', left: number) =>
    judgeCheck(
      elevator,
      [
        reading(elevator.id, 'boot', { kind: 'feel', feel }),
        reading(elevator.id, 'boot', travel(left)),
      ],
      facts,
    )!;
  test.each([
    ['stuck', 40, 'adjust'],
    ['justSlides', 40, 'holds'],
    ['slidesEasily', 40, 'holds'],
    ['hangs', 40, 'adjust'],
    ['hangs', 5, 'shorten'],
    ['justSlides', 0, 'shorten'],
  ] as const)('%s with %d mm left: %s', (feel, left, decision) =>
    expect(felt(feel, left).decision).toBe(decision),
  );
  test('too tight is also wrong, and says why', () =>
    expect(headSentence(elevator, felt('stuck', 40).places[0]!.findings)).toMatch(
      /too tight.*bearing/,
    ));
});

describe('gathering chains, row by row', () => {
  const row = (place: string, length: number, left = 30) => [
    reading(gathering.id, place, width(length)),
    reading(gathering.id, place, travel(left)),
  ];
  test('each place is judged by its elongation; the loudest decides', () => {
    const verdict = judgeCheck(
      gathering,
      [...row('row 1 left', 416), ...row('row 8 left', 424.8)],
      facts,
    )!;
    expect(verdict.places.map((p) => p.decision)).toEqual(['holds', 'replace']);
    expect(verdict.decision).toBe('replace');
    expect(verdict.unmeasured).toHaveLength(22);
    expect(headSentence(gathering, verdict.places[1]!.findings)).toMatch(
      /2\.61 % elongation \(424\.8 mm\) is at or past the limit of 2\.1 % \(422\.7 mm\)/,
    );
  });
  test('a tightener at its end shortens a chain that is still inside', () => {
    expect(judgeCheck(gathering, row('row 2 left', 417, 0), facts)!.decision).toBe('shorten');
  });
  test('the travel alone does not pass either', () => {
    const verdict = judgeCheck(
      gathering,
      [reading(gathering.id, 'row 1 left', travel(30))],
      facts,
    )!;
    expect(verdict.decision).toBe('remeasure');
    expect(headSentence(gathering, verdict.places[0]!.findings)).toBe(
      'Only the travel left was read: take the length over 10 pitches too.',
    );
  });
  test('no travel given: the length alone does not pass', () => {
    expect(
      judgeCheck(gathering, [reading(gathering.id, 'row 1 left', width(416))], facts)!.decision,
    ).toBe('remeasure');
  });
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

describe('precedence, row by row', () => {
  test.each(PRECEDENCE.map(([id, decision]) => [id, decision] as const))(
    '%s alone leads to %s',
    (id, decision) => expect(decide([example(id)]).decision).toBe(decision),
  );
  test.each(
    PRECEDENCE.slice(0, -1).map(
      ([id, decision], i) => [id, decision, PRECEDENCE[i + 1]![0]] as const,
    ),
  )('%s (%s) goes before %s', (id, decision, next) =>
    expect(decide([example(next), example(id)])).toMatchObject({
      decision,
      findings: [{ id }, { id: next }],
    }),
  );
  test('nothing found proves nothing', () => expect(decide([]).decision).toBe('remeasure'));
  const whole = (text: string) => {
    expect(text).toMatch(/^[A-Z0-9].*\.$/);
    expect(text).not.toMatch(/undefined|NaN|Infinity|\[object/);
  };
  test.each(PRECEDENCE.map(([id]) => id))('%s has a sentence, without a hole in it', (id) =>
    whole(sentence(belt, example(id))),
  );
  test.each(Object.values(INSIDE_EXAMPLES))('what holds by $shows has its sentence', (numbers) =>
    whole(sentence(belt, { id: 'inside', numbers })),
  );
  test('every decision has its loudness', () =>
    expect([...new Set(PRECEDENCE.map(([, d]) => d))].sort()).toEqual([...LOUDNESS].sort()));
});

test('a check nobody has read has no verdict', () =>
  expect(judgeCheck(belt, [], facts)).toBeUndefined());
