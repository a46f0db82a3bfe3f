import type { ServiceCheck, ValueOf } from '../../contracts';
import type { Finding, ServiceNumbers } from '../../findings';
import { dueInSeason, lastDoneOf } from '../../intervals';
import { NOT_MEASURED, shown, type MachineFacts, type Seen, type Shown } from '../kind';

/** A service done: enough, not too much, of the right product, and when it falls due again. */
export function judgeService(check: ServiceCheck, seen: Seen, facts: MachineFacts): Shown {
  const { value } = seen.main;
  if (value.kind !== 'service') return shown([NOT_MEASURED]);
  const numbers = serviceNumbers(check, value);
  const findings = [...doneFindings(check, numbers), ...dueFindings(check, seen, facts)];
  return shown(
    findings.length ? findings : [{ id: 'inside', numbers: { shows: 'service', ...numbers } }],
  );
}

function serviceNumbers(check: ServiceCheck, value: ValueOf<'service'>): ServiceNumbers {
  const wanted = check.amount ?? 0;
  return {
    amount: value.amount ?? wanted,
    wanted,
    most: check.most ?? 0,
    asks: check.asks,
    product: check.product,
    used: value.product,
  };
}

function doneFindings(check: ServiceCheck, numbers: ServiceNumbers): Finding[] {
  const { amount, used } = numbers;
  const findings: Finding[] = [];
  if (used && used.toLowerCase() !== check.product.toLowerCase())
    findings.push({ id: 'otherProduct', numbers });
  if (check.most !== undefined && amount > check.most) findings.push({ id: 'tooMuch', numbers });
  if (check.amount !== undefined && amount < check.amount)
    findings.push({ id: 'tooLittle', numbers });
  return findings;
}

function dueFindings(
  check: ServiceCheck,
  { main, now, renewedAt }: Seen,
  facts: MachineFacts,
): Finding[] {
  const { interval, asks, product } = check;
  if (interval.kind !== 'every') return [];
  const due = dueInSeason(interval, lastDoneOf(main, renewedAt), {
    hours: now,
    seasonHours: facts.seasonHours,
    today: facts.today,
    seasonEnd: facts.use?.seasonEnd,
  });
  if (!due) return [];
  const { over, ...when } = due;
  const numbers = { asks, product, wanted: check.amount ?? 0, doneHours: main.hours, ...when };
  return [{ id: over ? 'serviceDue' : 'serviceInSeason', numbers }];
}
