export * from './enterLimits';
export * from './limitRows';
export * from './limitTable';
export * from './starter';
