import type { OwnerAnswer, WalkKind } from '../contracts';

/** What the owner may say, as it is offered. */
export const ANSWER_WORDS: Readonly<Record<OwnerAnswer, string>> = {
  yes: 'Yes, do it',
  notNow: 'Not now',
  callMe: 'Call me',
};

/** What a walk was for, as a report says it. */
export const WALK_FOR: Readonly<Record<WalkKind, string>> = {
  beforeHarvest: 'before harvest',
  afterHarvest: 'after harvest',
  winter: 'in winter',
  storageIn: 'going into storage',
  storageOut: 'coming out of storage',
  daily: 'daily look',
  changeover: 'at a changeover',
  recheck: 'looking again',
  symptom: 'for something noticed',
};

/** Said of a report of the past. */
export const PAST_WORDS =
  'It tells what was found then. It says nothing of how the machine stands now, nor whether it is ready.';

/** What stands over the things to do. */
export function doWords({
  past,
  items,
}: {
  readonly past: boolean;
  readonly items: readonly unknown[];
}): string {
  if (past) return items.length ? 'What was to do then' : 'Nothing was to do then';
  return items.length ? 'What to do' : 'Nothing to do';
}

/** What stands over what was sound. */
export const holdsWords = ({
  past,
  holds,
}: {
  readonly past: boolean;
  readonly holds: readonly string[];
}): string => `${past ? 'Held then' : 'Holds'}: ${holds.length}`;
