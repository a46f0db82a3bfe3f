import { positionsOf } from '../positions';
import { both, every, part, SheetWriter, tool, type SheetInput } from '../build';
import { anyHeader } from './anyHeader';
import { cutting } from './cutting';
import { moves } from './moves';
import { DOWN, RAISED, SIDE, REMARK } from './positions';

/** Auger header Tarn 7. */
export function auger(): SheetInput {
  const w = new SheetWriter({ on: 'header', book: 'Larkmoor spec book 6', inch: false });
  anyHeader(w, [RAISED, DOWN]);
  cutting(w, 98, 'wobble')
    .add('series', 'auger-floor', {
      station: 2,
      component: 'Auger to floor',
      measures: 'clearance',
      position: RAISED,
      method: 'clearance',
      places: both,
      ...w.ruled,
      tool: tool('rule'),
      limit: { type: 'band', low: 8, high: 15 },
      maxDifference: 3,
      outOfFamily: 5,
      how: 'Rule under the flight at both ends.',
      why: 'Too high the crop lies, too low it is crushed.',
      ifLeft: 'It feeds in lumps.',
      mind: ['header'],
      put: { adjust: 20 },
      knockOns: [
        { check: 'auger-strippers', why: 'raising the auger opens its strippers' },
        { check: 'auger-chain', why: 'the drive chain is set anew' },
      ],
    })
    .add('series', 'auger-strippers', {
      station: 2,
      component: 'Auger strippers',
      measures: 'clearance',
      position: RAISED,
      method: 'clearance',
      places: both,
      ...w.ruled,
      tool: tool('feeler'),
      limit: { type: 'band', low: 1, high: 4 },
      maxDifference: 1.5,
      outOfFamily: 1.5,
      how: 'Feelers between flight and stripper.',
      why: 'A wide stripper lets crop wrap.',
      ifLeft: 'It wraps.',
      mind: ['header'],
      put: { adjust: 15 },
    })
    .add('count', 'auger-fingers', {
      station: 2,
      component: 'Auger fingers',
      measures: 'missing, broken, bent',
      position: RAISED,
      method: 'look',
      counted: 'fingers',
      total: 22,
      renew: 'each',
      how: 'Turn by hand once round.',
      why: 'Missing fingers feed in lumps.',
      ifLeft: 'Lumps break the conveyor.',
      parts: part('LM-9301', 'Finger with guide'),
      mind: ['header', 'hand'],
      put: { replace: 10 },
    })
    .add('setting', 'finger-timing', {
      station: 2,
      component: 'Finger timing',
      measures: 'lever position',
      position: RAISED,
      method: 'setting',
      options: ['early', 'middle', 'late'],
      expected: [
        { option: 'middle' },
        { crop: 'lentils', option: 'late', because: 'short crop must be reached' },
      ],
      how: 'Look at the lever on the right end.',
      why: 'Late fingers carry crop round.',
      ifLeft: 'Crop carries over the auger.',
      interval: { kind: 'perCrop' },
      put: { adjust: 5 },
    })
    .add('mark', 'auger-chain', {
      station: 2,
      component: 'Auger drive chain',
      measures: 'sag at mid-span',
      position: SIDE,
      method: 'sag',
      gauge: { length: 16, short: 0, past: 3 },
      words: {
        short: 'moves more than the gauge',
        at: 'moves as the gauge',
        past: 'moves less than the gauge',
      },
      maxSideDifference: 5,
      takeUp: {
        total: 30,
        reserve: 6,
        strandsPerTravel: 1.7,
        pitch: 19.05,
        loopPitches: 74,
        limitPercent: 2.4,
        resolution: 1,
      },
      how: 'Movement at mid-span, then the take-up left.',
      why: 'Tension is only good if travel is left.',
      ifLeft: 'The auger stops in lodged crop.',
      parts: part('LM-9310', 'Auger chain'),
      mind: ['hand'],
      put: { adjust: 10, shorten: 20, replace: 45 },
    })
    .add('condition', 'auger-flight', {
      station: 2,
      component: 'Auger flight',
      measures: 'edge and welds',
      position: RAISED,
      method: 'look',
      looksFor: ['edge sharp', 'dent', 'weld cracked'],
      how: 'Turn by hand once round.',
      why: 'A sharp edge cuts instead of carries.',
      ifLeft: 'It bunches.',
      parts: part('LM-9315', 'Flight section'),
      mind: ['header', 'hand'],
      put: { replace: 60 },
    })
    .add('service', 'reel-drive-grease', {
      station: 2,
      component: 'Reel drive',
      measures: 'strokes of grease',
      position: DOWN,
      method: 'grease',
      places: both,
      asks: 'strokes',
      amount: 2,
      most: 3,
      product: 'Grease NLGI 2',
      interval: every(50),
      how: 'Wipe, grease, wipe.',
      why: 'It hangs over the crop: no drips.',
      ifLeft: 'The reel stutters.',
    })
    .add('condition', 'crop-lifters', {
      station: 2,
      component: 'Crop lifters',
      measures: 'there, straight',
      position: RAISED,
      method: 'look',
      looksFor: ['missing', 'bent', 'bolt loose'],
      marked: 'adjust',
      how: 'Sight along the bar.',
      why: 'A bent one digs.',
      ifLeft: 'Stones.',
      parts: part('LM-9320', 'Crop lifter'),
      mind: ['header', 'knives'],
      put: { adjust: 10, replace: 8 },
    });
  return {
    model: 'Tarn 7',
    maker: 'Brackenfell',
    machine: 'header',
    revision: 1,
    remark: REMARK,
    equipment: [],
    moves: moves(),
    positions: positionsOf(w.checks),
    checks: w.checks,
  };
}
