export * from './posterior';
export * from './season';
