import { Day, type OwnerAnswer, type Tick } from '../contracts';
import { InputError } from '../units';
import type { ProposedWork } from '../work';
import { standsOf } from './tasks';

/** Key under which some work is put off to an hour or a day. */
export const deferKey = (subject: string): string => `defer|${subject}`;
/** Key under which the owner's answer to some work is kept. */
export const ownerKey = (subject: string): string => `owner|${subject}`;
/** Key under which some work is left, with a reason. */
export const leftKey = (subject: string): string => `leave|${subject}`;

/** How a machine stands against what something was put off to. */
export interface DeferNow {
  readonly today: string;
  readonly hours: number;
}

/** To when something was put off: a day, or an hour of the machine. */
export type Until = NonNullable<Tick['until']>;

/** Whether what something was put off to has come. A day comes with its morning. */
export const hasCome = (until: Until, { today, hours }: DeferNow): boolean =>
  'on' in until ? until.on <= today : until.atHours <= hours;

/**
 * The tick by which work is put off still, for all of what it is about; undefined once it has come,
 * or where it was put off for some of its places only.
 */
export function deferralOf(
  { subjects }: Pick<ProposedWork, 'subjects'>,
  ticks: readonly Tick[],
  now: DeferNow,
): (Tick & { readonly until: Until }) | undefined {
  const standing = subjects.map((s) => latestOf(ticks, deferKey(s)));
  const [first] = standing;
  return first?.until && standing.every((t) => t?.until && !hasCome(t.until, now))
    ? { ...first, until: first.until }
    : undefined;
}

/** Whether somebody decided, with a reason, to leave all that some work is about. */
export const leftOf = (
  { subjects }: Pick<ProposedWork, 'subjects'>,
  ticks: readonly Tick[],
): Tick | undefined => {
  const standing = subjects.map((s) => standsOf(ticks, leftKey(s)));
  return standing.every((t) => t !== undefined) ? standing[0] : undefined;
};

/** What the owner said of some work, last. */
export function ownerOf(
  { subjects }: Pick<ProposedWork, 'subjects'>,
  ticks: readonly Tick[],
): (Tick & { readonly answer: OwnerAnswer }) | undefined {
  const said = subjects.flatMap((s) => latestOf(ticks, ownerKey(s)) ?? []);
  const last = said.reduce<Tick | undefined>((a, b) => (a && a.at >= b.at ? a : b), undefined);
  return last?.answer ? { ...last, answer: last.answer } : undefined;
}

/** The newest tick of a key, unless it takes what was said back. */
function latestOf(ticks: readonly Tick[], key: string): Tick | undefined {
  const last = ticks
    .filter((t) => t.key === key)
    .reduce<Tick | undefined>(
      (a, b) => (a && (a.at > b.at || (a.at === b.at && a.id > b.id)) ? a : b),
      undefined,
    );
  return last?.done ? last : undefined;
}

/**
 * To when something is put off, as a person types it: a day "2026-07-20", or an hour of the machine
 * "640 h", "640".
 * @throws InputError where it is neither, or has come already
 */
export function parseUntil(text: string, now: DeferNow): Until {
  const typed = text.trim();
  const hours = /^(\d{1,6})(?:[.,](\d+))?\s*h?$/i.exec(typed);
  if (hours) {
    const atHours = Number(`${hours[1]}.${hours[2] ?? 0}`);
    if (atHours > 100_000) throw new InputError('until', text, 'hours below 100,000');
    if (atHours <= now.hours)
      throw new InputError('until', text, `more than the machine's ${Math.round(now.hours)} h now`);
    return { atHours };
  }
  const day = Day.safeParse(typed);
  if (!day.success)
    throw new InputError('until', text, 'a day like 2026-07-20, or hours like 640 h');
  if (day.data <= now.today) throw new InputError('until', text, `a day after ${now.today}`);
  return { on: day.data };
}
