import type { Check, ReadingValue } from '../contracts';
import { measuredValue, PRACTICE_DAY, practiceReading, type PracticeCase } from './cases';
import { asItHung, wantedOf } from './debrief';
import { FINE_MINUTES, RUN_MINUTES, sightOf, toolFor, type Sight } from './instruments';
import { bestPlan, handOf, jobOf, newPlay, stakeOf, trueValues, type Play } from './play';

/*
 * What a hand does at the practice machine, one step at a time, each step a new try: the screens call
 * these, and so do the players that prove the score.
 */

/** The machine is brought to a position, or only said to stand so. */
export function stood(play: Play, check: Check, truly: boolean, minutes: number): Play {
  return {
    ...play,
    said: check.position,
    set: truly ? check.position : play.set,
    minutes: play.minutes + (truly && play.set !== check.position ? minutes : 0),
  };
}

/** How readings are taken. */
interface Taking {
  readonly values: readonly ReadingValue[];
  readonly fine: boolean;
  readonly state?: 'asFound' | 'asLeft';
  /** the reading of that place that it takes the stead of */
  readonly strikes?: string | undefined;
  /** read on the way: it takes no time of its own */
  readonly free?: boolean;
}

/** Readings are taken at a place, as they were entered. */
export function taken(
  play: Play,
  check: Check,
  place: string,
  { values, fine, state = 'asFound', strikes, free = false }: Taking,
): Play {
  const set = play.set === check.position;
  const readings = values.map((value, i) => {
    const n = play.readings.length + i + 1;
    return practiceReading(check, place, value, {
      n,
      state,
      tool: toolFor(check, fine),
      settled: state === 'asLeft' && (play.run[check.id] ?? false),
      positionConfirmed: play.said === check.position,
      note: asItHung(set),
      takenAt: `${PRACTICE_DAY}T${clockOf(8 * 3600 + n * 20)}.000Z`,
      strikes: strikes ?? null,
    });
  });
  return {
    ...play,
    readings: [...play.readings, ...readings],
    minutes: play.minutes + (free ? 0 : check.labour.measure + (fine ? FINE_MINUTES : 0)),
  };
}

/** Seconds of the day as a clock shows them. */
const clockOf = (seconds: number): string =>
  [Math.floor(seconds / 3600), Math.floor(seconds / 60) % 60, seconds % 60]
    .map((n) => String(n).padStart(2, '0'))
    .join(':');

/** It is adjusted on the spot; whether it has run since is open again. */
export const adjustedNow = (play: Play, check: Check): Play => ({
  ...play,
  adjusted: { ...play.adjusted, [check.id]: (play.adjusted[check.id] ?? 0) + 1 },
  run: { ...play.run, [check.id]: false },
  minutes: play.minutes + check.labour.adjust,
});

/** It is run a minute, everyone clear, and made safe again. */
export const ran = (play: Play, check: Check): Play => ({
  ...play,
  run: { ...play.run, [check.id]: true },
  minutes: play.minutes + RUN_MINUTES,
});

/** What is entered for what was seen: an indicator and its slot, or a length. */
export function valuesOf(sight: Sight): readonly ReadingValue[] {
  const { short, left, shows } = sight;
  if (shows !== undefined) return [measuredValue(shows)];
  if (short === undefined) return [];
  const stands = short > 0 ? 'short' : short < 0 ? 'past' : 'at';
  return [
    { kind: 'mark', stands, by: Math.abs(short) },
    ...(left === undefined
      ? []
      : [{ kind: 'travel' as const, left, linksOut: 0, typed: `${left}`, unit: 'mm' }]),
  ];
}

/** A hand that sets the machine, takes the fine tool, reads every place, lets it settle, and plans well. */
export function perfectPlay(game: PracticeCase): Play {
  let play = newPlay(game.spec);
  for (const check of inOrder(game)) {
    play = stood(play, check, true, game.sheet.moves.usual);
    const fine = check.kind === 'measure' || check.kind === 'series';
    const read = (state: 'asFound' | 'asLeft') => {
      for (const place of check.places) {
        const seen = valuesOf(sightOf(game, check, place, handOf(play, check, place, fine)));
        const values = seen.length ? seen : trueValues(game, check, place);
        play = taken(play, check, place, { values, fine, state });
      }
    };
    read('asFound');
    const wanted = wantedOf(game, check);
    if (wanted === 'adjust' && check.kind === 'mark')
      for (let turn = 0; turn < 2; turn += 1) {
        play = ran(adjustedNow(play, check), check);
        read('asLeft');
      }
    play = { ...play, decided: { ...play.decided, [check.id]: wanted } };
  }
  const jobs = game.sheet.checks.flatMap((check) => {
    const wanted = wantedOf(game, check);
    return wanted === 'leave' || play.adjusted[check.id] ? [] : [jobOf(check, wanted)];
  });
  const worth = ({ checkId, choice }: (typeof jobs)[number]) => {
    const check = game.sheet.checks.find((c) => c.id === checkId);
    return check && choice !== 'adjust' ? stakeOf(game, check, choice).leave : 0;
  };
  return { ...play, plan: { ...bestPlan(game, jobs, worth).plan }, finished: true };
}

/** Checks of one position together, as a walk goes. */
const inOrder = ({ sheet }: PracticeCase): readonly Check[] =>
  [...sheet.checks].sort((a, b) => a.position.localeCompare(b.position));
