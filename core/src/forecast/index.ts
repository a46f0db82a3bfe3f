export * from './fleet';
export * from './leaveOrRenew';
export * from './posterior';
export * from './season';
