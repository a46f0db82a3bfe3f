import { WorkItem, type Reading } from '../contracts';
import type { MachineFacts } from '../kinds';
import { planKnives } from '../knives';
import { demoCheck, MACHINE_ID, madeCheck, reading } from '../testing/sheet';
import { judgeCheck } from '../verdict';
import { accepted, proposeWork, type ProposedWork } from '../work';
import {
  byPlan,
  doesLess,
  CHAIN_BENCH,
  exampleTexts,
  KNIFE_BENCH,
  knifeWork,
  rotorOnBench,
  takeUpWork,
  workOut,
  type BenchPlan,
  type BenchTexts,
} from '.';

const knives = demoCheck('chopper-knives', 'count');
const facts: MachineFacts = { hours: 1284, seasonHours: 109 };
/** What the knives' verdict calls for when some are missing. */
const called = (missing: number): ProposedWork => {
  const value = { kind: 'count' as const, missing, damaged: 0, oneEdge: 0, bothEdges: 0 };
  const at = reading(knives.id, knives.places[0]!, value);
  return proposeWork(judgeCheck(knives, [at], facts)!)!;
};
const planOf = (states: string, school: 'opposite' | 'weigh', change: BenchTexts = {}) => {
  const texts = { ...exampleTexts(KNIFE_BENCH), ...change, states };
  return planKnives(rotorOnBench(texts, workOut(KNIFE_BENCH, texts))!, school);
};

describe('a plan of the rotor as work', () => {
  test('renews fewer than the count asked for: parts and minutes are the plan’s, the proposal beside it', () => {
    const proposal = called(2);
    expect(proposal).toMatchObject({ decision: 'replace', parts: [{ quantity: 4 }, {}] });
    const { work, proposed } = byPlan(
      proposal,
      knives,
      knifeWork(planOf('.................m', 'opposite'), 12)!,
    );
    const ordered = proposal.parts.map(({ number }) => ({ number, quantity: 2 }));
    expect(work.parts).toMatchObject(ordered);
    expect(work.minutes).toBe(knives.labour.replace * 2);
    expect(work.reason).toBe(
      `${proposal.reason} Plan: New knife in row 2, place 6; New knife in row 4, place 6.`,
    );
    const { decision, minutes, parts } = proposal;
    expect(proposed).toEqual({ decision, minutes, parts });
  });
  test('as many as were asked for: nothing but the moves is another', () => {
    const proposal = called(1);
    const { work, proposed } = byPlan(proposal, knives, {
      ...{ decision: 'replace', moves: ['New knife in row 1, place 1'], fits: 2 },
    });
    expect(proposed).toBeNull();
    expect({ ...work, reason: proposal.reason }).toEqual(proposal);
  });
  test('what only swaps or turns takes no parts', () => {
    const plan = { renew: [], swap: [[1, 2]] as const, turn: [5] };
    const full = { ...planOf('.................m', 'opposite'), ...plan, inside: true };
    const of = knifeWork(full, 12)!;
    expect(of).toEqual({
      decision: 'turn',
      moves: [
        'Swap row 1, place 2 with row 1, place 3',
        'Turn the one in row 1, place 6 to its other edge',
      ],
    });
    const { work, proposed } = byPlan(called(1), knives, of);
    expect(work).toMatchObject({ decision: 'turn', parts: [], minutes: knives.labour.turn });
    expect(proposed?.decision).toBe('replace');
  });
  test('a plan that does less than the check calls for says so, and is none', () => {
    const count = (missing: number, oneEdge = 0) =>
      reading(knives.id, knives.places[0]!, {
        ...{ kind: 'count', missing, damaged: 0, oneEdge, bothEdges: 0 },
      });
    const less = (of: Reading, plan: BenchPlan) =>
      doesLess(judgeCheck(knives, [of], facts)!, [of], plan);
    const renews = (fits: number): BenchPlan => ({ decision: 'replace', moves: ['so'], fits });
    expect(less(count(3), renews(2))).toMatch(/counted 3 .* renews 2/);
    expect(less(count(3), renews(3))).toBe('');
    expect(less(count(1), { decision: 'turn', moves: ['so'] })).toMatch(/calls for more: replace/);
    expect(less(count(0, 12), { decision: 'turn', moves: ['so'] })).toBe('');
    expect(less(count(0, 12), renews(2))).toBe('');
  });
  test('nothing to move, or a rotor that stays outside, is no work', () => {
    const plan = planOf('.................m', 'opposite');
    expect(knifeWork({ ...plan, inside: false }, 12)).toBeUndefined();
    expect(knifeWork({ ...plan, renew: [], swap: [], turn: [] }, 12)).toBeUndefined();
  });
  test('more moves than a reason holds: as many as fit, and how many more there are', () => {
    const moves = Array.from({ length: 120 }, (_, i) => `Swap row 1, place ${i} with row 2`);
    const { work } = byPlan(called(2), knives, { decision: 'replace', moves, fits: 2 });
    expect(work.reason.length).toBeLessThanOrEqual(1000);
    expect(work.reason.length).toBeGreaterThan(900);
    const shown = work.reason.match(/Swap/g)?.length ?? 0;
    expect(work.reason).toMatch(new RegExp(`; and ${120 - shown} more on the bench\\.$`));
    const by = { machineId: MACHINE_ID, acceptedBy: 'Ines', acceptedAt: '2026-06-09T08:00:00Z' };
    const id = '0197a000-0000-7000-8000-00000000bbbb';
    expect(WorkItem.safeParse(accepted(work, { ...by, id })).success).toBe(true);
  });
});

describe('what is best at an adjuster as work', () => {
  const of = (change: BenchTexts) => {
    const texts = { ...exampleTexts(CHAIN_BENCH), used: '20', limit: '2', ...change };
    return takeUpWork(texts, workOut(CHAIN_BENCH, texts));
  };
  test('is what the bench calls best, with what is left then', () => {
    expect(of({ length: '838' })).toMatchObject({ decision: 'adjust', moves: ['Adjust', {}, {}] });
    const at = { pitch: '41.4', pitches: '20', length: `${20 * 41.4 * 1.011}`, loop: '94' };
    const plan = of({ ...at, used: '44', travel: '45', strands: '2', rate: '0.2', limit: '2.6' });
    expect(plan?.decision).toBe('shorten');
    expect(plan?.moves[0]).toMatch(/^1 half link out/);
    expect(plan?.moves[1]).toMatch(/^travel left then \d+(\.\d+)? mm$/);
    expect(plan?.moves[2]).toMatch(/^lasts \d+ h/);
  });
  test('too near its limit to tell, beyond it, or not entered: nothing that could be wrong', () => {
    expect(of({ length: '844' })).toBeUndefined();
    expect(of({ length: '846' })?.decision).toBe('replace');
    expect(of({ used: '' })).toBeUndefined();
    expect(of({ used: '99' })).toBeUndefined();
    expect(of({ rate: 'much' })).toBeUndefined();
  });
  test('a check that calls for another hand says what was called for', () => {
    const check = madeCheck('measure', {
      limit: { type: 'wear', nominal: 38, limit: 35 },
      parts: [{ number: 'C-1', name: 'Chain', each: 1 }],
      labour: { measure: 5, adjust: 12, shorten: 25, replace: 96 },
    });
    const value = { kind: 'measure' as const, values: [34], typed: [], unit: 'mm' as const };
    const proposal = proposeWork(judgeCheck(check, [reading('made', 'here', value)], facts)!)!;
    expect(proposal.decision).toBe('replace');
    const { work, proposed } = byPlan(proposal, check, { decision: 'shorten', moves: ['1 out'] });
    expect(work).toMatchObject({ decision: 'shorten', minutes: 25, parts: [] });
    expect(proposed).toMatchObject({ decision: 'replace', parts: [{ number: 'C-1' }] });
  });
});
