import { seasonSums } from '@green-tally/core/report';
import type { SeasonSummary } from '@green-tally/core/contracts/report';
import { printNumber } from '@green-tally/core/units';
import { PAPERS } from './paper';
import { money, sheetPaper } from './sheet';

/** A customer's season on paper: a machine a paragraph, and the sums of all. */
export function seasonPaper(
  summary: SeasonSummary,
  size: keyof typeof PAPERS,
): Promise<Uint8Array> {
  const { customer, branch, today, currency, machines } = summary;
  const { ready, now, unpriced, ifItGoes } = seasonSums(summary);
  return sheetPaper(
    { title: `${customer}: the season`, size, foot: `${customer} · ${today}` },
    (on) => {
      on.title(customer);
      on.quiet(`${branch}, as of ${today}.`);
      on.name(`${ready} of ${machines.length} machines ready for harvest`);
      on.body(
        `Open work costs ${money(now, currency)} now${unpriced ? `, and ${unpriced} more without a price yet` : ''}; ${money(ifItGoes, currency)} if all of it went in harvest.`,
      );
      for (const m of machines) {
        on.gap(8);
        on.name(`${m.serial}, ${m.model}: ${m.ready ? 'ready' : 'not ready yet'}`);
        on.quiet(
          `${printNumber(m.hours, 0)} h. ${m.crop} from ${m.harvest}. ${m.walked ? `Walked ${m.walked}` : 'Not walked this season'}${m.notLooked ? `, ${m.notLooked} not looked at` : ''}${m.renewed ? `, ${m.renewed} renewed` : ''}.`,
        );
        if (m.lacks.length) on.body(`It lacks: ${m.lacks.join('; ')}.`);
        if (m.items)
          on.body(
            `${m.loudest.join('; ')}${m.items > m.loudest.length ? ` and ${m.items - m.loudest.length} more` : ''}. Now ${money(m.now, currency)}${m.unpriced ? ` and ${m.unpriced} without a price` : ''}, ${money(m.ifItGoes, currency)} if they go in harvest.`,
          );
      }
    },
  );
}
