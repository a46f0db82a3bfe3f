/*
 * What wears out where, in one chunk: only who asks loads it. Import from here lazily.
 */
export { ClassScreen } from './ClassScreen';
export { InsightScreen } from './InsightScreen';
export { WalksScreen } from './WalksScreen';
