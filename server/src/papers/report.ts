import { DECISION_WORDS } from '@green-tally/core/verdict';
import {
  ANSWER_WORDS,
  doWords,
  holdsWords,
  PAST_WORDS,
  WALK_FOR,
} from '@green-tally/core/ownerWords';
import type { OwnerReport, ReportItem } from '@green-tally/core/contracts/report';
import { counted, printNumber } from '@green-tally/core/units';
import type { PAPERS } from './paper';
import { money, PINE, sheetPaper, type Sheet } from './sheet';

/** What is printed with a report. */
interface Printing {
  /** pictures by id; one that is not there is left out */
  readonly photos: ReadonlyMap<string, Uint8Array>;
  readonly size: keyof typeof PAPERS;
}

/** The owner's report on paper: text that can be taken out, strips as lines, photos, page numbers. */
export function reportPaper(report: OwnerReport, { photos, size }: Printing): Promise<Uint8Array> {
  const { serial, model } = report.machine;
  const look = {
    title: `${serial}, ${model}: what was found`,
    foot: `${serial} · ${report.today}`,
  };
  return sheetPaper({ ...look, size, photos }, (on) => {
    head(on, report);
    items(on, report);
    rest(on, report);
  });
}

const day = (moment: string): string => moment.slice(0, 10);

function head(on: Sheet, { machine, branch, today, walk, past, ready, lacks }: OwnerReport): void {
  on.title(`${machine.serial}, ${machine.model}`);
  on.body(
    `${machine.customer}. ${printNumber(machine.hours, 0)} separator hours${machine.header ? `, with ${machine.header}` : ''}.`,
  );
  on.quiet(
    `${branch}, as of ${today}. ${machine.crop.charAt(0).toUpperCase()}${machine.crop.slice(1)}: harvest from ${machine.harvest.start} to ${machine.harvest.end}.`,
  );
  if (walk)
    on.quiet(
      `Walked ${walk.kind ? `${WALK_FOR[walk.kind]}, ` : ''}${day(walk.from)}${walk.to ? '' : ', not finished'}: ${counted(walk.read, 'check')} read by ${walk.people.join(', ')}.`,
    );
  else on.quiet('Not walked this season.');
  on.gap(4);
  if (past) on.name(PAST_WORDS);
  else if (ready)
    on.name('Ready for harvest: all of this season’s walk was read, and nothing is open.', PINE);
  else on.loud(`Not ready yet: ${lacks.join('; ')}.`);
}

/** What an item costs now, and later, in words; both sums, or why not. */
export function costWords({ now, left, ifItGoes, minutes }: ReportItem, currency: string): string {
  const doing =
    now === null
      ? `about ${printNumber(minutes / 60, 1)} hours of work; no price yet`
      : money(now, currency);
  const later =
    left !== null
      ? `left until it goes, ${money(left, currency)} to be expected`
      : ifItGoes !== null
        ? `${money(ifItGoes, currency)} when it goes in harvest`
        : '';
  return `Now: ${doing}.${later ? ` Later: ${later}.` : ''}`;
}

function items(on: Sheet, report: OwnerReport): void {
  on.heading(doWords(report));
  for (const item of report.items) {
    on.room(90);
    on.name(
      `${DECISION_WORDS[item.decision]}: ${item.component}${item.places.length && item.places.length < 4 ? ` (${item.places.join(', ')})` : ''}`,
    );
    on.body(item.said);
    if (item.measured.text)
      on.quiet(
        `${item.measured.text}${item.measured.other ? `, that is ${item.measured.other}` : ''}`,
      );
    if (item.strip) on.strip(item.component, item.strip);
    on.pictureRow(item.component, item.photos);
    if (item.guardsPeople) on.loud('Somebody can be hurt when it fails: it is not left.');
    on.body(`If it is left: ${item.ifLeft}`);
    on.body(costWords(item, report.currency));
    if (item.visit) on.body(`Planned for ${item.visit}.`);
    if (item.owner)
      on.name(
        `${ANSWER_WORDS[item.owner.answer]}, ${item.owner.by}, ${day(item.owner.at)}${item.owner.note ? `: ${item.owner.note}` : ''}`,
        PINE,
      );
    on.gap(8);
  }
}

function rest(on: Sheet, report: OwnerReport): void {
  if (report.watch.length) {
    on.heading('To be watched');
    for (const w of report.watch) {
      on.name(w.component);
      on.body(w.said);
      if (w.strip) on.strip(w.component, w.strip);
      on.pictureRow(w.component, w.photos);
    }
  }
  if (report.renewed.length) {
    on.heading('Renewed');
    for (const r of report.renewed)
      on.body(`${r.component}, ${r.on}, by ${r.by}, at ${printNumber(r.hours, 0)} h`);
  }
  if (report.notLooked.length) {
    on.heading('Not looked at');
    for (const n of report.notLooked) on.body(`${n.component}: ${n.why}`);
  }
  if (report.next.length) {
    on.heading('Due next');
    for (const n of report.next)
      on.body(
        `${n.component}: ${n.what}${n.on ? `, ${n.on}` : ''}${n.atHours !== null ? `, at ${printNumber(n.atHours, 0)} h` : ''}`,
      );
  }
  if (report.holds.length) {
    on.heading(holdsWords(report));
    on.quiet(report.holds.join(' · '));
  }
  on.gap(8);
  on.quiet(
    'What stands here was read on the day it says. The maker’s manual and the spec sheet go before it.',
  );
}
