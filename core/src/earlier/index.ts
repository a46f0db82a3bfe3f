export * from './earlier';
export * from './overTime';
export { saidOf } from './said';
