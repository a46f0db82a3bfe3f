import { elongationFromTravel, takeUpPlan, type TakeUpChoice } from '../chain';
import {
  givenOf,
  whereGiven,
  type BenchOutcome,
  type BenchResult,
  type BenchSection,
  type BenchTexts,
} from './bench';
import type { BenchPlan } from './byPlan';
import type { ChainField, ChainGiven } from './chainFields';
import { allowedOf, measured } from './chainGrown';
import { amount, length, n, named } from './numbers';

/** How far it has grown: by the length measured, or where none is by the travel of its adjuster. */
function grown(given: ChainGiven): { elongation: number; formula: string; numbers: string } {
  if (given.maybe('length') !== undefined)
    return {
      elongation: Math.max(0, measured(given).e),
      ...{ formula: 'by the length measured', numbers: `${n(given.need('length'))} mm` },
    };
  const [used, linksOut] = [given.need('used'), given.need('out')];
  const [p, k, N] = [given.need('pitch'), given.need('strands'), given.need('loop')];
  const asked = { strandsPerTravel: k, pitch: p, loopPitches: N };
  return {
    elongation: named(() => elongationFromTravel({ used, linksOut }, asked), {
      ...{ ...ASKED, linksOut: 'out' },
    }),
    formula: 'by the travel used: (a·k + m₀·p) / ((N − m₀)·p)',
    numbers: `(${n(used)} · ${n(k)} + ${linksOut} · ${n(p)}) / ((${N} − ${linksOut}) · ${n(p)})`,
  };
}

/** What an adjuster can do, in words. */
const choiceWords = (c: TakeUpChoice): string =>
  c.action === 'adjust'
    ? 'Adjust'
    : c.action === 'replace'
      ? 'Renew the chain'
      : `${c.linksOut} ${c.linksOut === 1 ? 'half link' : 'half links'} out${c.offsetLink ? ', with an offset link' : ''}`;

/** What the take-up planner is asked, from what stands on the bench. */
const takeUpOf = (given: ChainGiven): Parameters<typeof takeUpPlan>[0] => ({
  total: given.need('travel'),
  used: given.need('used'),
  strandsPerTravel: given.need('strands'),
  pitch: given.need('pitch'),
  loopPitches: given.need('loop') - given.need('out'),
  elongation: grown(given).elongation,
  limit: allowedOf(given, true).limit,
  reserve: given.need('reserve'),
  ratePerHour: (given.maybe('rate') ?? 0) / 100,
});

/** The take-up planner's names of what is entered here. */
const ASKED: Readonly<Record<string, ChainField>> = {
  total: 'travel',
  loopPitches: 'loop',
  strandsPerTravel: 'strands',
  ratePerHour: 'rate',
};

export const TAKE_UP: BenchSection<ChainField> = {
  id: 'takeUp',
  short: 'Take-up',
  title: 'Take-up',
  about: 'Adjust, take links out, or renew: the least that fits the slot.',
  fields: [
    'used',
    'travel',
    'length',
    'pitches',
    'uncertainty',
    'strands',
    'pitch',
    'loop',
    'out',
    'reserve',
    'rate',
    'limit',
  ],
  work: (given) => {
    const state = takeUpOf(given);
    const plan = named(() => takeUpPlan(state), ASKED);
    const shown = [
      plan.choices[0],
      ...plan.choices.filter((c) => c.action === 'shorten').slice(0, 3),
      plan.choices.at(-1),
    ];
    const unsure = nearLimit(given, state.elongation);
    const choices = shown.flatMap((c): BenchResult[] =>
      c
        ? [
            length(`${choiceWords(c)}: travel left`, c.travelLeft, {
              ...(c.action === 'replace'
                ? { formula: 'A', numbers: n(state.total) }
                : {
                    formula: 'A − a + m·p/k',
                    numbers: `${n(state.total)} − ${n(state.used)} + ${c.linksOut} · ${n(state.pitch)} / ${n(state.strandsPerTravel)}`,
                  }),
              ...standing(c, { best: c === plan.best, unsure, rate: given.maybe('rate') }),
            }),
          ]
        : [],
    );
    const by = grown(given);
    return [
      ...choices.filter(isBest),
      amount('Grown', by.elongation, '%', { ...by, decimals: 2 }),
      length('Chain longer by', plan.stretch, {
        ...{ formula: 'e·N·p' },
        numbers: `${n(state.elongation)} % · ${state.loopPitches} · ${n(state.pitch)}`,
      }),
      length('Travel that eats', plan.travelEaten, {
        ...{ formula: 'e·N·p / k', numbers: `${n(plan.stretch)} / ${n(state.strandsPerTravel)}` },
      }),
      length('A half link gives back', plan.perHalfLink, {
        ...{ formula: 'p / k', numbers: `${n(state.pitch)} / ${n(state.strandsPerTravel)}` },
      }),
      ...choices.filter((c) => !isBest(c)),
    ];
  },
};

/** The best at the adjuster as work; undefined where it is not told, or too near the limit to tell. */
export const takeUpWork = (texts: BenchTexts, outcome: BenchOutcome): BenchPlan | undefined =>
  whereGiven(() => {
    const given: ChainGiven = givenOf(texts, outcome);
    const state = takeUpOf(given);
    const { best } = takeUpPlan(state);
    if (!best.fits || (best.action !== 'replace' && nearLimit(given, state.elongation)))
      return undefined;
    const { says } = standing(best, { best: false, unsure: false, rate: given.maybe('rate') });
    return {
      decision: best.action,
      moves: [
        choiceWords(best),
        `travel left then ${n(best.travelLeft)} mm`,
        ...(says ? [says] : []),
      ],
    };
  });

const isBest = ({ says }: BenchResult): boolean => says?.startsWith('best') ?? false;

/** Whether it is open on which side of the limit the chain is: by the length's ±, or for want of the limit. */
function nearLimit(given: ChainGiven, elongation: number): boolean {
  const { limit, sureBelow } = allowedOf(given, true);
  if (elongation >= limit) return false;
  const u = given.maybe('length') === undefined ? 0 : measured(given).u;
  return sureBelow === undefined || elongation + u >= sureBelow;
}

interface Standing {
  readonly best: boolean;
  readonly unsure: boolean;
  readonly rate: number | undefined;
}

/** What is said of a choice, and how loudly. */
function standing(
  c: TakeUpChoice,
  { best, unsure, rate }: Standing,
): Pick<BenchResult, 'says' | 'tone'> {
  if (!c.fits) return { says: 'does not do', tone: 'bad' };
  const lasts =
    rate === undefined
      ? 'how long it lasts is not known: enter what it grows in 100 h'
      : Number.isFinite(c.hoursLeft)
        ? `lasts ${Math.round(c.hoursLeft)} h, then its ${c.endsBy === 'travel' ? 'travel' : 'elongation'} is at its end`
        : 'does not grow';
  if (!best) return { says: lasts };
  if (unsure && c.action !== 'replace')
    return {
      says: 'best, if it is below its limit: too near to tell, or the limit is not known',
      tone: 'doubt',
    };
  return { says: `best · ${lasts}`, tone: rate === undefined ? 'doubt' : 'good' };
}
