import fc from 'fast-check';
import { OwnTool, type Reading } from '../contracts';
import { toolUncertainty } from '../findings';
import { facts, measured } from '../testing/judged';
import { madeCheck, reading } from '../testing/sheet';
import { calibrationOf, toolAtHand, WIDER } from '../tools';
import { judgeCheck } from './index';

const TODAY = '2026-06-09';
const caliper = (change: Partial<OwnTool> = {}): OwnTool =>
  OwnTool.parse({
    id: '0197a000-0000-7000-8000-00000000d001',
    name: 'Caliper 7',
    quantity: 'length',
    resolution: 0.1,
    calibratedOn: '2025-11-03',
    everyMonths: 12,
    ...change,
  });

describe('how a calibration stands', () => {
  test.each([
    ['2025-11-03', 12, '2026-11-03', false],
    ['2025-06-09', 12, '2026-06-09', false],
    ['2025-06-08', 12, '2026-06-08', true],
    ['2026-01-31', 1, '2026-02-28', true],
    ['2026-06-09', 6, '2026-12-09', false],
  ] as const)('done %s for %d months: until %s', (calibratedOn, everyMonths, until, outOfDate) =>
    expect(calibrationOf({ calibratedOn, everyMonths }, TODAY)).toEqual({ until, outOfDate }),
  );
  test('never, or on a day to come, is none', () => {
    expect(calibrationOf(caliper({ calibratedOn: null }), TODAY).outOfDate).toBe(true);
    expect(calibrationOf(caliper({ calibratedOn: '2026-06-10' }), TODAY).outOfDate).toBe(true);
  });
});

describe('a tool as a reading carries it', () => {
  test('in date it is what its owner says', () => {
    expect(toolAtHand(caliper(), TODAY)).toEqual({ name: 'Caliper 7', resolution: 0.1 });
    expect(toolAtHand(caliper({ uncertainty: 0.05 }), TODAY).uncertainty).toBe(0.05);
  });
  test('out of date its uncertainty counts twice, whatever its papers say', () =>
    fc.assert(
      fc.property(
        fc.double({ min: 0.0001, max: 5, noNaN: true }),
        fc.option(fc.double({ min: 0.0001, max: 5, noNaN: true }), { nil: undefined }),
        (resolution, uncertainty) => {
          const tool = caliper({ resolution, uncertainty });
          const then = toolAtHand(tool, TODAY);
          const now = toolAtHand(tool, '2027-01-01');
          expect(now.outOfDate).toBe(true);
          expect(toolUncertainty(now, false)).toBeCloseTo(WIDER * toolUncertainty(then, false), 9);
        },
      ),
    ));
});

describe('what a tool out of date proves', () => {
  const belt = madeCheck('measure', {
    limit: { type: 'wear', nominal: 38, limit: 35 },
    tool: { name: 'Caliper', resolution: 0.1 },
  });
  const judge = (value: number, tool: Reading['tool']) =>
    judgeCheck(belt, [reading(belt.id, belt.places[0] ?? '', measured(value), { tool })], facts);

  test('close to the limit it does not prove what one in date does', () => {
    expect(judge(35.08, toolAtHand(caliper(), TODAY))?.decision).not.toBe('remeasure');
    expect(judge(35.08, toolAtHand(caliper(), '2027-01-01'))?.decision).toBe('remeasure');
  });
  test('of repeats with two tools the coarser decides how far they are trusted', () => {
    const rule = { name: 'Rule', resolution: 1 };
    const fine = toolAtHand(caliper(), TODAY);
    const place = belt.places[0] ?? '';
    const mixed = judgeCheck(
      belt,
      [
        reading(belt.id, place, measured(36), { tool: rule }),
        reading(belt.id, place, measured(36.1), { tool: fine }),
      ],
      facts,
    );
    const alone = judge(36.1, fine);
    expect(mixed?.places[0]?.expandedValue ?? 0).toBeGreaterThan(
      5 * (alone?.places[0]?.expandedValue ?? 0),
    );
  });
});
