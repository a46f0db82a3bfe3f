export * from './ifLeft';
export * from './judge';
export * from './words';
export * from './worst';
export * from './earlier';
export { saidOf } from './said';
