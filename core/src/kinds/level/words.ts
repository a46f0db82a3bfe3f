import type { FindingNumbers, LevelNumbers, Sentences } from '../../findings';

export const LEVEL_SENTENCES = {
  fluidBad: (n) => `${n.product} is ${n.colour}: change it and find out why.`,
  levelLow: (n) => `Low at the ${n.eye}: top up with ${n.product}, and look for the leak.`,
  levelHigh: (n) =>
    `High at the ${n.eye}: draw off, and find out what came in or in which position it was filled.`,
} as const satisfies Partial<Sentences<keyof FindingNumbers>>;

export const insideLevel = ({ eye, colour }: LevelNumbers): string =>
  `Right at the ${eye}${colour ? `, ${colour}` : ''}.`;
