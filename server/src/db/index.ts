export * from './connection';
export * from './facts';
export * from './migrations';
export * from './models';
