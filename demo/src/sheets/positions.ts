import type { CheckInput, SheetInput } from './build';
import * as combine from './combine/positions';
import * as header from './headers/positions';

type Facts = NonNullable<SheetInput['positions']>[number]['facts'];

/** What each position of the books is, fact by fact. */
const FACTS: Readonly<Record<string, Facts>> = {
  [combine.DOWN]: { header: 'working', run: 'stopped' },
  [combine.LEVEL]: { feeder: 'level', drum: 'low', run: 'stopped' },
  [combine.FEEDER_UP]: { feeder: 'raised', header: 'raised', run: 'stopped' },
  [combine.SHIELDS]: { shields: 'open', run: 'turnedByHand' },
  [combine.FAN]: { shields: 'open', run: 'turnedByHand' },
  [combine.BOOT]: { run: 'turnedByHand' },
  [combine.HOOD]: { run: 'turnedByHand' },
  [combine.CRANKS]: { run: 'turnedByHand' },
  [combine.THRESHING]: { run: 'turnedByHand' },
  [combine.SIEVES]: { run: 'stopped' },
  [combine.ZERO]: { run: 'stopped' },
  [combine.SLOW]: { drive: 'slowest', run: 'stopped' },
  [combine.FAST]: { drive: 'fastest', run: 'stopped' },
  [combine.FAR]: { drive: 'farSheaveClosed', run: 'stopped' },
  [combine.ROTOR_SLOW]: { rotor: 'slowest', run: 'stopped' },
  [combine.COLD]: { engine: 'rested', run: 'stopped' },
  [combine.TUBE]: { tube: 'in', run: 'stopped' },
  [combine.ANY]: { header: 'ground', run: 'stopped' },
  [header.RAISED]: { header: 'raised', feeder: 'raised', run: 'stopped' },
  [header.SIDE]: { header: 'working', run: 'turnedByHand' },
  [header.LEVELLED]: { header: 'stands', engine: 'cold', run: 'stopped' },
};

/** The positions that the checks of a sheet name, in the order they come up. */
export const positionsOf = (checks: readonly CheckInput[]): NonNullable<SheetInput['positions']> =>
  [...new Set(checks.map((c) => c.position))].map((name) => ({ name, facts: FACTS[name] ?? {} }));
