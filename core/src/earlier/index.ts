export * from './earlier';
export { saidOf } from './said';
