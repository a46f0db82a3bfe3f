/*
 * Reports, labels and their scanner in one chunk: loaded by who opens one.
 * Import from here lazily.
 */
export { ReportScreen } from './ReportScreen';
export { SeasonScreen } from './SeasonScreen';
export { SharedScreen } from './SharedScreen';
export { ScanScreen } from '../scan/ScanScreen';
