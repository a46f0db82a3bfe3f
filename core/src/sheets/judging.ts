import type { Check, Decision, Reading, SpecSheet } from '../contracts';
import { byCheck, inTime, live } from '../history';
import { onMachine, type MachineFacts } from '../kinds';
import { judgeMachine, verdictSentence, type CheckVerdict } from '../verdict';
import { checksFor, versionOf, type KnownBuild } from '../walk';

/** Revisions a machine's older readings were re-judged under, by model. */
export type Rejudged = Readonly<Record<string, number>>;

/** The sheets a machine is judged by. */
export interface Revisions {
  readonly sheets: readonly SpecSheet[];
  /** older revisions that readings still refer to */
  readonly earlier: readonly SpecSheet[];
  readonly rejudged?: Rejudged | undefined;
  /** whose version of the checks is meant */
  readonly machine?: KnownBuild | undefined;
}

/**
 * Each check as it was when its newest reading was taken, or as it was re-judged since: a reading
 * stays judged by the revision it was taken under.
 * A check whose revision is not at hand, or that was not there then, is judged as it is now.
 * @param current checks of the machine as it is built, by its newest sheets
 */
export function checksAsRead(
  current: readonly Check[],
  readings: readonly Reading[],
  { sheets, earlier, rejudged = {}, machine }: Revisions,
): Check[] {
  if (!earlier.length) return [...current];
  const own = byCheck(inTime(live(readings)));
  return current.map((check) => {
    const reading = own.get(check.id)?.at(-1);
    const sheet = reading && sheets.find((s) => s.model === reading.sheet.model);
    if (!reading || !sheet) return check;
    const revision = Math.max(reading.sheet.revision, rejudged[sheet.model] ?? 0);
    if (revision >= sheet.revision) return check;
    const then = earlier.find((s) => s.model === sheet.model && s.revision === revision);
    const old = then?.checks.find((c) => c.id === check.id);
    const version = then && machine ? versionOf(machine, then) : undefined;
    return old ? ((version ? onMachine(old, version) : old) ?? check) : check;
  });
}

/** One check whose decision, or its reason, would be another under another revision. */
export interface Rejudgement {
  readonly checkId: string;
  readonly component: string;
  readonly before: Decision | null;
  readonly after: Decision | null;
  readonly reasonBefore: string;
  readonly reasonAfter: string;
}

/** A machine with its readings and its newest sheets. */
export interface JudgedMachine {
  readonly machine: KnownBuild;
  readonly readings: readonly Reading[];
  readonly sheets: readonly SpecSheet[];
}

/**
 * What would change if a machine's readings were judged under another revision. Nothing is stored
 * by asking.
 * @param now verdicts as they stand
 * @param sheet the revision to judge under; the machine's other sheets stay as they are
 * @returns checks whose decision changes first, then those that only give other numbers; a check
 *   that comes or goes has no decision on one side
 */
export function rejudge(
  { machine, readings, sheets }: JudgedMachine,
  now: readonly CheckVerdict[],
  sheet: SpecSheet,
  facts: MachineFacts,
): Rejudgement[] {
  const others = sheets.filter((s) => s.model !== sheet.model);
  const then = judgeMachine(checksFor(machine, [...others, sheet]), readings, facts);
  const said = (v: CheckVerdict | undefined) => (v ? verdictSentence(v) : '');
  const ids = [...new Set([...now, ...then].map((v) => v.check.id))];
  return ids
    .flatMap((id) => {
      const [a, b] = [now.find((v) => v.check.id === id), then.find((v) => v.check.id === id)];
      const [reasonBefore, reasonAfter] = [said(a), said(b)];
      if (a?.decision === b?.decision && reasonBefore === reasonAfter) return [];
      return [
        {
          checkId: id,
          component: (b ?? a)?.check.component ?? id,
          before: a?.decision ?? null,
          after: b?.decision ?? null,
          reasonBefore,
          reasonAfter,
        },
      ];
    })
    .sort((a, b) => Number(a.before === a.after) - Number(b.before === b.after));
}
