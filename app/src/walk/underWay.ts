/*
 * A walk under way, in one chunk: loaded when a walk is opened, not by who looks at the Yard.
 * Import from here lazily.
 */
export { CheckAndNext } from './CheckAndNext';
export { MakeSafeGate } from './MakeSafeGate';
export { OutsideWalk } from './OutsideWalk';
export { PlanWalk } from './PlanWalk';
export { WalkEnd } from './WalkEnd';
export { WalkOverview } from './WalkOverview';
// they share the walk's plan and its camera: apart, those would be loaded by everybody at start
// practice is the walk's own entries and verdicts on a machine of nobody's
export { PracticeScreen } from '../practice/PracticeScreen';
export { CardScreen } from '../card/CardScreen';
export { SaidCards } from '../card/SaidCards';
export { PhotoStrip } from './photos/PhotoStrip';
export { takePhoto } from './photos/takePhoto';
