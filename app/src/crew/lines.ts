import { Day, type BoardSetting, type Skill } from '@green-tally/core/contracts';

/*
 * Short lists as lines of text, as they are typed: one thing a line. What is wrong names its line.
 */

const linesOf = (text: string): { readonly line: string; readonly n: number }[] =>
  text
    .split('\n')
    .map((line, i) => ({ line: line.trim(), n: i + 1 }))
    .filter((l) => l.line);

/** "2026-06-24 Midsummer", a line each. @throws Error naming the line */
export const holidaysIn = (text: string): BoardSetting['holidays'] =>
  linesOf(text).map(({ line, n }) => {
    const [day = '', ...name] = line.split(/\s+/);
    if (!Day.safeParse(day).success)
      throw new Error(`Holidays, line ${n}: begin with a day like 2026-06-24, then its name.`);
    if (!name.length) throw new Error(`Holidays, line ${n}: the name of ${day} is missing.`);
    return { on: day, name: name.join(' ') };
  });
export const holidaysOut = (holidays: BoardSetting['holidays']): string =>
  holidays.map((h) => `${h.on} ${h.name}`).join('\n');

/** "hydraulics: cylinder, pump", a line each. @throws Error naming the line */
export const skillsIn = (text: string): Skill[] =>
  linesOf(text).map(({ line, n }) => {
    const at = line.indexOf(':');
    const words = wordsIn(line.slice(at + 1));
    if (at < 1 || !words.length)
      throw new Error(
        `Skills, line ${n}: a name, a colon, then words of the components that want it.`,
      );
    return { name: line.slice(0, at).trim(), words };
  });
export const skillsOut = (skills: readonly Skill[]): string =>
  skills.map((s) => `${s.name}: ${s.words.join(', ')}`).join('\n');

/** "concave, feeder drum". */
export const wordsIn = (text: string): string[] =>
  text
    .split(',')
    .map((w) => w.trim())
    .filter(Boolean);

/** "2026-06-15 2026-06-19 on a course", a line each. @throws Error naming the line */
export const awayIn = (text: string): { from: string; to: string; why: string }[] =>
  linesOf(text).map(({ line, n }) => {
    const [from = '', to = '', ...why] = line.split(/\s+/);
    const days = [from, to].every((d) => Day.safeParse(d).success);
    if (!days)
      throw new Error(`Away, line ${n}: first and last day like 2026-06-15 2026-06-19, then why.`);
    if (to < from) throw new Error(`Away, line ${n}: ${to} lies before ${from}.`);
    if (!why.length) throw new Error(`Away, line ${n}: say why in a word.`);
    return { from, to, why: why.join(' ') };
  });
export const awayOut = (
  away: readonly { readonly from: string; readonly to: string; readonly why: string }[],
): string => away.map((a) => `${a.from} ${a.to} ${a.why}`).join('\n');

/** A figure as it is typed. @throws Error naming what it is of */
export function figureIn(
  text: string,
  of: string,
  { least = -Infinity, whole = false } = {},
): number {
  const n = Number(text.trim().replace(',', '.'));
  if (text.trim() === '' || !Number.isFinite(n) || n < least || (whole && !Number.isInteger(n)))
    throw new Error(
      `${of}: ${whole ? 'a whole number' : 'a number'} in figures${least === 0 ? ', 0 or more' : ''}, not “${text}”.`,
    );
  return n;
}
