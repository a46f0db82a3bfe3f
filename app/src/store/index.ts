export * from './api';
export * from './hooks';
export { dismiss, flush, put, startOutbox } from './outbox';
export { local } from './local';
