export * from './detect';
export * from './pluck';
