import type { DemoMachine } from './machine';
import { SELDOM } from './seldom';
import { USUAL } from './usual';

export type { DemoMachine, Found, Life } from './machine';

/**
 * The yard on the stated day: every decision word present, one late, one false tension, one
 * unequal, one that only "looks fine".
 */
export const DEMO_MACHINES: readonly DemoMachine[] = [...USUAL, ...SELDOM];
