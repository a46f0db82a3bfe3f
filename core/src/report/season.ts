import { DECISION_WORDS } from '../verdict';
import type { OwnerReport, SeasonMachine, SeasonSummary } from '../contracts/report';

/** So many pieces of work are named for a machine. */
const NAMED = 3;

/**
 * All machines of a customer in a page: which are ready, what is open, what it costs now and what when it
 * goes in harvest.
 * @param reports each with its machine's id, at least one
 */
export function seasonSummary(
  customer: string,
  reports: readonly { readonly id: string; readonly report: OwnerReport }[],
): SeasonSummary {
  const [first] = reports;
  return {
    customer,
    branch: first?.report.branch ?? '',
    today: first?.report.today ?? '',
    currency: reports.find((r) => r.report.currency)?.report.currency ?? '',
    machines: reports
      .map(({ id, report }) => machineOf(id, report))
      .sort((a, b) => a.harvest.localeCompare(b.harvest) || a.serial.localeCompare(b.serial)),
  };
}

function machineOf(id: string, report: OwnerReport): SeasonMachine {
  const { machine, items, walk } = report;
  const sum = (of: (item: OwnerReport['items'][number]) => number | null) =>
    items.reduce((all, item) => all + (of(item) ?? 0), 0);
  return {
    id,
    ...{ serial: machine.serial, model: machine.model, hours: machine.hours, crop: machine.crop },
    harvest: machine.harvest.start,
    walked: walk?.from.slice(0, 10) ?? null,
    ready: report.ready,
    lacks: report.lacks,
    items: items.length,
    loudest: items.slice(0, NAMED).map((i) => `${DECISION_WORDS[i.decision]}: ${i.component}`),
    now: sum((i) => i.now),
    unpriced: items.filter((i) => i.now === null).length,
    ifItGoes: sum((i) => i.ifItGoes),
    renewed: report.renewed.length,
    notLooked: report.notLooked.length,
  };
}

/** What a summary's money comes to. */
export const seasonSums = ({ machines }: SeasonSummary) => ({
  ready: machines.filter((m) => m.ready).length,
  now: machines.reduce((sum, m) => sum + m.now, 0),
  unpriced: machines.reduce((sum, m) => sum + m.unpriced, 0),
  ifItGoes: machines.reduce((sum, m) => sum + m.ifItGoes, 0),
});
