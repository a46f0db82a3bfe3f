export * from './compare';
export * from './elongation';
export * from './loop';
export * from './sag';
export * from './sprocket';
export * from './standardPitches';
export * from './takeUp';
