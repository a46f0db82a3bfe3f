export * from './admit';
export * from './changeover';
export * from './checks';
export * from './leastMoving';
export * from './meter';
export * from './order';
export * from './positions';
export * from './whileOpen';
export { roadsOf, type MoveCosts, type Price } from './roads';
