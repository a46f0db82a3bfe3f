export * from './accept';
export * from './edit';
export * from './jobTimes';
export * from './mates';
export * from './parts';
export * from './propose';
export * from './sums';
export * from './worked';
