import { STANDARD_CHAINS } from '../sprockets';
import type { BenchField, Given } from './bench';
import { count, millimetres, newtons, percent, plain } from './fields';

const teeth = { low: 5, high: 400 };

/** What is entered of a chain, its sprockets, its adjuster and its slack strand. */
export const CHAIN_FIELDS = {
  pitch: millimetres('Pitch', 'p', '41.4', {
    ...{ low: 5, high: 200, step: 0.1 },
    offers: STANDARD_CHAINS.map((c) => ({
      title: `${c.name} (${c.standard})`,
      text: `${c.pitch}`,
    })),
  }),
  pitches: count('Pitches measured', 'n', '20', { high: 400 }),
  length: millimetres('Length over them', 'L', '', {
    ...{ low: 5, high: 20_000, step: 0.5 },
    hint: 'taut, between the same sides of two pins',
  }),
  uncertainty: millimetres('Read to ±', 'U', '1', { low: 0, high: 20, step: 0.1 }),
  limit: percent('Limit of its sheet', 'limit', '', {
    ...{ low: 0.1, high: 10, step: 0.1 },
    hint: 'empty: the shop rule',
  }),
  large: count('Teeth, larger', 'z₁', '38', teeth),
  small: count('Teeth, smaller', 'z₂', '15', teeth),
  centre: millimetres('Centre distance', 'C', '640', { low: 20, high: 20_000 }),
  loop: count('Pitches in the loop when new', 'N', '94', { low: 5 }),
  out: count('Half links out since', 'm₀', '0', { low: 0, high: 20, rule: true }),
  travel: millimetres('Whole travel', 'A', '45', { high: 2000 }),
  used: millimetres('Travel used', 'a', '', { low: 0, high: 2000 }),
  strands: plain('mm/mm', 'Chain taken in per mm of travel', 'k', '2', {
    ...{ low: 0.1, high: 10, step: 0.1 },
    hint: '2 where a shaft slides square to two strands',
  }),
  reserve: millimetres('Travel to be left', 'reserve', '10', { low: 0, high: 1000 }),
  rate: percent('Grows in 100 h', 'ė', '0.2', { high: 10, step: 0.05 }),
  span: millimetres('Span', 's', '800', { low: 10, high: 20_000, step: 10 }),
  weight: plain('N/m', 'Weight of the chain', 'w', '25', { low: 0.1, high: 2000, step: 0.5 }),
  sag: millimetres('Sag', 'f', '16', { low: 0.1, high: 2000, step: 0.5 }),
  wanted: newtons('Or the tension wanted', 'H', ''),
} satisfies Record<string, BenchField>;

export type ChainField = keyof typeof CHAIN_FIELDS;
export type ChainGiven = Given<ChainField>;
