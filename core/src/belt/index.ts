export * from './geometry';
export * from './tension';
