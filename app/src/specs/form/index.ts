export * from './field';
export * from './fields';
export * from './print';
export * from './schema';
export * from './shape';
export * from './useTypedCheck';
