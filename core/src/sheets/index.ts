export * from './diff';
export * from './file';
export * from './judging';
