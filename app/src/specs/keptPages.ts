import { PageContent, SheetPage } from '@green-tally/core/contracts';
import { z } from 'zod';
import { local, pathOf, request } from '../store';

/** Most that is kept of the book on one device: what a phone can spare. */
const MOST_KEPT_BYTES = 60_000_000;

const Pages = z.object({ pages: z.array(SheetPage) });
const pathOfPage = (id: string): string => pathOf('GET /pages/{id}', { params: { id } });

/** A page with what it shows: as it was kept here, since a page never changes; else asked for. */
export async function pageShown(id: string): Promise<z.infer<typeof PageContent>> {
  const path = pathOfPage(id);
  const kept = await local.kept.get(path);
  if (kept) return PageContent.parse(kept.answer);
  const answer = PageContent.parse(await request('GET', path));
  await local.kept.put({ path, answer, at: new Date().toISOString() });
  return answer;
}

/**
 * Keeps the pages of some models for a walk without signal, one after the other, as far as there is
 * room; pages that were taken out of their sheet are dropped.
 * @returns how many are kept, of how many
 */
export async function keepPages(
  models: readonly string[],
): Promise<{ readonly kept: number; readonly all: number }> {
  const pages: SheetPage[] = [];
  for (const model of models) {
    const path = pathOf('GET /specs/{model}/pages', { params: { model } });
    const answer = Pages.parse(await request('GET', path));
    await local.kept.put({ path, answer, at: new Date().toISOString() });
    await dropOthers(model, answer.pages);
    pages.push(...answer.pages);
  }
  let room = MOST_KEPT_BYTES;
  let kept = 0;
  for (const { id, bytes } of pages) {
    if (bytes > room) continue;
    await pageShown(id);
    room -= bytes;
    kept += 1;
  }
  return { kept, all: pages.length };
}

/** Forgets what is kept of a model and is no longer among its pages. */
async function dropOthers(model: string, pages: readonly SheetPage[]): Promise<void> {
  const there = new Set(pages.map((p) => pathOfPage(p.id)));
  await local.kept
    .where('path')
    .startsWith(pathOfPage(''))
    .filter(({ path, answer }) => !there.has(path) && modelOf(answer) === model)
    .delete();
}

const modelOf = (answer: unknown): string | undefined =>
  SheetPage.pick({ model: true }).safeParse(answer).data?.model;
