export * from './compare';
export * from './elongation';
export * from './takeUp';
