/*
 * What planners look at, in one chunk: the board's contracts and its engine are loaded once, and only
 * by who needs them. Import from here lazily.
 */
export { CrewScreen } from '../crew/CrewScreen';
export { ForecastScreen } from '../insight/ForecastScreen';
export { DeskPlace } from './DeskPlace';
export { PrintScreen } from './PrintScreen';
