/*
 * A walk under way, in one chunk: loaded when a walk is opened, not by who looks at the Yard.
 * Import from here lazily.
 */
export { CheckInWalk } from './CheckInWalk';
export { MakeSafeGate } from './MakeSafeGate';
export { OutsideWalk } from './OutsideWalk';
export { PlanWalk } from './PlanWalk';
export { WalkEnd } from './WalkEnd';
export { WalkOverview } from './WalkOverview';
