export * from './inputError';
export * from './parse';
export * from './print';
export * from './table';
