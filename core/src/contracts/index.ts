export * from './check';
export * from './common';
export * from './machine';
export * from './reading';
export * from './work';
