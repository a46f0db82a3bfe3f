export * from './ground';
export * from './improve';
export * from './problem';
export * from './bound';
export * from './ready';
