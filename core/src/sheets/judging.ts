import type { Check, Decision, Machine, Reading, SpecSheet } from '../contracts';
import { headSentence, judgeMachine, type CheckVerdict, type MachineFacts } from '../verdict';
import { checksFor } from '../walk';

/** Revisions a machine's older readings were re-judged under, by model. */
export type Rejudged = Readonly<Record<string, number>>;

/**
 * Each check as it was when its newest reading was taken, or as it was re-judged since: a reading stays judged by the revision it was taken under.
 * A check whose revision is not at hand, or that was not there then, is judged as it is now.
 * @param current checks of the machine as it is built, by its newest sheets
 * @param earlier older revisions that readings still refer to
 */
export function checksAsRead(
  current: readonly Check[],
  readings: readonly Reading[],
  sheets: readonly SpecSheet[],
  earlier: readonly SpecSheet[],
  rejudged: Rejudged = {},
): Check[] {
  if (!earlier.length) return [...current];
  const struck = new Set(readings.map((r) => r.strikes));
  const newest = new Map<string, Reading>();
  for (const r of readings) {
    const before = newest.get(r.checkId);
    if (!struck.has(r.id) && (!before || before.takenAt <= r.takenAt)) newest.set(r.checkId, r);
  }
  return current.map((check) => {
    const reading = newest.get(check.id);
    const sheet = reading && sheets.find((s) => s.model === reading.sheet.model);
    if (!reading || !sheet) return check;
    const revision = Math.max(reading.sheet.revision, rejudged[sheet.model] ?? 0);
    if (revision >= sheet.revision) return check;
    return (
      earlier
        .find((s) => s.model === sheet.model && s.revision === revision)
        ?.checks.find((c) => c.id === check.id) ?? check
    );
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

/**
 * What would change if a machine's readings were judged under another revision. Nothing is stored by asking.
 * @param now verdicts as they stand
 * @param sheet the revision to judge under; the machine's other sheets stay as they are
 * @returns checks whose decision changes first, then those that only give other numbers; a check that comes or goes has no decision on one side
 */
export function rejudge(
  machine: Pick<Machine, 'model' | 'header' | 'equipment'>,
  now: readonly CheckVerdict[],
  readings: readonly Reading[],
  sheets: readonly SpecSheet[],
  sheet: SpecSheet,
  facts: MachineFacts,
): Rejudgement[] {
  const others = sheets.filter((s) => s.model !== sheet.model);
  const then = judgeMachine(checksFor(machine, [...others, sheet]), readings, facts);
  const said = (v: CheckVerdict | undefined) =>
    v ? headSentence(v.check, v.places.find((p) => p.decision === v.decision)?.findings ?? []) : '';
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
