export * from './atHand';
export * from './photo';
