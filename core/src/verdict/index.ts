export * from './ifLeft';
export * from './judge';
export * from './words';
export * from './worst';
