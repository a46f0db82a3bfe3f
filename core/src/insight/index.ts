export * from './closed';
export * from './score';
