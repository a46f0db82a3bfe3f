export * from './elongation';
export * from './takeUp';
