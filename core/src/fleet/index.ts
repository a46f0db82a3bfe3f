export * from './lines';
export * from './rates';
