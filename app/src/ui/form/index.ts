export * from './Field';
export * from './formNumber';
