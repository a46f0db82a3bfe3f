/*
 * Photos that were never taken: the strip and a chain or a belt beside it, drawn as a phone would see
 * them, with every true place known. For the calibration of what is measured in photos, and for tests.
 */

export { lookBy, type Look, type Photographed, type Scene } from './scene';
export { photograph } from './photograph';
