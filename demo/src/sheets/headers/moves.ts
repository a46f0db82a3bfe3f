import type { SheetInput } from '../build';
import { DOWN, RAISED, SIDE, LEVELLED } from './positions';

export function moves(): NonNullable<SheetInput['moves']> {
  return {
    usual: 2,
    table: [
      { from: DOWN, to: RAISED, minutes: 6 },
      { from: RAISED, to: DOWN, minutes: 6 },
      { from: SIDE, to: RAISED, minutes: 6 },
      { from: RAISED, to: SIDE, minutes: 6 },
      { from: DOWN, to: LEVELLED, minutes: 12 },
      { from: LEVELLED, to: DOWN, minutes: 12 },
    ],
  };
}
