import fc from 'fast-check';
import { takeUpOf, type Check, type Reading, type ReadingValue } from '../contracts';
import type { MachineFacts } from '../kinds';
import { atPlace } from '../kinds/varying';
import { reading } from '../testing/sheet';
import { FILES, sheets } from '../testing/shipped';
import { soundReadings, travelLeft, wornTo } from '../testing/sound';
import { judgeCheck, judgeMachine, verdictSentence, type CheckVerdict } from './index';

/*
 * What must be true of every check of every sheet, whatever its kind: "holds" is earned at each
 * place by what was read there, and by nothing else.
 */
const CHECKS = FILES.flatMap((file) =>
  sheets[file].checks.map((check) => [`${sheets[file].model}: ${check.id}`, check] as const),
);
const use = { seasonStart: '2026-06-30', seasonEnd: '2026-07-14', inSeason: 8, outOfSeason: 0 };
const TODAY = '2026-06-09';
/** As a check's own sheet wants it: the crop and header of its first line. */
const factsFor = (check: Check, change: Partial<MachineFacts> = {}): MachineFacts => {
  const wanted = check.kind === 'setting' ? check.expected[0] : undefined;
  return {
    ...{ hours: 1284, seasonHours: 108.87, today: TODAY, use },
    crop: wanted?.crop ?? 'Lentils',
    header: wanted?.header ?? 'Merle 10',
    ...change,
  };
};
/** A reading of a part that was fitted and run in long before this season. */
const READ: Partial<Reading> = { takenAt: `${TODAY}T07:00:00.000Z`, hours: 1284 };
const judged = (
  check: Check,
  readings: readonly Reading[],
  facts: MachineFacts = factsFor(check),
): CheckVerdict => {
  const verdict = judgeCheck(check, readings, facts);
  if (!verdict) throw new Error(`${check.id}: nothing judged`);
  return verdict;
};
const holding = CHECKS.filter(
  ([, check]) => judged(check, soundReadings(check, READ)).decision === 'holds',
);
const strike = (of: Reading): Reading =>
  reading(
    of.checkId,
    of.place,
    { kind: 'strike', why: 'the wrong row' },
    { ...READ, takenAt: `${TODAY}T09:00:00.000Z`, strikes: of.id },
  );

test('enough of them hold when all is in order, and those that cannot say what is missing', () => {
  expect(holding.length).toBeGreaterThan(0.8 * CHECKS.length);
  for (const [name, check] of CHECKS) {
    const verdict = judged(check, soundReadings(check, READ));
    if (verdict.decision === 'holds') continue;
    expect([name, verdict.decision]).not.toEqual([name, 'replace']);
    expect(verdictSentence(verdict).length).toBeGreaterThan(20);
  }
});

type Wrong = (check: Check, sound: readonly Reading[]) => string | false;
/** Names of the checks for which something is not as it must be, with what is wrong. */
const wrongAt = (wrong: Wrong, among = holding): string[] =>
  among.flatMap(([name, check]) => {
    const found = wrong(check, soundReadings(check, READ));
    return found ? [`${name}: ${found}`] : [];
  });
const decided = (check: Check, readings: readonly Reading[], change: Partial<MachineFacts> = {}) =>
  judgeCheck(check, readings, factsFor(check, change))?.decision;

describe('every check of every sheet', () => {
  test('nothing read is no verdict', () =>
    expect(wrongAt((check) => decided(check, []) ?? false)).toEqual([]));

  test('with one place unread it is not done', () =>
    expect(
      wrongAt(
        (check, sound) =>
          check.places.find(
            (place) =>
              decided(
                check,
                sound.filter((r) => r.place !== place),
              ) === 'holds',
          ) ?? false,
      ),
    ).toEqual([]));

  test('a skip takes the place of no reading', () =>
    expect(
      wrongAt((check, sound) => {
        const [first = ''] = check.places;
        const skipped = reading(check.id, first, { kind: 'skip', why: 'door seized' }, READ);
        const rest = sound.filter((r) => r.place !== first);
        return decided(check, [...rest, skipped]) === 'holds' && first;
      }),
    ).toEqual([]));

  test('what was read of another check is not its own', () =>
    expect(
      wrongAt((check, sound) => {
        const others = sound.map((r) => ({ ...r, checkId: 'some-other-check' }));
        if (judgeMachine([check], others, factsFor(check)).length) return 'judged by another';
        return decided(check, [...others, ...sound]) !== 'holds' && 'spoilt by another';
      }),
    ).toEqual([]));

  test('a machine that did not stand as it must proves nothing', () =>
    expect(
      wrongAt(
        (check) =>
          decided(check, soundReadings(check, { ...READ, positionConfirmed: false })) === 'holds' &&
          'holds',
      ),
    ).toEqual([]));

  test('what was struck was never read', () =>
    expect(
      wrongAt((check, sound) => {
        const apart = [sound[0]!, sound.at(-1)!].find((one) => {
          const left = sound.filter((r) => r !== one);
          return decided(check, [...sound, strike(one)]) !== decided(check, left);
        });
        return apart?.place ?? false;
      }),
    ).toEqual([]));

  test('the order readings arrive in says nothing: when they were taken does', () => {
    for (const [, check] of holding) {
      const sound = soundReadings(check, READ);
      expect(judged(check, sound.toReversed())).toEqual(judged(check, sound));
    }
  });

  test('two seasons later it is no longer known', () => {
    const later = { seasonStart: '2028-06-30', seasonEnd: '2028-07-14' };
    const facts = { hours: 1900, today: '2028-06-09', use: { ...use, ...later } };
    const known = wrongAt((check, sound) => {
      // what is done once in a machine's life is not done again
      if (check.interval.kind === 'once') return false;
      return decided(check, sound, facts) === 'holds' && 'holds';
    });
    expect(known).toEqual([]);
  });

  test('it says why in whole words', () =>
    expect(
      wrongAt((check, sound) => {
        const said = verdictSentence(judged(check, sound));
        const whole = /^[A-Z0-9½¼¾].*[.)]$/.test(said);
        return (!whole || /undefined|NaN|Infinity|\[object/.test(said)) && said;
      }),
    ).toEqual([]));

  test('one bad place among good ones is enough', () =>
    expect(
      wrongAt((check, sound) => {
        const place = check.places.at(-1) ?? '';
        const bad = badValue(atPlace(check, place));
        if (!bad) return false;
        const readings = sound.filter((r) => r.place !== place || r.value.kind === 'travel');
        const verdict = judged(check, [...readings, reading(check.id, place, bad, READ)]);
        return verdict.decision === 'holds' && place;
      }),
    ).toEqual([]));
});

/** What a part shows that is done for, by kind of check; nothing where a service was done. */
function badValue(check: Check): ReadingValue | undefined {
  switch (check.kind) {
    case 'measure':
    case 'series':
      return wornTo(check, 1.2);
    case 'mark':
      return { kind: 'mark', stands: 'short', by: check.gauge.short + 5 };
    case 'feel':
      return { kind: 'feel', feel: check.good.includes('hangs') ? 'stuck' : 'hangs' };
    case 'gonogo':
      return { kind: 'gonogo', fits: check.good !== 'fits' };
    case 'count':
      return { ...NONE_BAD, missing: check.allowed + 1 };
    case 'condition':
      return { kind: 'condition', grade: 'damaged', seen: [], found: 'torn' };
    case 'level':
      return { kind: 'level', level: 'low', colour: '', product: '', toppedUp: null };
    case 'setting': {
      const [wanted] = check.expected;
      const option = check.options.find((o) => o !== wanted?.option);
      return option && wanted ? { kind: 'setting', option } : undefined;
    }
    case 'service':
      return undefined;
  }
}
const NONE_BAD = { kind: 'count', missing: 0, damaged: 0, oneEdge: 0, bothEdges: 0 } as const;

describe('worse is never better', () => {
  const worn = holding.flatMap(([name, check]) =>
    check.kind === 'measure' || check.kind === 'series' ? [[name, check] as const] : [],
  );
  const at = (check: (typeof worn)[number][1], part: number, change: Partial<Reading> = {}) => {
    const sound = soundReadings(check, READ);
    const [place = ''] = check.places;
    const readings = sound.filter((r) => r.place !== place || r.value.kind === 'travel');
    const value = wornTo(atPlace(check, place), part);
    return decided(check, [...readings, reading(check.id, place, value, { ...READ, ...change })]);
  };

  test('where a reading does not hold, none that is worse does', () => {
    expect(worn.length).toBeGreaterThan(100);
    fc.assert(
      fc.property(
        fc.constantFrom(...worn),
        fc.double({ min: 0.05, max: 1.2, noNaN: true }),
        fc.double({ min: 0.001, max: 0.5, noNaN: true }),
        ([, check], part, more) =>
          at(check, part) === 'holds' || at(check, part + more) !== 'holds',
      ),
      { numRuns: 1500 },
    );
  });
  test('at its limit and beyond nothing holds, by whichever tool', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...worn),
        fc.double({ min: 1.0001, max: 1.6, noNaN: true }),
        fc.double({ min: 0.001, max: 50, noNaN: true }),
        ([, check], part, resolution) =>
          at(check, part, { tool: { name: 'whatever', resolution } }) !== 'holds',
      ),
      { numRuns: 1500 },
    );
  });
  test('a coarser tool never passes what a finer one leaves in doubt', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...worn),
        fc.double({ min: 0.05, max: 1.2, noNaN: true }),
        fc.double({ min: 0.01, max: 2, noNaN: true }),
        fc.double({ min: 1.1, max: 20, noNaN: true }),
        ([, check], part, fine, times) => {
          const by = (resolution: number) =>
            at(check, part, { tool: { name: 'rule', resolution } });
          return by(fine) === 'holds' || by(fine * times) !== 'holds';
        },
      ),
      { numRuns: 1500 },
    );
  });
  test('the less travel is left, the less it holds', () => {
    const adjusted = holding.flatMap(([name, check]) => {
      const takeUp = takeUpOf(check);
      return takeUp ? [[name, check, takeUp] as const] : [];
    });
    expect(adjusted.length).toBeGreaterThan(5);
    const leaving = (check: Check, left: number) =>
      decided(
        check,
        soundReadings(check, READ).map((r) =>
          r.value.kind === 'travel' ? { ...r, value: travelLeft(left) } : r,
        ),
      );
    fc.assert(
      fc.property(
        fc.constantFrom(...adjusted),
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        ([, check, takeUp], part, less) => {
          const left = part * takeUp.total;
          return leaving(check, left) === 'holds' || leaving(check, left * less) !== 'holds';
        },
      ),
      { numRuns: 600 },
    );
    for (const [, check, takeUp] of adjusted) {
      expect(leaving(check, 0)).not.toBe('holds');
      expect(leaving(check, Math.max(0, takeUp.reserve - 1))).not.toBe('holds');
    }
  });
});
