export * from './admit';
export * from './checks';
export * from './leastMoving';
export * from './order';
export * from './positions';
