export * from './judge';
export * from './knives';
export * from './precedence';
export * from './tension';
export * from './uncertainty';
export * from './wear';
export * from './words';
