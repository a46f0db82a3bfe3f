export * from './plan';
export * from './swaps';
export * from './unbalance';
