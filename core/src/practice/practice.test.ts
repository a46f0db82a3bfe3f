import fc from 'fast-check';
import {
  bestPlan,
  caseOfText,
  caseText,
  DIFFICULTIES,
  debrief,
  jobOf,
  MACHINE_KINDS,
  newPlay,
  planTroubles,
  practiceCase,
  sightOf,
  TRAP_AT,
  TRAPS,
  trueVerdict,
  verdictIn,
  asksFor,
  handOf,
  type CaseSpec,
  type PracticeCase,
  type Play,
  type Trap,
  adjustedNow,
  perfectPlay,
  ran,
  stood,
  taken,
  valuesOf,
} from '.';

const spec = (change: Partial<CaseSpec> = {}): CaseSpec => ({
  ...{ seed: 4711, kind: 'rotary', difficulty: 'sly', days: 2, hours: 8, ...change },
});
const checkOf = (game: PracticeCase, role: string) => {
  const check = game.sheet.checks.find((c) => c.id === role.toLowerCase());
  if (!check) throw new Error(role);
  return check;
};
/** What a hand sees at a place now, entered. */
const read = (game: PracticeCase, play: Play, id: string, place: string, fine = false): Play => {
  const check = checkOf(game, id);
  const values = valuesOf(sightOf(game, check, place, handOf(play, check, place, fine)));
  return taken(play, check, place, { values, fine });
};

/** Does all well but at the traps that are laid, where it does what a careless hand does. */
function carelessPlay(game: PracticeCase): Play {
  let play = perfectPlay(game);
  const forget = (trap: Trap) => {
    const id = TRAP_AT[trap].toLowerCase();
    const without = play.readings.filter((r) => r.checkId !== id);
    play = {
      ...play,
      readings: without,
      adjusted: { ...play.adjusted, [id]: 0 },
      run: { ...play.run, [id]: false },
    };
    return checkOf(game, id);
  };
  for (const trap of game.traps) {
    const check = forget(trap);
    const [place = ''] = check.places;
    if (trap === 'wrongPosition') play = { ...stood(play, check, false, 0), set: 'raised' };
    else play = { ...play, set: check.position, said: check.position };
    if (trap === 'looksFine')
      play = taken(play, check, place, {
        values: [{ kind: 'look', seen: 'fine', found: '' }],
        fine: false,
      });
    else if (trap === 'oneSide') {
      const fine = check.places.find((p) => (game.truth[check.id]?.[p]?.value ?? 0) < 390) ?? place;
      play = read(game, play, check.id, fine);
    } else play = read(game, play, check.id, place);
    if (trap === 'unsettled') {
      play = adjustedNow(play, check);
      const values = valuesOf(sightOf(game, check, place, handOf(play, check, place, false)));
      play = taken(play, check, place, { values, fine: false, state: 'asLeft' });
    }
    play = {
      ...play,
      decided: { ...play.decided, [check.id]: trap === 'unsettled' ? 'adjust' : 'leave' },
    };
  }
  return play;
}

describe('cases', () => {
  test.each(
    MACHINE_KINDS.flatMap((kind) => DIFFICULTIES.map((difficulty) => [kind, difficulty] as const)),
  )('%s, %s: a perfect hand scores 100, and nothing is missed', (kind, difficulty) => {
    for (const seed of [1, 2, 3, 97, 20260609]) {
      const game = practiceCase(spec({ seed, kind, difficulty }));
      const found = debrief(game, perfectPlay(game));
      expect(found.checks.filter((c) => c.told).map((c) => [c.check.id, c.wanted, c.told])).toEqual(
        [],
      );
      expect(found).toMatchObject({ score: 100, fellInto: [], lost: 0 });
      expect(found.minutes.taken).toBeLessThanOrEqual(found.minutes.given);
    }
  });

  test('a careless hand is told exactly the traps it fell into', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 1e6 }),
        fc.constantFrom(...MACHINE_KINDS),
        fc.subarray([...TRAPS]),
        (seed, kind, traps) => {
          const game = practiceCase(spec({ seed, kind, traps }));
          const found = debrief(game, carelessPlay(game));
          expect([...found.fellInto].sort()).toEqual([...traps].sort());
          if (traps.length) expect(found.score).toBeLessThan(100);
          else expect(found.score).toBe(100);
          for (const c of found.checks) if (c.trap && !c.right) expect(c.cost).toBeGreaterThan(0);
        },
      ),
      { numRuns: 60, seed: 11 },
    );
  });

  test('the same case for everybody; another seed another machine', () => {
    expect(practiceCase(spec()).truth).toEqual(practiceCase(spec()).truth);
    expect(practiceCase(spec({ seed: 5 })).truth).not.toEqual(practiceCase(spec()).truth);
    expect(practiceCase(spec({ difficulty: 'first' })).traps).toHaveLength(2);
    expect(practiceCase(spec({ difficulty: 'sly' })).traps).toHaveLength(6);
    expect(practiceCase(spec({ traps: ['oneSide'] })).traps).toEqual(['oneSide']);
  });

  test('every truth decides something by itself', () => {
    for (const kind of MACHINE_KINDS)
      for (let seed = 0; seed < 25; seed += 1) {
        const game = practiceCase(spec({ seed, kind }));
        for (const check of game.sheet.checks)
          expect(asksFor(trueVerdict(game, check))).toBeDefined();
      }
  });
});

describe('what a hand does', () => {
  const game = practiceCase(spec({ traps: [...TRAPS] }));

  test('a gauge as it hangs shows what is not so; the verdict of a place that was said to be set believes it', () => {
    const gap = checkOf(game, 'gap');
    const [place = ''] = gap.places;
    const hung = read(game, stood(newPlay(game.spec), gap, false, 0), 'gap', place);
    expect(verdictIn(game, hung, gap)?.decision).toBe('holds');
    const set = read(game, stood(newPlay(game.spec), gap, true, 4), 'gap', place);
    expect(verdictIn(game, set, gap)?.decision).toBe('adjust');
    expect(set.minutes).toBe(hung.minutes + 4);
    const unsaid = read(game, newPlay(game.spec), 'gap', place);
    expect(verdictIn(game, unsaid, gap)?.decision).toBe('remeasure');
  });

  test('an adjuster settles back once it has run, and stays after the second time', () => {
    const check = checkOf(game, 'chaintension');
    const [place = ''] = check.places;
    const shortOf = (play: Play) =>
      sightOf(game, check, place, handOf(play, check, place, false)).short;
    const once = adjustedNow(newPlay(game.spec), check);
    expect(shortOf(once)).toBe(0);
    expect(shortOf(ran(once, check))).toBe(4);
    expect(shortOf(ran(adjustedNow(ran(once, check), check), check))).toBe(0);
  });

  test('one tape reading cannot decide a narrow limit, the caliper can', () => {
    const chain = checkOf(game, 'chain');
    const [place = ''] = chain.places;
    const at = stood(newPlay(game.spec), chain, true, 4);
    expect(verdictIn(game, read(game, at, 'chain', place), chain)?.decision).toBe('remeasure');
    expect(verdictIn(game, read(game, at, 'chain', place, true), chain)?.decision).toBe('replace');
  });

  test('a check that nobody decided is not right', () => {
    const found = debrief(game, { ...perfectPlay(game), decided: {} });
    expect(found.parts.decisions).toBe(0);
    expect(debrief(game, newPlay(game.spec)).parts).toMatchObject({
      decisions: 0,
      evidence: 0,
      time: 0,
    });
    expect(found.checks.every((c) => c.told === 'Nothing was decided here.')).toBe(true);
    expect(found.fellInto).toEqual([]);
  });

  test('work for nothing costs what it costs', () => {
    const plain = practiceCase(spec({ traps: [], seed: 8 }));
    const play = perfectPlay(plain);
    const holds = plain.sheet.checks.find((c) => play.decided[c.id] === 'leave' && c.id !== 'gap');
    if (!holds) throw new Error('none holds');
    const found = debrief(plain, { ...play, decided: { ...play.decided, [holds.id]: 'replace' } });
    const told = found.checks.find((c) => c.check.id === holds.id);
    expect(told).toMatchObject({ right: false, wanted: 'leave' });
    expect(told?.cost).toBeGreaterThan(0);
  });
});

describe('the plan', () => {
  const game = practiceCase(spec({ days: 2, hours: 2, traps: [...TRAPS] }));
  const jobs = game.sheet.checks.map((c) => jobOf(c, 'replace'));

  test('too much on a day, and a part that is not there yet, are said', () => {
    const all = Object.fromEntries(jobs.map((j) => [j.checkId, 1]));
    const troubles = planTroubles(game, jobs, all);
    expect(troubles.some((t) => t.startsWith('Day 1:'))).toBe(true);
    expect(troubles.some((t) => t.includes('there on day 2'))).toBe(true);
    expect(planTroubles(game, jobs, {})).toEqual([]);
  });

  test('no way to lay the work saves more than the best one', () => {
    const worth = (job: (typeof jobs)[number]) => job.minutes * 7 + job.checkId.length;
    const best = bestPlan(game, jobs.slice(0, 6), worth);
    expect(planTroubles(game, jobs.slice(0, 6), best.plan)).toEqual([]);
    let most = 0;
    for (let code = 0; code < 3 ** 6; code += 1) {
      const plan = Object.fromEntries(
        jobs.slice(0, 6).map((j, i) => [j.checkId, Math.floor(code / 3 ** i) % 3]),
      );
      if (planTroubles(game, jobs.slice(0, 6), plan).length) continue;
      most = Math.max(
        most,
        jobs.slice(0, 6).reduce((s, j) => s + (plan[j.checkId] ? worth(j) : 0), 0),
      );
    }
    expect(best.saved).toBe(most);
    expect(most).toBeGreaterThan(0);
  });
});

test('a case goes into a link and comes back; what is no case does not', () => {
  fc.assert(
    fc.property(
      fc.record({
        seed: fc.integer({ min: 0, max: 2_147_483_647 }),
        kind: fc.constantFrom(...MACHINE_KINDS),
        difficulty: fc.constantFrom(...DIFFICULTIES),
        days: fc.integer({ min: 1, max: 3 }),
        hours: fc.integer({ min: 2, max: 10 }),
      }),
      fc.option(fc.subarray([...TRAPS])),
      (given, traps) => {
        const full: CaseSpec = { ...given, ...(traps ? { traps } : {}) };
        expect(caseOfText(caseText(full))).toEqual(full);
      },
    ),
  );
  for (const text of [
    '',
    'x',
    '1.rotary',
    '1.rotary.sly.9.4',
    '1.tank.sly.2.4',
    '1.rotary.sly.2.4.bees',
    '-1.rotary.sly.2.4',
    '1.rotary.sly.2.4.none.more',
  ])
    expect(caseOfText(text)).toBeUndefined();
});
