export * from './columns';
export * from './lists';
export * from './readme';
