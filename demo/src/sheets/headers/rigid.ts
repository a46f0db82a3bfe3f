import { positionsOf } from '../positions';
import { sharingClasses, SheetWriter, type SheetInput } from '../build';
import { schoolsOf, type Follows } from '../schools';
import { anyHeader } from './anyHeader';
import { augerFeed } from './augerFeed';
import { cutting } from './cutting';
import { moves } from './moves';
import { ON_GROUND, REMARK } from './positions';

const FOLLOWS: Follows = { 'belt-judged': 'gauge', 'gear-oil': 'hours', clutch: 'many' };

/** Rigid cutting header Tarn 5: one knife on a stiff bar, for standing crop; written in inches. */
export function rigid(): SheetInput {
  const w = new SheetWriter({ on: 'header', book: 'Larkmoor spec book 9', inch: true });
  anyHeader(w, {
    follows: FOLLOWS,
    mainOil: { position: ON_GROUND, eye: 'lower plug; it is the level' },
    endOil: { position: ON_GROUND, eye: 'dipstick under the cover' },
    clutch: { one: { amount: 1, most: 2 }, many: { amount: 4, most: 6 } },
  });
  cutting(w, { sections: 76, knifeDrive: 'wobble', overlapping: false, follows: FOLLOWS });
  augerFeed(w, { flex: false });
  return {
    model: 'Tarn 5',
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
