import { CaseSpec, Trap, TRAPS } from './cases';

/** A case as a link carries it: `4711.rotary.sly.2.4.slotRunOut-oneSide`; the dice choose the traps where none are named. */
export const caseText = ({ seed, kind, difficulty, traps, days, hours }: CaseSpec): string =>
  [seed, kind, difficulty, days, hours, ...(traps ? [traps.join('-') || 'none'] : [])].join('.');

/** The case of a link, or undefined where it is none. */
export function caseOfText(text: string): CaseSpec | undefined {
  const [seed = '', kind, difficulty, days = '', hours = '', traps, ...more] = text.split('.');
  if (more.length || ![seed, days, hours].every((n) => /^\d{1,10}$/.test(n))) return undefined;
  const named = traps === 'none' ? [] : traps?.split('-').map((t) => Trap.safeParse(t).data);
  if (named?.includes(undefined)) return undefined;
  const read = CaseSpec.safeParse({
    ...{ seed: Number(seed), kind, difficulty, days: Number(days), hours: Number(hours) },
    ...(named ? { traps: TRAPS.filter((t) => named.includes(t)) } : {}),
  });
  return read.success ? read.data : undefined;
}
