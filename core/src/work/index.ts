export * from './mates';
export * from './propose';
