import { defaultElongationLimit, elongation, elongationUncertainty, pitchesNeeded } from '../chain';
import { chainClimb, engagementLeft, likelyChains, pitchDiameter, tipDiameter } from '../sprockets';
import { InputError } from '../units';
import type { BenchResult, BenchSection } from './bench';
import type { ChainField, ChainGiven } from './chainFields';
import { amount, length, n } from './numbers';

/** The limit that counts, %, and how sure it is. */
export interface Allowed {
  readonly limit: number;
  readonly why: string;
  /** below this it is sure, whatever is not known of the drive, %; undefined: nothing is */
  readonly sureBelow: number | undefined;
}

/** The limit of the sheet; without one the shop rule, which wants to know the teeth and the take-up. */
export function allowedOf({ maybe }: ChainGiven, takeUp: boolean | undefined): Allowed {
  const limit = maybe('limit');
  if (limit !== undefined) return { limit, why: 'as its sheet says', sureBelow: limit };
  const teeth = maybe('large');
  const shop = defaultElongationLimit(teeth, takeUp ?? true);
  const rule =
    teeth === undefined
      ? 'shop rule: 3 %, less where a sprocket has more than 66 teeth'
      : shop < 3
        ? `shop rule: the lower of 3 % and 200/z₁ = 200/${teeth}`
        : 'shop rule: 3 %';
  return {
    limit: shop,
    why: takeUp === undefined ? `${rule}; 1.5 % where nothing takes it up` : rule,
    sureBelow: teeth === undefined ? undefined : defaultElongationLimit(teeth, takeUp ?? false),
  };
}

/** What the measured length says: past the limit, below it, or neither for want of precision. */
function stands(
  { e, u }: Measured,
  { limit, sureBelow }: Allowed,
): Pick<BenchResult, 'says' | 'tone'> {
  if (e - u > limit) return { says: 'past the limit: renew', tone: 'bad' };
  if (e + u >= limit)
    return { says: 'too near the limit to tell: measure over more pitches', tone: 'doubt' };
  return sureBelow !== undefined && e + u < sureBelow
    ? { says: 'below the limit', tone: 'good' }
    : { says: 'below the shop rule, if it is its limit: enter that of its sheet', tone: 'doubt' };
}

/** A chain that measures shorter than new by more than the reading's ± was counted wrong, or is another. */
function tooShort(e: number, u: number, given: ChainGiven): void {
  if (e + u >= -0.2) return;
  const [by] = likelyChains(given.need('length') / given.need('pitches'), 1);
  throw new InputError(
    'length',
    given.need('length'),
    `a length no shorter than new: count the pitches again${by ? `; it would fit a pitch of ${n(by.pitch)} mm` : ''}`,
  );
}

/** An elongation by length, and its ±; %. */
export interface Measured {
  readonly e: number;
  readonly u: number;
}

/** The elongation by the length that was measured. @throws InputError where it cannot be one */
export function measured(given: ChainGiven): Measured {
  const [p, count, L] = [given.need('pitch'), given.need('pitches'), given.need('length')];
  const e = elongation(L, count, p);
  const u = elongationUncertainty(given.need('uncertainty'), count, p);
  tooShort(e, u, given);
  return { e, u };
}

export const ELONGATED: BenchSection<ChainField> = {
  id: 'elongation',
  short: 'Elongation',
  title: 'Elongation',
  about: 'How much longer the chain is than new.',
  fields: ['length', 'pitches', 'pitch', 'uncertainty', 'limit', 'large'],
  work: (given) => {
    const [p, count, L] = [given.need('pitch'), given.need('pitches'), given.need('length')];
    const U = given.need('uncertainty');
    const { e, u } = measured(given);
    const allowed = allowedOf(given, undefined);
    const { limit, why } = allowed;
    const over = pitchesNeeded(U, p, limit);
    return [
      amount('Elongation', e, '%', {
        ...{ decimals: 3, uncertainty: u, formula: 'e = L / (n·p) − 1;  ± 100·U / (n·p)' },
        numbers: `${n(L)} / (${count} · ${n(p)}) − 1;  100 · ${n(U)} / (${count} · ${n(p)})`,
        ...stands({ e, u }, allowed),
      }),
      amount('Limit', limit, '%', { decimals: 3, formula: why, numbers: '' }),
      length('Length at the limit', count * p * (1 + limit / 100), {
        formula: 'n·p·(1 + limit)',
        numbers: `${count} · ${n(p)} · (1 + ${n(limit)} %)`,
      }),
      amount('Measure over at least', over, 'pitches', {
        ...{ decimals: 0, formula: '100·U / (n·p) ≤ limit / 10' },
        numbers: `n ≥ 100 · ${n(U)} / (${n(limit / 10)} · ${n(p)})`,
        ...(count < over ? { says: 'more than were measured', tone: 'doubt' as const } : {}),
      }),
    ];
  },
};

export const SPROCKETS: BenchSection<ChainField> = {
  id: 'sprockets',
  short: 'Sprockets',
  title: 'On its sprockets',
  about: 'A grown chain climbs the teeth. Large sprockets allow less.',
  fields: ['length', 'pitches', 'pitch', 'uncertainty', 'large', 'small'],
  work: (given) => {
    const p = given.need('pitch');
    const e = Math.max(0, measured(given).e);
    const both: readonly (readonly ['large' | 'small', string])[] = [
      ['large', 'larger'],
      ['small', 'smaller'],
    ];
    return both.flatMap(([field, which]) => {
      const z = given.need(field);
      const D = pitchDiameter(p, z);
      const tip = tipDiameter(p, z);
      const left = engagementLeft(e, p, z);
      return [
        amount(`Tooth left above it, ${which}`, 100 * left, '%', {
          ...{ decimals: 1, formula: '1 − (e·D/2) / ((tip − D)/2)' },
          numbers: `1 − ${n(chainClimb(e, p, z))} / ((${n(tip)} − ${n(D)}) / 2)`,
          ...(left <= 0 ? { says: 'it jumps', tone: 'bad' as const } : {}),
        }),
        length(`Pitch diameter, ${which}`, D, {
          ...{ formula: 'D = p / sin(180° / z)', numbers: `${n(p)} / sin(180° / ${z})` },
        }),
        length(`Climbs, ${which}`, chainClimb(e, p, z), {
          ...{ decimals: 2, formula: 'e·D / 2', numbers: `${n(e)} % · ${n(D)} / 2` },
        }),
      ];
    });
  },
};
