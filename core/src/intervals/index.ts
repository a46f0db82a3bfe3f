export * from './due';
export * from './inSeason';
export * from './nextTime';
export * from './use';
export * from './words';
