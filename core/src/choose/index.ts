export * from './candidates';
export * from './fitTime';
export * from './fitWalk';
