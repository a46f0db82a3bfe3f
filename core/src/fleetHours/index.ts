export * from './judge';
