export * from './loop';
export * from './sag';
export * from './sprocket';
export * from './standardPitches';
