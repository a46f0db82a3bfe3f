import { useMemo } from 'react';
import { z } from 'zod';
import type { Check } from '@green-tally/core/contracts';
import {
  adjustedNow,
  caseOfText,
  caseText,
  debrief,
  DIFFICULTIES,
  MACHINE_KINDS,
  newPlay,
  Play,
  practiceCase,
  ran,
  stood,
  taken,
  type CaseSpec,
  type Choice,
  type PracticeCase,
} from '@green-tally/core/practice';
import { useDraft } from '../store';
import type { Taken } from '../walk/entries';

/** What a try came to. */
const Score = z.object({
  case: z.string(),
  kind: z.enum(MACHINE_KINDS),
  difficulty: z.enum(DIFFICULTIES),
  score: z.number(),
  fell: z.int(),
  at: z.string(),
});
export type Score = z.infer<typeof Score>;

/** So many tries are kept. */
const KEPT = 30;

const Playing = Play.nullable();

/** A machine that is practised on: kept on this device, nothing of it is sent. */
export interface Practising {
  readonly game: PracticeCase;
  readonly play: Play;
  readonly stand: (check: Check, truly: boolean) => void;
  readonly take: (
    check: Check,
    readings: readonly Taken[],
    how: Pick<Parameters<typeof taken>[3], 'fine' | 'state'>,
  ) => void;
  readonly adjust: (check: Check) => void;
  readonly run: (check: Check) => void;
  readonly decide: (check: Check, choice: Choice) => void;
  readonly plan: (checkId: string, day: number) => void;
  readonly finish: (now: Date) => void;
  readonly leave: () => void;
}

/** The try under way, the scores of earlier ones, and a way to begin. */
export function usePractice() {
  const [play, setPlay] = useDraft<Play | null>('practice|play', Playing, null);
  const [scores, setScores] = useDraft<readonly Score[]>('practice|scores', z.array(Score), []);
  const named = play ? caseText(play.spec) : '';
  const game = useMemo(() => {
    const spec = caseOfText(named);
    return spec && practiceCase(spec);
  }, [named]);
  // two taps before the next drawing: each is laid over what is kept, not over what was drawn
  const step = (change: (now: Play) => Play) =>
    setPlay((now) => (now && !now.finished ? change(now) : now));
  const practising: Practising | undefined =
    game && play
      ? {
          game,
          play,
          stand: (check, truly) => step((p) => stood(p, check, truly, game.sheet.moves.usual)),
          take: (check, readings, { fine, state }) =>
            step((p) =>
              readings.reduce(
                (now, { place, value, strikes }) =>
                  taken(now, check, place, {
                    values: [value],
                    ...{ fine, strikes, free: value.kind === 'travel' },
                    ...(state ? { state } : {}),
                  }),
                p,
              ),
            ),
          adjust: (check) => step((p) => adjustedNow(p, check)),
          run: (check) => step((p) => ran(p, check)),
          decide: (check, choice) =>
            step((p) => ({ ...p, decided: { ...p.decided, [check.id]: choice } })),
          plan: (checkId, day) => step((p) => ({ ...p, plan: { ...p.plan, [checkId]: day } })),
          finish: (now) => {
            if (play.finished) return;
            const { score, fellInto } = debrief(game, play);
            const { kind, difficulty } = play.spec;
            setScores((before) =>
              [
                {
                  case: named,
                  kind,
                  difficulty,
                  score,
                  fell: fellInto.length,
                  at: now.toISOString(),
                },
                ...before,
              ].slice(0, KEPT),
            );
            setPlay({ ...play, finished: true });
          },
          leave: () => setPlay(null),
        }
      : undefined;
  return { practising, scores, begin: (spec: CaseSpec) => setPlay(newPlay(spec)) };
}
