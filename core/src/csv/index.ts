export * from './values';
