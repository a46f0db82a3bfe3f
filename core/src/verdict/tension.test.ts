import type { ReadingValue } from '../contracts';
import { demoCheck, reading } from '../testing/sheet';
import { width } from '../testing/values';
import { headSentence, judgeCheck, type CheckVerdict } from './index';

const facts = { hours: 1284, seasonHours: 108.87 };
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
const conveyor = demoCheck('conveyor-chain-tension', 'mark');
const elevator = demoCheck('elevator-chain', 'feel');
const gathering = demoCheck('gathering-chain', 'series');

const ids = (verdict: CheckVerdict) => verdict.places.flatMap((p) => p.findings.map((f) => f.id));
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
    expect(verdict.places[0]!.elongation).toBeCloseTo((100 * (44 * 2 + 2 * 41.4)) / (92 * 41.4), 6);
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
    const left = (settled: boolean) =>
      ['left', 'right'].flatMap((place) => [
        reading(conveyor.id, place, mark('at'), { state: 'asLeft', settled }),
        reading(conveyor.id, place, travel(23), { state: 'asLeft', settled }),
      ]);
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
    ['slidesEasily', 40, 'adjust'],
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
