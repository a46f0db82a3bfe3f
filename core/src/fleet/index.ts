export * from './hands';
export * from './lines';
export * from './rates';
export * from './parts';
