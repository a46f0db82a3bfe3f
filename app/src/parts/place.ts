/*
 * All about parts in one chunk: what its three places share is loaded by nobody else.
 * Import from here lazily.
 */
export { CatalogueScreen } from './CatalogueScreen';
export { PartsScreen } from './PartsScreen';
export { VanScreen } from './VanScreen';
