import type { Check, ClassRate, MeasuredCheck } from '../../contracts';
import type { RateSource } from '../../findings';
import type { ClassPrior } from './forecast';

/** What moves toward its limit: wear itself, the travel of an adjuster, a setting in its band. */
export type Line = 'wear' | 'travel' | 'drift';

/** Key of a component class under which the fleet's rates are kept. */
export const classKey = ({ id, wearClass }: Pick<Check, 'id' | 'wearClass'>, line: Line): string =>
  line === 'wear' ? (wearClass ?? id) : `${wearClass ?? id} ${line}`;

/** A rate as the sheet has it, or a rule in its place. */
export type SheetRate = Omit<ClassPrior, 'rate'>;

/** What a new part is expected to read, mean and spread of the way to its limit. Model assumption. */
export const AT_NEW = { a0: 0.02, sa: 0.03 } as const;

/**
 * What is expected of a component before its own readings: what the fleet's lives of its class have
 * shown, else what the sheet says.
 * @returns undefined when neither says anything
 */
export function priorFor(
  check: Pick<Check, 'id' | 'wearClass'>,
  line: Line,
  {
    sheet,
    rates,
    atNew = AT_NEW,
  }: {
    readonly sheet: SheetRate | undefined;
    readonly rates: Readonly<Record<string, ClassRate>> | undefined;
    readonly atNew?: Pick<SheetRate, 'a0' | 'sa'>;
  },
): ClassPrior | undefined {
  const fleet = rates?.[classKey(check, line)];
  if (!fleet) return sheet && { ...sheet, rate: BY_SHEET };
  const { a0, sa } = sheet ?? atNew;
  return { a0, sa, mu: fleet.perHour, tau: fleet.sd, rate: { of: fleet.of, lives: fleet.lives } };
}

const BY_SHEET: RateSource = { of: 'sheet', lives: 0 };

/** The wear rate of a sheet; undefined where it gives none. */
export function sheetRate({ wearRate }: Pick<MeasuredCheck, 'wearRate'>): SheetRate | undefined {
  return (
    wearRate && {
      a0: wearRate.atNew,
      sa: wearRate.atNewSd,
      mu: wearRate.perHour,
      tau: wearRate.sd,
    }
  );
}
