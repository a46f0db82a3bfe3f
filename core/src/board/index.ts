export * from './ground';
export * from './improve';
export * from './problem';
export * from './bound';
export * from './ready';
export * from './exact';
export * from './sample';
export * from './explain';
