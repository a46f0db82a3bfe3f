export * from './age';
export * from './fleet';
export * from './hands';
export * from './leaveOrRenew';
export * from './lives';
export * from './posterior';
export * from './season';
