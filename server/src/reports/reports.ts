import { createHash, randomBytes, randomUUID, timingSafeEqual } from 'node:crypto';
import { Op } from 'sequelize';
import { v5 as uuidv5 } from 'uuid';
import type { Person, Tick } from '@green-tally/core/contracts';
import type {
  NewReportLink,
  OwnerReport,
  ReportAnswer,
  ReportAsked,
  ReportLink,
  SeasonSummary,
  SharedReport,
} from '@green-tally/core/contracts/report';
import { ownerKey, ownerOf, standingOf, workLines } from '@green-tally/core/plan';
import { asOfWalk, ownerReport, seasonSummary } from '@green-tally/core/report';
import {
  lockMachines,
  machineFileOf,
  MachineRow,
  machinesChanged,
  ReportLinkRow,
  TickRow,
  toTick,
  type Database,
} from '../db';
import { Conflict, Invalid, NotFound } from '../errors';
import { machineToChange } from '../machines/machines';
import { machineToSee } from '../people/sight';
import { makePaper, type MakePaper } from '../papers/make';
import { photoShown } from '../photos/photos';
import type { FileStore } from '../photos/store';
import type { PAPERS } from '../papers/paper';
import { STAND_IN, type Mailer } from './mail';

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

const hashOf = (secret: string): string => createHash('sha256').update(secret).digest('base64url');

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

/** @throws NotFound alike for a link that never was, has another secret, ended, or was taken back */
async function opened({ now }: Pick<Reports, 'now'>, key: string): Promise<ReportLinkRow> {
  const [id = '', secret = ''] = key.split('~');
  const row = /^[0-9a-f-]{36}$/.test(id) ? await ReportLinkRow.findByPk(id) : null;
  const wanted = Buffer.from(row?.secretHash ?? hashOf(''));
  const given = Buffer.from(hashOf(secret));
  const right = wanted.length === given.length && timingSafeEqual(wanted, given);
  if (!row || !right || row.revokedAt || row.expiresAt <= now) throw new NotFound('report');
  return row;
}

/** What a link shows, with what was answered since; it is counted. @throws NotFound */
export async function sharedReport(reports: Reports, key: string): Promise<SharedReport> {
  const row = await opened(reports, key);
  await row.increment('views', { silent: true });
  await row.update({ seenAt: reports.now });
  return answered(row);
}

/** A kept report with the owner's last answers laid over it. */
async function answered(row: ReportLinkRow): Promise<SharedReport> {
  const keys = Object.values(row.subjects).flat().map(ownerKey);
  const ticks: readonly Tick[] = keys.length
    ? (await TickRow.findAll({ where: { machineId: row.machineId, key: { [Op.in]: keys } } })).map(
        toTick,
      )
    : [];
  const items = row.report.items.map((item) => {
    const said = ownerOf({ subjects: row.subjects[item.key] ?? [] }, ticks);
    return said
      ? { ...item, owner: { answer: said.answer, note: said.note, by: said.by, at: said.at } }
      : item;
  });
  return { report: { ...row.report, items }, expiresAt: row.expiresAt.toISOString() };
}

/** A report as PDF, with its photos. */
export async function printed(
  { store, make = makePaper }: Pick<Reports, 'store' | 'make'>,
  report: OwnerReport,
  size: keyof typeof PAPERS,
): Promise<Uint8Array> {
  const ids = [...report.items, ...report.watch].flatMap((f) => f.photos);
  const photos = new Map<string, Uint8Array>();
  for (const id of new Set(ids)) {
    // one that was taken away since is left out
    const data = await photoShown(store, { id }, 'full').catch(() => undefined);
    if (data) photos.set(id, data);
  }
  return make({ paper: 'report', report, photos, size });
}

export const paperName = ({ machine, today }: OwnerReport): string =>
  `report-${machine.serial.replaceAll(/[^A-Za-z0-9-]+/g, '-')}-${today}.pdf`;

/** The paper that a link opens. @throws NotFound */
export async function sharedPaper(reports: Reports, key: string, size: keyof typeof PAPERS) {
  const { report } = await answered(await opened(reports, key));
  return { bytes: await printed(reports, report, size), filename: paperName(report) };
}

/** A photo that stands in the report of a link. @throws NotFound for every other */
export async function sharedPhoto(
  reports: Reports,
  key: string,
  { id, size }: { readonly id: string; readonly size: 'full' | 'small' },
): Promise<Uint8Array> {
  const { report } = await opened(reports, key);
  const shown = [...report.items, ...report.watch].some((f) => f.photos.includes(id));
  if (!shown) throw new NotFound('photo');
  return photoShown(reports.store, { id }, size);
}

/** Under which the facts of one answer have their ids. */
const ANSWERS = '6f0b1c52-57a4-4f0e-9d0c-2f6f2f0b9a11';

/**
 * Takes what the owner answers to one item, once however often it is sent: facts of the machine, which
 * its planner sees at once.
 * @throws NotFound; Conflict when the id is of another answer
 */
export async function answerReport(
  reports: Reports,
  key: string,
  { id, key: item, answer, name, note }: ReportAnswer,
): Promise<SharedReport> {
  const { db, now } = reports;
  const row = await opened(reports, key);
  const subjects = row.subjects[item];
  if (!subjects?.length) throw new NotFound('item');
  const ticks = subjects.map((subject) => ({
    id: uuidv5(`${id}|${subject}`, ANSWERS),
    machineId: row.machineId,
    key: ownerKey(subject),
    ...{ done: true, at: now, by: name, note, until: null, answer },
  }));
  await db.transaction(async (transaction) => {
    await lockMachines(db, [row.machineId], transaction);
    const there = await TickRow.findAll({ where: { id: ticks.map((t) => t.id) }, transaction });
    const other = there.some((t) => t.answer !== answer || t.by !== name || t.note !== note);
    if (other)
      throw new Conflict('Something else', 'This was sent before with another answer.', [
        { field: 'id', message: 'wanted an id of its own' },
      ]);
    if (there.length) return;
    // the last answer counts, also where clocks of servers differ
    const last = await TickRow.max<Date | null, TickRow>('at', {
      where: { machineId: row.machineId, key: { [Op.in]: subjects.map(ownerKey) } },
      transaction,
    });
    const at = new Date(Math.max(now.getTime(), (last?.getTime() ?? 0) + 1));
    await TickRow.bulkCreate(
      ticks.map((t) => ({ ...t, at })),
      { transaction },
    );
    await machinesChanged(db, { ids: [row.machineId] }, transaction);
  });
  return answered(row);
}
