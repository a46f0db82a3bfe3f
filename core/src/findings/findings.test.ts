import fc from 'fast-check';
import { Decision } from '../contracts';
import { EXAMPLES, example } from '../testing/findings';
import {
  againstLimit,
  decide,
  judgeRepeats,
  loudest,
  LOUDNESS,
  middleOf,
  needsHand,
  PRECEDENCE,
  toolUncertainty,
  type FindingId,
} from './index';

const IDS = PRECEDENCE.map(([id]) => id);
const anyId = fc.constantFrom(...IDS);

describe('which finding decides', () => {
  test('every finding stands once, and has an example', () => {
    expect(new Set(IDS).size).toBe(IDS.length);
    expect(Object.keys(EXAMPLES).sort()).toEqual([...IDS].sort());
  });

  test.each(PRECEDENCE.map(([id, decision]) => [id, decision] as const))(
    '%s alone leads to %s',
    (id, decision) => expect(decide([example(id)]).decision).toBe(decision),
  );

  test('nothing found proves nothing', () =>
    expect(decide([])).toEqual({ decision: 'remeasure', findings: [] }));

  test.each<[string, FindingId[], Decision]>([
    [
      'what is broken is broken however it was measured',
      ['positionNotConfirmed', 'damaged'],
      'replace',
    ],
    ['lost knives before a void reading', ['skipped', 'knivesLost'], 'replace'],
    ['a void reading proves no wear', ['pastLimit', 'positionNotConfirmed'], 'remeasure'],
    ['a look never passes what narrows', ['inside', 'looksFineOnly'], 'remeasure'],
    ['repeats that differ prove no wear', ['limitReached', 'scatter'], 'remeasure'],
    ['proven wear before tension', ['loose', 'pastLimit'], 'replace'],
    ['doubt about the limit before tension', ['falseTension', 'limitInDoubt'], 'remeasure'],
    ['an adjuster at its end before an adjustment', ['loose', 'falseTension'], 'shorten'],
    ['stretched out before shortening', ['travelGone', 'stretchedOut'], 'replace'],
    ['tension without travel proves nothing', ['inside', 'travelMissing'], 'remeasure'],
    ['not run after adjusting', ['inside', 'notSettled'], 'remeasure'],
    ['a service due before one to be turned', ['oneEdgeWorn', 'serviceDue'], 'adjust'],
    ['turning before watching', ['reachesLimit', 'edgeSpent'], 'turn'],
    ['doubt at the edge of a band before watching', ['marked', 'bandInDoubt'], 'remeasure'],
    ['anything at all before holding', ['inside', 'earlyRecheck'], 'watch'],
  ])('%s', (_, found, decision) => {
    expect(decide(found.map(example)).decision).toBe(decision);
    expect(decide([...found].reverse().map(example)).decision).toBe(decision);
  });

  test('holds is decided only when nothing else was found', () =>
    fc.assert(
      fc.property(fc.array(anyId, { minLength: 1, maxLength: 8 }), (ids) => {
        const { decision } = decide(ids.map(example));
        expect(decision === 'holds').toBe(ids.every((id) => id === 'inside'));
      }),
    ));

  test('findings are told by weight, all of them, whatever their order', () =>
    fc.assert(
      fc.property(fc.uniqueArray(anyId, { minLength: 1 }), fc.integer(), (ids, seed) => {
        const mixed = [...ids].sort((a, b) => ((a.length * seed) % 7) - ((b.length * seed) % 7));
        const told = decide(mixed.map(example)).findings.map((f) => f.id);
        expect(told).toEqual(IDS.filter((id) => ids.includes(id)));
      }),
    ));
});

describe('the loudest of several decisions', () => {
  test('every decision has its place', () =>
    expect([...LOUDNESS].sort()).toEqual([...Decision.options].sort()));
  test.each<[Decision[], Decision]>([
    [['holds', 'watch'], 'watch'],
    [['watch', 'remeasure', 'holds'], 'remeasure'],
    [['turn', 'remeasure'], 'turn'],
    [['adjust', 'shorten'], 'shorten'],
    [['shorten', 'replace', 'holds'], 'replace'],
    [['holds', 'holds'], 'holds'],
    [[], 'remeasure'],
  ])('%j: %s', (decisions, loud) => expect(loudest(decisions)).toBe(loud));
  test('what holds, is watched or is due for the walk needs no hand; all else does', () =>
    expect(Decision.options.filter((d) => !needsHand(d)).sort()).toEqual([
      'due',
      'holds',
      'watch',
    ]));
});

describe('how far a reading can be trusted', () => {
  test('of one reading it is the tool: resolution over √12, doubled', () => {
    expect(toolUncertainty({ resolution: 0.1 }, false)).toBeCloseTo(0.02887, 5);
    expect(judgeRepeats([35.1], { resolution: 0.1 }, false).expanded).toBeCloseTo(0.05774, 5);
  });
  test('a tool that knows its own figure is taken at its word', () =>
    expect(toolUncertainty({ resolution: 0.1, uncertainty: 0.2 }, false)).toBe(0.2));
  test('both ends of a length: twice over in square', () =>
    expect(toolUncertainty({ resolution: 1, uncertainty: 1 }, true)).toBeCloseTo(Math.SQRT2, 9));
  test('of repeats, their spread comes to it', () => {
    const { value, count, expanded, spread, scattered } = judgeRepeats(
      [36, 36.15, 36.1],
      { resolution: 0.1 },
      false,
    );
    expect([value, count, scattered]).toEqual([36.1, 3, false]);
    expect(spread).toBeCloseTo(0.15, 9);
    expect(expanded).toBeCloseTo(2 * Math.sqrt(0.01 / 12 + 0.035 / 18), 9);
  });
  test('repeats further apart than the tool explains are scattered', () =>
    expect(judgeRepeats([36, 36.2], { resolution: 0.1 }, false).scattered).toBe(true));
  test('the middle of an even number lies between', () =>
    expect(middleOf([1, 2, 3, 10])).toBe(2.5));
  test.each([
    ['none', []],
    ['one of 0', [0]],
    ['one below 0', [36, -1]],
    ['one that is no number', [NaN]],
  ])('%s is refused', (_, values) =>
    expect(() => judgeRepeats(values, { resolution: 0.1 }, false)).toThrow(/values/),
  );
  test('0 is a reading where it can be', () =>
    expect(judgeRepeats([0], { resolution: 0.1 }, false, true).value).toBe(0));

  test.each([
    [0.9, 0.05, 'inside'],
    [0.95, 0.05, 'doubt'],
    [1, 0, 'out'],
    [1.04, 0.05, 'doubt'],
    [1.05, 0.05, 'out'],
    [1.2, 0.1, 'out'],
    [0, 0, 'inside'],
  ] as const)('wear %s ± %s against its limit: %s', (wear, expanded, stands) =>
    expect(againstLimit(wear, expanded)).toBe(stands),
  );
  test('inside and out need the whole of the doubt on one side', () =>
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 2, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (w, u) => {
          const stands = againstLimit(w, u);
          if (stands === 'inside') expect(w + u).toBeLessThan(1);
          if (stands === 'out') expect(w - u).toBeGreaterThan(1 - 1e-9);
        },
      ),
    ));
});
