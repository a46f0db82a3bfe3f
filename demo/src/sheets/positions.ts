import type { CheckInput, SheetInput } from './build';
import * as combine from './combine/positions';
import * as header from './headers/positions';

type Facts = NonNullable<SheetInput['positions']>[number]['facts'];

/** What each position of the books is, fact by fact. */
const FACTS: Readonly<Record<string, Facts>> = {
  [combine.DOWN]: { header: 'working', run: 'stopped' },
  [combine.LEVEL]: { feeder: 'level', drum: 'low', run: 'stopped' },
  [combine.FEEDER_UP]: { feeder: 'raised', header: 'raised', run: 'stopped' },
  [combine.LOWERED]: { feeder: 'lowered', header: 'ground', run: 'stopped' },
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
  [combine.WARM]: { engine: 'warm', run: 'stopped' },
  [combine.RUNNING]: { run: 'running' },
  [combine.RUN_SLOW]: { drive: 'slowest', run: 'running' },
  [combine.TUBE]: { tube: 'in', run: 'stopped' },
  [combine.DRAWN_IN]: {
    tube: 'in',
    feeder: 'lowered',
    header: 'ground',
    engine: 'rested',
    run: 'stopped',
  },
  [combine.UNDERNEATH]: { feeder: 'raised', header: 'raised', run: 'stopped' },
  [combine.ANY]: { header: 'ground', run: 'stopped' },
  [header.RAISED]: { header: 'raised', feeder: 'raised', run: 'stopped' },
  [header.SIDE]: { header: 'working', run: 'turnedByHand' },
  [header.LEVELLED]: { header: 'stands', engine: 'cold', run: 'stopped' },
  [header.ON_GROUND]: { header: 'ground', run: 'stopped' },
  [header.REEL_DOWN]: { header: 'raised', feeder: 'raised', reel: 'down', run: 'stopped' },
  [header.REEL_UP]: { header: 'raised', feeder: 'raised', reel: 'raised', run: 'stopped' },
  [header.HEADER_RUNNING]: { header: 'working', run: 'running' },
  [header.HEADER_WARM]: { header: 'working', engine: 'warm', run: 'stopped' },
};

/** The positions that the checks of a sheet name, in the order they come up. */
export const positionsOf = (checks: readonly CheckInput[]): NonNullable<SheetInput['positions']> =>
  [...new Set(checks.map((c) => c.position))].map((name) => ({ name, facts: FACTS[name] ?? {} }));
