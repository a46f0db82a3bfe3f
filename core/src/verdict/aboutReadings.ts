import type { Check, Reading } from '../contracts';
import type { Finding } from '../findings';
import { newestOf } from '../history';
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
  const left = readings.some((r) => r.state === 'asLeft');
  if (check.runsToSettle && left && !readings.some((r) => r.settled))
    findings.push({ id: 'notSettled', numbers: {} });
  return findings;
}

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
