export * from './days';
export * from './standing';
