import { positionsOf } from '../positions';
import { sharingClasses, SheetWriter, type SheetInput } from '../build';
import { schoolsOf, type Follows } from '../schools';
import { anyHeader } from './anyHeader';
import { cutting } from './cutting';
import { drapers } from './drapers';
import { moves } from './moves';
import { ON_GROUND, REMARK } from './positions';

const FOLLOWS: Follows = { 'belt-judged': 'gauge', 'gear-oil': 'hours', clutch: 'one' };

/** Draper header Merle 10: every oil of it is read with the header on the ground. */
export function draper(): SheetInput {
  const w = new SheetWriter({ on: 'header', book: 'Larkmoor spec book 5', inch: false });
  anyHeader(w, {
    follows: FOLLOWS,
    mainOil: { position: ON_GROUND, eye: 'front plug of three; it is the level' },
    endOil: { position: ON_GROUND, eye: 'sight glass' },
    clutch: { one: { amount: 1, most: 2 }, many: { amount: 4, most: 6 } },
  });
  cutting(w, { sections: 124, knifeDrive: 'belt', overlapping: true, follows: FOLLOWS });
  drapers(w);
  return {
    model: 'Merle 10',
    maker: 'Tolvane',
    machine: 'header',
    revision: 1,
    remark: REMARK,
    equipment: [],
    schools: schoolsOf(FOLLOWS),
    moves: moves(),
    positions: positionsOf(w.checks),
    checks: sharingClasses(w.checks),
  };
}
