export * from './mates';
export * from './parts';
export * from './propose';
