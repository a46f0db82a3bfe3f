export * from './cardItems';
export * from './candidates';
export * from './fitTime';
export * from './fitWalk';
