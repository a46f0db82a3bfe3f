export * from './plan';
export * from './unbalance';
