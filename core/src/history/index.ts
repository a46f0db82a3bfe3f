export * from './byTwo';
export * from './header';
export * from './history';
export * from './life';
export * from './newest';
export * from './rounds';
export * from './struck';
