export * from './api';
export * from './drafts';
export * from './hooks';
export { local } from './local';
export { dismiss, put, startOutbox, type Sync } from './outbox';
export * from './useAction';
export * from './useTick';
