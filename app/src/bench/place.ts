/*
 * The bench in one chunk: its calculators and their drawings are loaded by who opens it.
 * Import from here lazily.
 */
export { BenchListScreen } from './BenchListScreen';
export { BenchScreen } from './BenchScreen';
export { PhotoScreen } from './photo/PhotoScreen';
