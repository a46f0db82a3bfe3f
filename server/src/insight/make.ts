import type {
  ClassPage,
  InsightOf,
  InsightPage,
  InsightTable,
  WalkFound,
  WalksPage,
} from '@green-tally/core/contracts/insight';
import {
  classPage,
  insightPage,
  walksOf,
  type Asked,
  type InsightMember,
} from '@green-tally/core/insight';
import { insightCsv } from './tables';

/** What is to be made of what machines have taught. */
export type InsightTask =
  | { readonly make: 'page'; readonly asked: Asked }
  | { readonly make: 'class'; readonly of: InsightOf; readonly key: string }
  | { readonly make: 'walks'; readonly of: InsightOf; readonly kind: WalkFound['kind'] }
  | ({ readonly make: 'table'; readonly what: InsightTable } & Pick<Asked, 'of'> & {
        readonly key: string | undefined;
        readonly kind: WalkFound['kind'];
      });

/** What comes of each. */
export interface InsightMade {
  readonly page: InsightPage;
  /** undefined where no machine knows the class */
  readonly class: ClassPage | undefined;
  readonly walks: WalksPage;
  readonly table: string;
}

/** Makes it, here or wherever else; hundreds of machines take a second or more. */
export type MakeInsight = <K extends InsightTask['make']>(
  task: Extract<InsightTask, { make: K }>,
  members: readonly string[],
) => Promise<InsightMade[K]>;

const LISTED = 200;

/**
 * Makes what is asked for of what machines have taught.
 * @param taught a machine each, as JSON, as the database gives it
 */
export function makeInsight(task: InsightTask, taught: readonly string[]): unknown {
  const members = taught.map((text) => JSON.parse(text) as InsightMember);
  switch (task.make) {
    case 'page':
      return insightPage(members, task.asked);
    case 'class':
      return classPage(members, task.of, task.key);
    case 'walks': {
      const { of, kind } = task;
      const walks = walksOf(members, kind);
      const more = Math.max(0, walks.length - LISTED);
      return { of, kind, walks: walks.slice(0, LISTED), more } satisfies WalksPage;
    }
    case 'table':
      return insightCsv(members, task);
  }
}

/** Makes it here. */
export const makeHere: MakeInsight = async (task, members) => makeInsight(task, members) as never;
