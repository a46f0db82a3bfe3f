export * from './days';
export * from './standing';
export * from './use';
