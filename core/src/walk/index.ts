export * from './admit';
export * from './checks';
export * from './leastMoving';
export * from './meter';
export * from './order';
export * from './positions';
export type { MoveCosts } from './roads';
