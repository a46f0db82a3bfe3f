export * from './admit';
export * from './checks';
export * from './order';
