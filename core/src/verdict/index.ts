export * from './ifLeft';
export { judgeCheck, type CheckVerdict, type Judged, type PlaceVerdict } from './judge';
export * from './machine';
export * from './words';
export * from './worst';
