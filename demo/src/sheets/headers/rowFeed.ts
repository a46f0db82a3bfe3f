import { part, perCrop, type SheetWriter, tool } from '../build';
import { DOWN, RAISED, SIDE } from './positions';

/** The cross auger of a row-crop header: one piece, or split with a chain at each end. */
export function augers(w: SheetWriter): void {
  for (const build of ['split', 'one'] as const)
    w.add('mark', build === 'split' ? 'auger-chains' : 'auger-chain', {
      component: build === 'split' ? 'Cross auger drive chains' : 'Cross auger drive chain',
      measures: 'sag at mid-span',
      position: SIDE,
      method: 'sag',
      when: { auger: [build] },
      places: build === 'split' ? ['left auger', 'right auger'] : ['here'],
      gauge: { length: 16, short: 0, past: 3 },
      words: {
        short: 'moves more than the gauge',
        at: 'moves as the gauge',
        past: 'moves less than the gauge',
      },
      maxSideDifference: 4,
      takeUp: {
        total: 30,
        reserve: 6,
        strandsPerTravel: 1.7,
        pitch: 25.4,
        loopPitches: 66,
        limitPercent: 2.2,
        resolution: 1,
      },
      how: 'Movement at mid-span, then the take-up left. A split auger has a chain at each end; the idler by hand only.',
      why: 'Tension is only good if travel is left.',
      ifLeft: 'Ears heap up at one end.',
      parts: part('LM-4460', 'Cross auger chain, 66 pitches'),
      mind: ['hand'],
      put: { adjust: 10, shorten: 20, replace: 40 },
    });
  w.add('series', 'ear-clearance', {
    component: 'Cross auger to deck and back wall',
    measures: 'clearance for ears',
    position: RAISED,
    method: 'clearance',
    places: ['left end', 'middle', 'right end'],
    ...w.ruled,
    tool: tool('rule'),
    limit: { type: 'band', low: 45, high: 70 },
    maxDifference: 10,
    outOfFamily: 12,
    how: 'Rule from the flight to the back wall at its nearest; turn by hand.',
    why: 'An ear must go through whole.',
    ifLeft: 'Shelled ears under the auger.',
    mind: ['header', 'hand'],
    put: { adjust: 25 },
    knockOns: [{ check: 'cross-auger-floor', why: 'the auger stands elsewhere' }],
  });
}

/** What ends a row: snouts, chain cases, the chopping disconnect. */
export function rowsEnd(w: SheetWriter): void {
  w.add('setting', 'snouts', {
    component: 'Snouts',
    measures: 'height of their tips',
    position: DOWN,
    options: ['low', 'middle', 'high'],
    expected: [
      { option: 'middle' },
      { crop: 'maize', option: 'low', because: 'lodged stalks are lifted' },
      { crop: 'grain sorghum', option: 'high', because: 'heads stand high and stones lie low' },
    ],
    how: 'Header at its working height: the tips of three rows against the ground.',
    why: 'Low they lift lodged stalks and take stones.',
    ifLeft: 'Ears left, or stones taken.',
    interval: perCrop,
    put: { adjust: 20 },
  })
    .add('level', 'row-chain-cases', {
      component: 'Row chain cases',
      measures: 'oil level, chains run in it',
      position: RAISED,
      places: ['left half', 'right half'],
      eye: 'lower plug of two',
      perPlace: { 'right half': { eye: 'upper plug of two: mirrored' } },
      product: 'Chain oil',
      colours: ['milky', 'metal'],
      how: 'Raised, plug out; on the right half the plugs change places.',
      why: 'Chains in oil last; dry they last a week.',
      ifLeft: 'Six rows stop together.',
      parts: part('LM-6040', 'Chain oil, 1 l'),
      mind: ['header', 'hot'],
      put: { adjust: 8, replace: 30 },
    })
    .add('condition', 'chopping-disconnect', {
      component: 'Chopping disconnect',
      measures: 'engages and stays out',
      position: SIDE,
      places: ['left half', 'right half'],
      fits: { serials: { from: 'H40' } },
      looksFor: ['jumps in', 'does not engage', 'fork worn'],
      marked: 'adjust',
      damaged: 'replace',
      how: 'By hand through both places; only later ones have it.',
      why: 'One that jumps in turns knives nobody expects.',
      ifLeft: 'Knives turn while somebody clears a row.',
      parts: part('LM-4470', 'Shift fork'),
      mind: ['knives', 'rotor'],
      put: { adjust: 15, replace: 60 },
    })
    .add('condition', 'row-side-doors', {
      component: 'Row unit drive lines',
      measures: 'couplings and shear pins',
      position: SIDE,
      places: ['left half', 'right half'],
      looksFor: ['coupling split', 'pin sheared', 'no spare pin'],
      marked: 'adjust',
      damaged: 'replace',
      how: 'Turn by hand once round; every row follows.',
      why: 'A row that does not follow shells its ears.',
      ifLeft: 'A row of ears on the ground.',
      parts: part('LM-4474', 'Shear pin, marked', 1, undefined, { soldIn: 10 }),
      mind: ['hand'],
      put: { adjust: 10, replace: 20 },
    });
}
