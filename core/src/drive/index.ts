export * from './variableDrive';
