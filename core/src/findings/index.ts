export * from './finding';
export * from './numbers';
export * from './precedence';
export * from './speech';
export * from './uncertainty';
