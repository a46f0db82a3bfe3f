import { z } from 'zod';
import { MeasureCheck } from '../kinds/measure/contract';
import { SeriesCheck } from '../kinds/series/contract';
import { MarkCheck } from '../kinds/mark/contract';
import { FeelCheck } from '../kinds/feel/contract';
import { GoNoGoCheck } from '../kinds/gonogo/contract';
import { CountCheck } from '../kinds/count/contract';
import { ConditionCheck } from '../kinds/condition/contract';
import { LevelCheck } from '../kinds/level/contract';
import { SettingCheck } from '../kinds/setting/contract';
import { ServiceCheck } from '../kinds/service/contract';
import type { TakeUp } from './limits';

export * from './checkBase';
export { Feel } from '../kinds/feel/contract';
export type {
  MeasureCheck,
  SeriesCheck,
  MarkCheck,
  FeelCheck,
  GoNoGoCheck,
  CountCheck,
  ConditionCheck,
  LevelCheck,
  SettingCheck,
  ServiceCheck,
};

/**
 * One check of a sheet, by its kind; each kind's contract is in its room,
 * `kinds/<kind>/contract.ts`.
 */
export const Check = z.discriminatedUnion('kind', [
  MeasureCheck,
  SeriesCheck,
  MarkCheck,
  FeelCheck,
  GoNoGoCheck,
  CountCheck,
  ConditionCheck,
  LevelCheck,
  SettingCheck,
  ServiceCheck,
]);
export type Check = z.infer<typeof Check>;
export type CheckKind = Check['kind'];
export type CheckOf<K extends CheckKind> = Extract<Check, { kind: K }>;
export type MeasuredCheck = CheckOf<'measure' | 'series'>;

/** The adjuster of a check, where it has one. */
export function takeUpOf(check: Check): TakeUp | undefined {
  return 'takeUp' in check ? check.takeUp : undefined;
}
