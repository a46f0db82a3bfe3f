import type { Check } from '../contracts';
import { SYMPTOMS, type Suspect, type Symptom } from './table';

export { SYMPTOMS, type Suspect, type Symptom };

/**
 * Symptoms named in what an operator wrote, in the order of the table; none when nothing is
 * recognised. @example symptomsIn('Fan surges on slopes') // surging-fan
 */
export function symptomsIn(text: string): Symptom[] {
  const plain = ` ${text.toLowerCase().replace(/[^\p{L}\p{N}]+/gu, ' ')} `;
  const flipped = (words: string) => words.split(' ').reverse().join(' ');
  return SYMPTOMS.filter((s) =>
    s.words.some((w) =>
      [w, flipped(w)].some((beginning) => beginningsIn(plain, beginning.split(' '))),
    ),
  );
}

/** Whether each beginning starts a word of the text, in order, with at most two words between. */
function beginningsIn(plain: string, beginnings: readonly string[]): boolean {
  return new RegExp(` ${beginnings.map((b) => `${b}\\S*`).join('(?: \\S+){0,2} ')}`, 'u').test(
    plain,
  );
}

/** One suspect of several symptoms together, with the check to go to. */
export interface SuspectCheck {
  readonly check: Check;
  /**
   * the likelier the higher: 1 for a first suspect, half for a second and so on, summed over the
   * symptoms
   */
  readonly weight: number;
  readonly why: readonly string[];
}

/**
 * Checks of a machine to take first for what was noticed, likeliest first; those its sheet does not
 * have are left out.
 * @param ids of symptoms; unknown ones are passed over
 * @example suspectsFor(['surging-fan'], checks)[0]?.check.id // 'fan-drive-belt'
 */
export function suspectsFor(ids: readonly string[], checks: readonly Check[]): SuspectCheck[] {
  const found = new Map<string, { weight: number; why: string[] }>();
  for (const symptom of SYMPTOMS.filter((s) => ids.includes(s.id))) {
    symptom.suspects.forEach((s, place) => {
      const one = found.get(s.check) ?? { weight: 0, why: [] };
      one.weight += 1 / (place + 1);
      if (!one.why.includes(s.why)) one.why.push(s.why);
      found.set(s.check, one);
    });
  }
  return checks
    .flatMap((check) => {
      const one = found.get(check.id);
      return one ? [{ check, ...one }] : [];
    })
    .sort((a, b) => b.weight - a.weight);
}
