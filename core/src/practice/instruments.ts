import type { Check, ReadingTool } from '../contracts';
import { random } from '../random';
import { printNumber } from '../units';
import { scatterOf, type PracticeCase, type TruePlace } from './cases';
import { KINDS } from './sheets';

/** How a reading is taken. */
export interface Hand {
  /** the machine was truly set as the check wants */
  readonly set: boolean;
  /** with the fine tool instead of the sheet's */
  readonly fine: boolean;
  /** how often this place was adjusted, and whether it has run since */
  readonly adjusted: number;
  readonly run: boolean;
  /** how many readings of the place came before */
  readonly before: number;
}

/** What is seen at a place: in words, and as it would be entered. */
export interface Sight {
  readonly words: string;
  /** of a measure, as the tool shows it, mm */
  readonly shows?: number;
  readonly short?: number;
  readonly left?: number;
}

/** The finer of two tools that lie there: twice as slow. */
export const FINE_TOOL: ReadingTool = { name: 'Caliper', resolution: 0.05 };
export const FINE_MINUTES = 2;
/** To run it a minute and make it safe again. */
export const RUN_MINUTES = 4;

/** The tool a measure is taken with. */
export const toolFor = (check: Check, fine: boolean): ReadingTool | undefined =>
  check.kind === 'measure' || check.kind === 'series' ? (fine ? FINE_TOOL : check.tool) : undefined;

/** What an instrument shows, or an eye sees, at a place; the same hand sees the same. */
export function sightOf(game: PracticeCase, check: Check, place: string, hand: Hand): Sight {
  const truth = game.truth[check.id]?.[place];
  if (!truth) throw new Error(`${check.id} has no place ${place}`);
  if (check.kind === 'mark') return indicator(truth, hand);
  if (check.kind === 'count') {
    const { missing, damaged, oneEdge } = truth.counted ?? { missing: 0, damaged: 0, oneEdge: 0 };
    return {
      words: `${missing} missing, ${damaged} damaged, ${oneEdge} worn on one edge, none on both, of ${check.total ?? 0}`,
    };
  }
  if (check.kind === 'condition') {
    const [marked, damaged] = KINDS[game.spec.kind].seen;
    return {
      words:
        truth.grade === 'sound'
          ? 'clean and whole all around'
          : truth.grade === 'marked'
            ? marked
            : damaged,
    };
  }
  const tool = toolFor(check, hand.fine);
  if (!tool) throw new Error(`${check.id} is not practised`);
  const true_ = (hand.set ? truth.value : (truth.asItHangs ?? truth.value)) ?? NaN;
  const dice = random(
    game.spec.seed ^ hash(`${check.id}|${place}|${hand.before}|${hand.fine}|${hand.set}`),
  );
  const wide = (tool.resolution / Math.sqrt(12)) * scatterOf(game);
  // nobody reads further off than twice what the tool may
  const off = Math.max(-2, Math.min(2, dice.normal())) * wide;
  const shows = Math.round((true_ + off) / tool.resolution) * tool.resolution;
  return { shows, words: `${tool.name}: ${printNumber(shows, 2)} mm` };
}

/** An indicator after so many adjustments: level at once, and where it settled once it has run. */
function indicator(
  { short = 0, left = 0, settles = 0 }: TruePlace,
  { adjusted, run }: Hand,
): Sight {
  const back = adjusted === 1 && run ? settles : 0;
  const now = adjusted ? back : short;
  const slot = Math.max(0, left - (adjusted ? short : 0) - (adjusted > 1 ? settles : 0));
  const stands =
    now > 0
      ? `${now} mm short of the end`
      : now < 0
        ? `${-now} mm past the end`
        : 'level with the end';
  return { short: now, left: slot, words: `Indicator ${stands}; ${slot} mm of the slot left` };
}

const hash = (text: string): number =>
  [...text].reduce((h, c) => (Math.imul(h, 31) + c.charCodeAt(0)) | 0, 17);
