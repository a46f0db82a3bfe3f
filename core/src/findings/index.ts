export * from './finding';
export * from './precedence';
export * from './speech';
export * from './uncertainty';
