export * from './beside';
export * from './builds';
export * from './diff';
export * from './file';
export * from './judging';
