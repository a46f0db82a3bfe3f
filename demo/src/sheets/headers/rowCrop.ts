import { positionsOf } from '../positions';
import { both, every, part, season, SheetWriter, tool, type SheetInput } from '../build';
import { anyHeader } from './anyHeader';
import { moves } from './moves';
import { rowByRow } from './rowByRow';
import { DOWN, RAISED, SIDE, REMARK } from './positions';

/** Row-crop header Merle 12: twelve rows, or eight; what is read row by row stands once for each. */
export function rowCrop(): SheetInput {
  const w = new SheetWriter({ on: 'header', book: 'Larkmoor spec book 2', inch: false });
  anyHeader(w, [RAISED, DOWN]);
  rowByRow(w);
  w.add('series', 'deck-plates', {
    station: 2,
    component: 'Deck plates',
    measures: 'gap over the rolls, front',
    position: DOWN,
    method: 'clearance',
    places: ['first row', 'middle row', 'last row'],
    ...w.ruled,
    tool: tool('rule'),
    limit: { type: 'band', low: 28, high: 34 },
    maxDifference: 3,
    outOfFamily: 4,
    how: 'Rule between the plates, three rows.',
    why: 'Narrow they take trash, wide they lose ears.',
    ifLeft: 'Ears on the ground.',
    put: { adjust: 20 },
  })
    .add('level', 'end-chain-oil', {
      station: 2,
      component: 'End drive chains, oil bath',
      measures: 'oil level',
      position: DOWN,
      method: 'level-eye',
      places: both,
      eye: 'dipstick',
      product: 'Chain oil',
      colours: ['milky'],
      how: 'Header down: the other position from the row gearboxes.',
      why: 'The chains run in oil; dry they last a week.',
      ifLeft: 'The end drive breaks.',
      parts: part('LM-6040', 'Chain oil, 1 l'),
      put: { adjust: 5, replace: 20 },
    })
    .add('measure', 'end-drive-chain', {
      station: 2,
      component: 'End drive chains',
      measures: 'length over 16 pitches',
      position: SIDE,
      method: 'chain-pitches',
      places: both,
      ...w.ruled,
      tool: tool('rule'),
      limit: {
        type: 'elongation',
        pitch: 31.75,
        pitches: 16,
        limitPercent: 2,
        largerSprocketTeeth: 40,
      },
      wearRate: { perHour: 0.0007, sd: 0.0003 },
      how: 'Cover off, taut strand, pin to pin.',
      why: 'A big sprocket allows less elongation.',
      ifLeft: 'All rows stop.',
      parts: part('LM-4450', 'End drive chain'),
      mind: ['hand', 'hot'],
      put: { replace: 70 },
      interval: season(10),
    })
    .add('service', 'row-slip-clutches', {
      station: 2,
      component: 'Row slip clutches',
      measures: 'strokes of grease',
      position: SIDE,
      method: 'grease',
      places: ['left half', 'right half'],
      asks: 'strokes',
      amount: 1,
      most: 1,
      product: 'Grease NLGI 2',
      interval: every(100),
      how: 'One stroke each, never two.',
      why: 'Too much grease lets them slip.',
      ifLeft: 'They seize and shear.',
    })
    .add('setting', 'row-spacing', {
      station: 2,
      component: 'Row units',
      measures: 'spacing',
      position: DOWN,
      method: 'setting',
      options: ['70 cm', '75 cm'],
      expected: [{ option: '75 cm' }],
      how: 'Rule between two points.',
      why: 'It must match the drill.',
      ifLeft: 'Stalks between the rows.',
      put: { adjust: 240 },
    })
    .add('measure', 'cross-auger-floor', {
      station: 2,
      component: 'Cross auger',
      measures: 'clearance to the floor',
      position: RAISED,
      method: 'clearance',
      ...w.ruled,
      tool: tool('rule'),
      limit: { type: 'band', low: 10, high: 22 },
      how: 'Rule under the flight, both ends, the smaller.',
      why: 'Ears need room.',
      ifLeft: 'Shelled ears.',
      mind: ['header'],
      put: { adjust: 20 },
    });
  return {
    model: 'Merle 12',
    maker: 'Tolvane',
    machine: 'header',
    revision: 1,
    remark: REMARK,
    equipment: [
      {
        id: 'rows',
        name: 'Rows',
        options: [
          { id: 'twelve', name: 'Twelve' },
          { id: 'eight', name: 'Eight' },
        ],
      },
    ],
    moves: moves(),
    positions: positionsOf(w.checks),
    checks: w.checks,
  };
}
