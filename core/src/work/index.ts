export * from './propose';
