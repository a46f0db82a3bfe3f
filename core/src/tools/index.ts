export * from './atHand';
