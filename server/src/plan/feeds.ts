import { randomUUID } from 'node:crypto';
import type { Readable } from 'node:stream';
import { formatISO } from 'date-fns/formatISO';
import { parseISO } from 'date-fns/parseISO';
import { subDays } from 'date-fns/subDays';
import type { CalendarFeed, Person } from '@green-tally/core/contracts';
import { inBranch, mayDo } from '@green-tally/core/rights';
import { FeedRow, PersonRow } from '../db';
import { Forbidden, invalidField, NotFound } from '../errors';
import { idOfLink, linkKey } from '../links/links';
import { planFile } from './calendar';

/** Visits that ended so many days ago are still in a calendar. */
const LATELY = 60;
const OPENS = 'feed';

interface Known {
  readonly person: Person;
  readonly secret: string;
}

const toFeed = (row: FeedRow, name: string, secret: string): CalendarFeed => ({
  id: row.id,
  personId: row.personId,
  name,
  key: linkKey(OPENS, row.id, secret),
  madeBy: row.madeBy,
  madeAt: row.madeAt.toISOString(),
  revokedAt: row.revokedAt?.toISOString() ?? null,
});

/** Whose calendars one may hand out: one's own, and a planner those of the branch. */
function refuse({ person }: Known, of: PersonRow): void {
  const own = person.id === of.id;
  if (!own && !(mayDo(person.role, 'planVisits') && inBranch(person, of.branch)))
    throw new Forbidden('Not yours to do', `Only ${of.name} or a planner hands out this calendar.`);
}

/** Links that one may hand out, newest first. */
export async function listFeeds({ person, secret }: Known): Promise<CalendarFeed[]> {
  const planner = mayDo(person.role, 'planVisits');
  const people = await PersonRow.findAll({
    where: planner ? (person.role === 'admin' ? {} : { branch: person.branch }) : { id: person.id },
  });
  const names = new Map(people.map((p) => [p.id, p.name]));
  const rows = await FeedRow.findAll({
    where: { personId: [...names.keys()] },
    order: [['madeAt', 'DESC']],
  });
  return rows.map((row) => toFeed(row, names.get(row.personId) ?? '', secret));
}

/** Makes a link of a technician's calendar. @throws Invalid for nobody; Forbidden */
export async function makeFeed(known: Known, personId: string, now: Date): Promise<CalendarFeed> {
  const of = await PersonRow.findByPk(personId);
  if (!of || of.suspendedAt || of.role !== 'technician')
    throw invalidField('personId', 'There is no such technician.', 'a technician of this place');
  refuse(known, of);
  const row = await FeedRow.create({
    id: randomUUID(),
    personId,
    madeBy: known.person.name,
    madeAt: now,
  });
  return toFeed(row, of.name, known.secret);
}

/** Takes a link back; once more does no harm. @throws NotFound, Forbidden */
export async function revokeFeed(known: Known, id: string, now: Date): Promise<CalendarFeed> {
  const row = await FeedRow.findByPk(id);
  const of = row && (await PersonRow.findByPk(row.personId));
  if (!row || !of) throw new NotFound('calendar');
  refuse(known, of);
  return toFeed(row.revokedAt ? row : await row.update({ revokedAt: now }), of.name, known.secret);
}

/**
 * The calendar that a link opens.
 * @throws NotFound alike for one that never was, is signed by another, or was taken back
 */
export async function feedFile(key: string, secret: string, now: Date): Promise<Readable> {
  const id = idOfLink(OPENS, key, secret);
  const row = id ? await FeedRow.findByPk(id) : null;
  const of = row && !row.revokedAt ? await PersonRow.findByPk(row.personId) : null;
  if (!of) throw new NotFound('calendar');
  const day = formatISO(now, { representation: 'date' });
  const from = formatISO(subDays(parseISO(day), LATELY), { representation: 'date' });
  return planFile({ technician: of.id, from, of: of.name }, now);
}
