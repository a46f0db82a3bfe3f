export * from './demand';
