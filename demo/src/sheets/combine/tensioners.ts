import { every, part } from '../build';
import type { Combine } from './model';
import { SHIELDS } from './positions';

/** What stands beside the belts and is read wrong when it stands wrong. */
export function tensioners({ w }: Combine): void {
  w.at(9)
    .add('condition', 'release-nut', {
      component: 'Tensioner release nut',
      measures: 'parked at the rod’s end',
      position: SHIELDS,
      places: ['fan', 'chopper'],
      looksFor: ['left against the spring', 'missing', 'thread bruised'],
      marked: 'adjust',
      damaged: 'replace',
      how: 'Look along the rod: the nut used to release the spring is run back to its end.',
      why: 'Left against the spring it holds the spring back, and the gauge reads right on a slack belt.',
      ifLeft: 'A belt that slips with a perfect indicator.',
      parts: part('LM-5262', 'Release nut'),
      mind: ['nut'],
      put: { adjust: 4, replace: 10 },
      knockOns: [
        { check: 'fan-belt-tension', why: 'its spring was held back' },
        { check: 'chopper-belt-tension', why: 'its spring was held back' },
      ],
    })
    .add('condition', 'overlap-top-bolt', {
      component: 'Chopper tensioner arm',
      measures: 'top bolt against the arm',
      position: SHIELDS,
      looksFor: ['daylight at the bolt', 'bolt bent', 'lock nut loose'],
      marked: 'adjust',
      damaged: 'replace',
      how: 'A finger between bolt and arm: it does not go in.',
      why: 'The overlap is drawn with the bolt against the arm.',
      ifLeft: 'An overlap that reads right and is not.',
      parts: part('LM-5264', 'Stop bolt'),
      mind: ['nut'],
      put: { adjust: 8, replace: 15 },
      knockOns: [{ check: 'chopper-belt-tension', why: 'the arm stands elsewhere' }],
    })
    .add('condition', 'twin-canisters', {
      component: 'Twin canister tensioners',
      measures: 'must just turn by hand',
      position: SHIELDS,
      places: ['upper', 'lower'],
      looksFor: ['spins freely: loose', 'does not turn: too tight', 'one otherwise than the other'],
      marked: 'adjust',
      damaged: 'adjust',
      how: 'Turn each canister by hand: it just turns, with effort, both alike.',
      why: 'Freely means no load on the spring; fast means the coils touch.',
      ifLeft: 'One belt of the pair carries all.',
      mind: ['nut'],
      put: { adjust: 12 },
    })
    .add('mark', 'paired-belts-tension', {
      component: 'Separator belts, inner and outer',
      measures: 'each tensioner’s washer against its gauge',
      position: SHIELDS,
      method: 'spring-gauge',
      places: ['inner belt', 'outer belt'],
      gauge: { length: 45, short: 0, past: 2 },
      maxSideDifference: 6,
      takeUp: {
        total: 46,
        reserve: 8,
        strandsPerTravel: 1.8,
        pitch: 10,
        loopPitches: 290,
        limitPercent: 2,
        resolution: 1,
      },
      how: 'Two tensioners: the rear one is the inner belt’s, the front one the outer’s. Look square at each, then its slot left.',
      why: 'They look alike and are set for belts of different length.',
      ifLeft: 'One belt slips, the other is over-tight.',
      parts: part('LM-5256', 'Separator belt, inner'),
      perPlace: { 'outer belt': { parts: part('LM-5258', 'Separator belt, outer') } },
      mind: ['nut'],
      put: { adjust: 12, replace: 80 },
      interval: every(100, 365, 10),
    });
}
