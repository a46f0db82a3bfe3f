import type { Bench } from './bench';
import { BELT_BENCH } from './belt';
import { CHAIN_BENCH } from './chain';
import { DRIVE_BENCH } from './drive';
import { KNIFE_BENCH } from './knives';
import { HOURS_BENCH, LEAVE_BENCH, SPROCKET_BENCH } from './small';

export * from './bench';
export * from './byPlan';
export * from './knives';
export { BELT_BENCH, CHAIN_BENCH, DRIVE_BENCH, HOURS_BENCH, LEAVE_BENCH, SPROCKET_BENCH };
export { benchTexts } from './fromCheck';
export { photoResults } from './photo';
export { takeUpWork } from './chainTakeUp';

/** Every calculator of the bench that is worked by its fields. */
export const BENCHES: readonly Bench[] = [
  CHAIN_BENCH,
  BELT_BENCH,
  DRIVE_BENCH,
  KNIFE_BENCH,
  LEAVE_BENCH,
  HOURS_BENCH,
  SPROCKET_BENCH,
];
