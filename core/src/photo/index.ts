export { STRIP, STRIP_LENGTH, isDark, type Point } from './strip';
export { byteOf, greyOf, type Grey } from './image';
export { scaleAt, toMm, toPx, type Plane } from './plane';
export { snap, type Mark, type Snapped } from './snap';
export * from './measure';
export * from './look';
