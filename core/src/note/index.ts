export * from './detect';
export * from './pluck';
export * from './listening';
