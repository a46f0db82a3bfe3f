import { VisitPage, type Visit } from '@green-tally/core/contracts';
import { local, type NotedVisit, type Outgoing } from './local';

/** A visit with what was said of it. */
export const withNote = (
  visit: Visit,
  { startedAt, stoppedAt, finishedAt }: NotedVisit,
): Visit => ({
  ...visit,
  ...(startedAt === undefined ? {} : { startedAt }),
  ...(stoppedAt === undefined ? {} : { stoppedAt }),
  ...(finishedAt === undefined ? {} : { finishedAt }),
});

/** What was said of visits among entries, in their order. */
export const notesAmong = (entries: readonly Outgoing[]): NotedVisit[] =>
  entries.flatMap((o) => (o.kind === 'visitNote' && o.state === 'waiting' ? [o.body] : []));

/** A page of visits as what was said leaves them. */
export const pageWithNotes = (page: VisitPage, notes: readonly NotedVisit[]): VisitPage => ({
  ...page,
  visits: page.visits.map((line) => ({
    ...line,
    visit: notes
      .filter((n) => n.visitId === line.visit.id)
      .reduce((visit, note) => withNote(visit, note), line.visit),
  })),
});

/** Lays what was said and sent into the lists of visits kept here. In a transaction. */
export async function layIntoLists(notes: readonly NotedVisit[]): Promise<void> {
  if (!notes.length) return;
  await local.kept
    .where('path')
    .startsWith('/visits')
    .modify((kept, ref) => {
      const page = VisitPage.safeParse(kept.answer);
      if (page.success) ref.value = { ...kept, answer: pageWithNotes(page.data, notes) };
    });
}
