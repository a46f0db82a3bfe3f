import { positionsOf } from '../positions';
import { sharingClasses, SheetWriter, type SheetInput } from '../build';
import { schoolsOf, type Follows } from '../schools';
import { anyHeader } from './anyHeader';
import { augerFeed } from './augerFeed';
import { cutting } from './cutting';
import { moves } from './moves';
import { DOWN, RAISED, REMARK } from './positions';

const FOLLOWS: Follows = { 'belt-judged': 'width', 'gear-oil': 'season', clutch: 'one' };

/** Auger header Tarn 7: a flexible knife before a big auger. */
export function auger(): SheetInput {
  const w = new SheetWriter({ on: 'header', book: 'Larkmoor spec book 6', inch: false });
  anyHeader(w, {
    follows: FOLLOWS,
    mainOil: { position: RAISED, eye: 'rear plug of three; it is the level' },
    endOil: { position: DOWN, eye: 'sight glass' },
    clutch: { one: { amount: 1, most: 2 }, many: { amount: 4, most: 6 } },
  });
  cutting(w, { sections: 98, knifeDrive: 'wobble', overlapping: true, follows: FOLLOWS });
  augerFeed(w, { flex: true });
  return {
    model: 'Tarn 7',
    maker: 'Brackenfell',
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
