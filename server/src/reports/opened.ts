import { timingSafeEqual } from 'node:crypto';
import { Op } from 'sequelize';
import { v5 as uuidv5 } from 'uuid';
import type { Tick } from '@green-tally/core/contracts';
import type { ReportAnswer, SharedReport } from '@green-tally/core/contracts/report';
import { ownerKey, ownerOf } from '@green-tally/core/plan';
import { lockMachines, machinesChanged, ReportLinkRow, TickRow, toTick } from '../db';
import { Conflict, NotFound } from '../errors';
import { photoShown } from '../photos/photos';
import type { PAPERS } from '../papers/paper';
import { paperName, printed } from './printed';
import { hashOf, type Reports } from './reports';

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
