import { createHash, randomBytes, randomUUID } from 'node:crypto';
import type { Person } from '@green-tally/core/contracts';
import type {
  NewReportLink,
  OwnerReport,
  ReportAsked,
  ReportLink,
  SeasonSummary,
} from '@green-tally/core/contracts/report';
import { standingOf, workLines } from '@green-tally/core/plan';
import { asOfWalk, ownerReport, seasonSummary } from '@green-tally/core/report';
import { machineFileOf, MachineRow, ReportLinkRow, type Database } from '../db';
import { Invalid, NotFound } from '../errors';
import { machineToChange } from '../machines/machines';
import { machineToSee } from '../people/sight';
import { type MakePaper } from '../papers/make';
import type { FileStore } from '../photos/store';
import { STAND_IN, type Mailer } from './mail';
import { paperName, printed } from './printed';

/*
 * Reports to owners. What is shared is kept as it stood; its link carries a random secret of which only
 * a hash is stored, opens that report and nothing else, and ends by itself.
 */

/** What reports are made with. */
export interface Reports {
  readonly db: Database;
  readonly store: FileStore;
  readonly today: string;
  readonly now: Date;
  readonly mail?: Mailer | undefined;
  /** makes papers; here unless said */
  readonly make?: MakePaper | undefined;
}

const toLink = (row: ReportLinkRow): ReportLink => ({
  id: row.id,
  machineId: row.machineId,
  madeBy: row.madeBy,
  madeAt: row.madeAt.toISOString(),
  expiresAt: row.expiresAt.toISOString(),
  revokedAt: row.revokedAt?.toISOString() ?? null,
  views: row.views,
  seenAt: row.seenAt?.toISOString() ?? null,
  mailedTo: row.mailedTo,
});

/** What is stored of a link's secret. */
export const hashOf = (secret: string): string =>
  createHash('sha256').update(secret).digest('base64url');

/** The report of a machine as it stands, or stood when a walk ended. @throws NotFound, Forbidden */
export async function reportNow(
  { today }: Pick<Reports, 'today'>,
  { id, walk }: { readonly id: string; readonly walk: string | undefined },
  person: Person,
): Promise<OwnerReport> {
  await machineToSee(id, person);
  if (walk === undefined) return (await standNow(id, today)).report;
  const read = await machineFileOf(id);
  const then = read && asOfWalk(read.file, walk);
  if (!then) throw new NotFound('finished walk of this machine');
  return ownerReport(then.file, then.today, then.walk);
}

/** Machines of the person's branch; an admin's are all. */
const ownOrAll = ({ role, branch }: Person) => (role === 'admin' ? {} : { branch });

/** No customer has more machines on a page. */
const MOST_MACHINES = 200;

/** All machines of a customer in the person's branch, or in all for an admin. @throws NotFound where there is none */
export async function seasonOf(
  { today }: Pick<Reports, 'today'>,
  customer: string,
  person: Person,
): Promise<SeasonSummary> {
  const rows = await MachineRow.findAll({
    where: { customer, ...ownOrAll(person) },
    attributes: ['id'],
    order: [['serial', 'ASC']],
    limit: MOST_MACHINES,
  });
  if (!rows.length) throw new NotFound('customer');
  const reports = [];
  for (const { id } of rows) reports.push({ id, report: (await standNow(id, today)).report });
  return seasonSummary(customer, reports);
}

async function standNow(machineId: string, today: string) {
  const read = await machineFileOf(machineId);
  if (!read) throw new NotFound('machine');
  const { file } = read;
  const lines = workLines(file, standingOf(file, today));
  return {
    report: ownerReport(file, today),
    subjects: Object.fromEntries(lines.map((l) => [l.key, [...l.work.subjects]])),
  };
}

/** Links to reports of a machine. @throws NotFound, Forbidden */
export async function reportLinks(machineId: string, person: Person): Promise<ReportLink[]> {
  await machineToSee(machineId, person);
  const rows = await ReportLinkRow.findAll({
    where: { machineId },
    attributes: { exclude: ['report', 'subjects'] },
    order: [['madeAt', 'DESC']],
    limit: 50,
  });
  return rows.map(toLink);
}

/** What a link is made for, and where pages lie. */
interface Sharing {
  readonly person: Person;
  readonly asked: ReportAsked;
  /** address of this place, as who shares sees it */
  readonly origin: string;
}

/**
 * Keeps the report as it stands and makes its link; where an address is given, mails it.
 * @throws NotFound, Forbidden; Invalid where mail is asked for and there is none
 */
export async function shareReport(
  reports: Reports,
  machineId: string,
  { person, asked, origin }: Sharing,
): Promise<NewReportLink> {
  const { now, today, mail } = reports;
  await machineToChange(machineId, person);
  if (asked.mailTo !== null && !mail)
    throw new Invalid('No mail', 'No mail is set up here. Copy the link instead.', [
      { field: 'mailTo', message: 'nothing here: no mail is set up' },
    ]);
  const { report, subjects } = await standNow(machineId, today);
  const secret = randomBytes(18).toString('base64url');
  const row = await ReportLinkRow.create({
    id: randomUUID(),
    machineId,
    secretHash: hashOf(secret),
    madeBy: person.name,
    madeAt: now,
    expiresAt: new Date(now.getTime() + asked.days * 86_400_000),
    mailedTo: asked.mailTo,
    report,
    subjects,
  });
  const key = `${row.id}~${secret}`;
  if (asked.mailTo !== null && mail)
    await mail({
      to: asked.mailTo,
      subject: `${report.machine.serial}: what was found`,
      text: [
        `${report.machine.customer}: the report on ${report.machine.model} ${report.machine.serial}.`,
        `Read it and answer here until ${row.expiresAt.toISOString().slice(0, 10)}:`,
        `${origin}/r/${key}`,
        '',
        STAND_IN,
      ].join('\n'),
      attached: { name: paperName(report), bytes: await printed(reports, report, 'a4') },
    });
  return { ...toLink(row), key };
}

/** Takes a link back; once more does no harm. @throws NotFound, Forbidden */
export async function revokeReport(
  { now }: Pick<Reports, 'now'>,
  id: string,
  person: Person,
): Promise<ReportLink> {
  const row = await ReportLinkRow.findByPk(id);
  if (!row) throw new NotFound('report');
  await machineToChange(row.machineId, person);
  return toLink(row.revokedAt ? row : await row.update({ revokedAt: now }));
}
