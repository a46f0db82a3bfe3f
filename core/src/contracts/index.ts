export * from './check';
export * from './common';
export * from './limits';
export * from './machine';
export * from './reading';
export * from './sheet';
export * from './specs';
export * from './work';
