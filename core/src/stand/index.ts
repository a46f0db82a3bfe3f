export * from './stand';
