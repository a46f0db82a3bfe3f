import type { Check, Reading, ReadingKind } from '../contracts';
import type { Finding } from '../findings';
import { newestOf, takenByTwo } from '../history';
import { kindOf } from '../kinds';

/** What is wrong with the readings themselves, whatever they say. */
export function aboutReadings(
  check: Check,
  readings: readonly Reading[],
  main: Reading | undefined,
): readonly Finding[] {
  const findings: Finding[] = [];
  if (readings.some((r) => !r.positionConfirmed))
    findings.push({ id: 'positionNotConfirmed', numbers: { position: check.position } });
  findings.push(...lookedAt(readings, main), ...cannotBe(check, readings));
  findings.push(...twoSay(readings));
  const left = readings.some((r) => r.state === 'asLeft');
  if (check.runsToSettle && left && !readings.some((r) => r.settled))
    findings.push({ id: 'notSettled', numbers: {} });
  return findings;
}

/**
 * Two people's marks, feels and looks of one place are not pooled like repeats of a measure: which
 * of them is right, one of them says.
 */
function twoSay(readings: readonly Reading[]): readonly Finding[] {
  const taken = takenByTwo(readings);
  if (!taken?.differ || taken.takes.every((r) => POOLED.has(r.value.kind))) return [];
  const [one, other] = taken.takes;
  return one && other ? [{ id: 'twoSay', numbers: { by: one.by, other: other.by } }] : [];
}

/** Repeats of a measure are judged by their spread; work done twice was done. */
const POOLED: ReadonlySet<ReadingKind> = new Set(['measure', 'service']);

/** What cannot well be was kept with a word of why: it proves nothing. */
function cannotBe(check: Check, readings: readonly Reading[]): readonly Finding[] {
  const kind = kindOf(check);
  for (const r of readings) {
    const numbers = kind.implausible?.(check, r.value);
    if (numbers) return [{ id: 'implausible', numbers }];
  }
  return [];
}

/** A look may damn, it never passes; without a reading there is a reason, or none. */
function lookedAt(readings: readonly Reading[], main: Reading | undefined): readonly Finding[] {
  const look = newestOf(readings, 'look')?.value;
  const skip = main ? undefined : newestOf(readings, 'skip')?.value;
  const fitted = main || skip ? undefined : newestOf(readings, 'renewal');
  const findings: Finding[] = [];
  if (look?.seen === 'damaged') findings.push({ id: 'damaged', numbers: { found: look.found } });
  else if (look && !main) findings.push({ id: 'looksFineOnly', numbers: {} });
  if (skip) findings.push({ id: 'skipped', numbers: { why: skip.why } });
  else if (fitted)
    findings.push({
      id: 'fittedUnread',
      numbers: { atHours: fitted.hours, fittedBy: fitted.value.fittedBy },
    });
  else if (!main && !look)
    findings.push({
      id: 'notMeasured',
      numbers: { travelOnly: newestOf(readings, 'travel') !== undefined },
    });
  return findings;
}
