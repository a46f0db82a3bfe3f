export * from './days';
export * from './due';
export * from './ready';
export * from './standing';
export * from './tasks';
export * from './use';
