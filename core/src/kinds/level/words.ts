import type { FindingNumbers, LevelNumbers, Sentences } from '../../findings';
import { printNumber } from '../../units';

export const LEVEL_SENTENCES = {
  fluidBad: (n) => `${n.product} is ${n.colour}: change it and find out why.`,
  otherFluid: (n) =>
    `${n.used} is in it, ${n.product} belongs there: drain it, fill it anew, run it, and read it again.`,
  levelLow: (n) => `Low at the ${n.eye}: top up with ${n.product}, and look for the leak.`,
  levelHigh: (n) =>
    `High at the ${n.eye}: draw off, and find out what came in or in which position it was filled.`,
} as const satisfies Partial<Sentences<keyof FindingNumbers>>;

export const insideLevel = ({ eye, colour, toppedUp }: LevelNumbers): string =>
  `Right at the ${eye}${colour ? `, ${colour}` : ''}${toppedUp ? `, ${printNumber(toppedUp, 1)} l added` : ''}.`;
