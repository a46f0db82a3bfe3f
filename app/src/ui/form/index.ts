export * from './Field';
export * from './formNumber';
export * from './kept';
