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
