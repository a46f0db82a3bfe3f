import { positionsOf } from '../positions';
import {
  both,
  every,
  part,
  season,
  sharingClasses,
  SheetWriter,
  tool,
  type SheetInput,
} from '../build';
import { differing, schoolsOf, type Follows } from '../schools';
import { anyHeader } from './anyHeader';
import { moves } from './moves';
import { rowByRow } from './rowByRow';
import { augers, rowsEnd } from './rowFeed';
import { DOWN, RAISED, SIDE, REMARK } from './positions';

const FOLLOWS: Follows = { 'gear-oil': 'hours', clutch: 'many' };

/**
 * Row-crop header Merle 12: twelve rows, or eight; what is read row by row stands once for each.
 * Every oil of it is read raised, but the end chain case.
 */
export function rowCrop(): SheetInput {
  const w = new SheetWriter({ on: 'header', book: 'Larkmoor spec book 2', inch: false });
  anyHeader(w, {
    follows: FOLLOWS,
    mainOil: { position: RAISED, eye: 'upper plug of two; it is the level' },
    endOil: { position: RAISED, eye: 'rear plug of three; it is the level' },
    clutch: { one: { amount: 2, most: 3 }, many: { amount: 8, most: 10 } },
  });
  rowByRow(w);
  w.add('series', 'deck-plates', {
    component: 'Deck plates',
    measures: 'gap over the rolls, front',
    position: DOWN,
    method: 'clearance',
    places: ['first row', 'middle row', 'last row'],
    ...w.ruled,
    tool: tool('rule'),
    limit: { type: 'band', low: 28, high: 34 },
    maxDifference: 3,
    drift: { perHour: 0.003, sd: 0.001 },
    outOfFamily: 4,
    how: 'Rule between the plates, three rows.',
    why: 'Narrow they take trash, wide they lose ears.',
    ifLeft: 'Ears on the ground.',
    put: { adjust: 20 },
  })
    .add('level', 'end-chain-oil', {
      component: 'End drive chains, oil bath',
      measures: 'oil level',
      position: DOWN,
      method: 'level-eye',
      places: both,
      eye: 'dipstick',
      perPlace: { right: { eye: 'dipstick; drain and fill change places on this side' } },
      product: 'Chain oil',
      colours: ['milky'],
      how: 'Header down: the one case of this header that is not read raised.',
      why: 'The chains run in oil; dry they last a week.',
      ifLeft: 'The end drive breaks.',
      parts: part('LM-6040', 'Chain oil, 1 l'),
      put: { adjust: 5, replace: 20 },
    })
    .add('measure', 'end-drive-chain', {
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
      component: 'Row slip clutches',
      measures: 'strokes of grease, once a year',
      position: SIDE,
      places: ['left half', 'right half'],
      asks: 'strokes',
      ...differing('clutch', FOLLOWS, {
        one: { amount: 3, most: 4 },
        many: { amount: 6, most: 8 },
      }),
      fits: { serials: { to: 'H39' } },
      product: 'Grease NLGI 2',
      interval: every(100),
      how: 'The marked fitting of each, counted. Row clutches take more than the conveyor’s.',
      why: 'Dry they seize; over the most they slip.',
      schools: 'A few, or more and never more than the book.',
      ifLeft: 'They seize and shear.',
    })
    .add('service', 'row-slip-clutches-later', {
      component: 'Row slip clutches, later build',
      measures: 'strokes of grease, one fitting only',
      position: SIDE,
      places: ['left half', 'right half'],
      asks: 'strokes',
      ...differing('clutch', FOLLOWS, {
        one: { amount: 4, most: 5 },
        many: { amount: 9, most: 12 },
      }),
      fits: { serials: { from: 'H40' } },
      product: 'Grease NLGI 2',
      interval: every(200, 365),
      how: 'On later ones only the marked fitting of several is greased; the others are closed. Count.',
      why: 'The later hub holds more and is greased by the year.',
      schools: 'A few, or more and never more than the book.',
      ifLeft: 'They seize and shear.',
    })
    .add('setting', 'row-spacing', {
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
  augers(w);
  rowsEnd(w);
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
      {
        id: 'auger',
        name: 'Cross auger',
        options: [
          { id: 'split', name: 'Split, two chains' },
          { id: 'one', name: 'One piece' },
        ],
      },
    ],
    schools: schoolsOf(FOLLOWS),
    moves: moves(),
    positions: positionsOf(w.checks),
    checks: sharingClasses(w.checks),
  };
}
