import { daily, every, part, perCrop, tool } from '../build';
import type { Combine } from './model';
import { FEEDER_UP, LEVEL, SHIELDS, UNDERNEATH } from './positions';

/** Station 4: the housing round the conveyor, its shafts, and what keeps stones out. */
export function feederHouse({ fine, fineWear, rate, w }: Combine): void {
  stones({ w, fine });
  shafts({ w, fine, fineWear, rate });
}

function stones({ w, fine }: Pick<Combine, 'w' | 'fine'>): void {
  w.at(4)
    .add('condition', 'rock-trap', {
      component: 'Rock trap',
      measures: 'emptied, shut, seal whole',
      position: FEEDER_UP,
      when: { 'stone-guard': ['trap'] },
      looksFor: ['full', 'packed hard', 'door not shut', 'seal torn'],
      marked: 'adjust',
      damaged: 'replace',
      how: 'Open it standing aside, empty and scrape it, shut it until both hooks hold.',
      why: 'A full trap lets the next stone through; an open one loses grain all day.',
      ifLeft: 'A stone in the rotor.',
      parts: part('LM-2170', 'Rock trap seal'),
      mind: ['feeder'],
      interval: daily,
      put: { adjust: 5, replace: 30 },
    })
    .add('count', 'rock-beater', {
      component: 'Rock beater blades',
      measures: 'there, straight, sharp-edged',
      position: FEEDER_UP,
      when: { 'stone-guard': ['beater'] },
      counted: 'blades',
      total: 8,
      renew: 'opposite',
      how: 'Turn the beater by hand; look along each blade for dents and rounded edges.',
      why: 'It throws stones down by the edge; a light blade shakes it.',
      ifLeft: 'Stones reach the rotor.',
      parts: part('LM-2172', 'Beater blade', 1, 'Opposite pairs together.', { soldIn: 2 }),
      mind: ['feeder', 'hand'],
      put: { replace: 15 },
    })
    .add('mark', 'accelerator-belt', {
      component: 'Feed accelerator belt',
      measures: 'spring washer against its gauge',
      position: SHIELDS,
      method: 'spring-gauge',
      when: { 'feed-accelerator': ['fitted'] },
      gauge: { length: 40, short: 0, past: 2 },
      maxSideDifference: 3,
      takeUp: {
        total: 40,
        reserve: 6,
        strandsPerTravel: 1.8,
        pitch: 10,
        loopPitches: 210,
        limitPercent: 2,
        resolution: 1,
      },
      how: 'Look square at the gauge, then read the slot left.',
      why: 'It starts against a full feeder.',
      ifLeft: 'The accelerator stops and the feeder plugs behind it.',
      parts: part('LM-2174', 'Accelerator belt'),
      mind: ['nut'],
      put: { adjust: 12, replace: 50 },
      interval: every(100, 365, 10),
    })
    .add('setting', 'accelerator-speed', {
      component: 'Feed accelerator',
      measures: 'speed lever',
      position: SHIELDS,
      when: { 'feed-accelerator': ['fitted'] },
      options: ['slow', 'fast'],
      expected: [
        { option: 'fast', because: 'an even mat' },
        { crop: 'lentils', option: 'slow', because: 'seeds split at the blades' },
        { crop: 'maize', option: 'slow', because: 'cobs shell' },
      ],
      how: 'Look which notch the lever stands in.',
      why: 'It hits the crop before the rotor does.',
      ifLeft: 'Cracked grain that no concave setting cures.',
      interval: perCrop,
      put: { adjust: 8 },
      knockOns: [{ check: 'accelerator-belt', why: 'the belt is set anew in the other notch' }],
    })
    .add('measure', 'accelerator-blades', {
      component: 'Feed accelerator blades',
      measures: 'clearance to the floor',
      position: FEEDER_UP,
      when: { 'feed-accelerator': ['fitted'] },
      method: 'clearance',
      ...fine,
      tool: tool('feeler'),
      limit: { type: 'band', low: w.thou(2), high: w.thou(6), above: 'replace' },
      how: 'Turn by hand, feelers under the lowest blade.',
      why: 'Worn blades let the mat slide under.',
      ifLeft: 'It feeds in lumps.',
      parts: part('LM-2176', 'Accelerator blade set', 1, 'The whole set together.'),
      mind: ['feeder', 'hand'],
      put: { adjust: 20, replace: 70 },
    });
}

function shafts({ w, fine, fineWear, rate }: Pick<Combine, 'w' | 'fine' | 'fineWear' | 'rate'>) {
  w.at(4)
    .add('condition', 'feeder-ujoints', {
      component: 'Feeder driveshaft universal joints',
      measures: 'play, rust dust, caps',
      position: LEVEL,
      places: ['front joint', 'rear joint'],
      looksFor: ['play', 'red dust at a cap', 'cap turned', 'stiff'],
      how: 'Twist each joint against itself by hand, then look at the caps.',
      why: 'Red dust is a needle bearing that has run dry.',
      ifLeft: 'A shaft that flails through its guard.',
      parts: part('LM-2163', 'Joint cross with caps'),
      mind: ['feeder'],
      put: { replace: 50 },
    })
    .add('series', 'feeder-pillow-blocks', {
      component: 'Feeder pillow-block bearings',
      measures: 'play',
      position: LEVEL,
      method: 'play',
      places: ['upper left', 'upper right'],
      ...fine,
      tool: tool('feeler'),
      limit: fineWear(0.1, 0.7),
      outOfFamily: 0.3,
      wearRate: rate(0.0005),
      how: 'Bar under the shaft at each end, lift and read.',
      why: 'A loose block lets the upper shaft wander and the chain climbs.',
      ifLeft: 'The housing is bored out by its own shaft.',
      parts: part('LM-2164', 'Pillow block with bearing', 1, undefined, {
        needs: [{ number: 'LM-2167', name: 'Locking collar', each: 1 }],
      }),
      mind: ['feeder'],
      per: 'place',
      put: { replace: 45 },
    })
    .add('condition', 'feeder-gearbox-plate', {
      component: 'Feeder gearbox plate',
      measures: 'cracks at its bolts and bends',
      position: UNDERNEATH,
      looksFor: ['crack at a bolt', 'crack in a bend', 'bolt loose', 'fresh bright metal'],
      damaged: 'replace',
      how: 'Wipe it clean, lamp along every bend and round every bolt.',
      why: 'The plate takes every blow of the reverser; it cracks before anything is heard.',
      ifLeft: 'The gearbox tears out of the housing.',
      parts: part('LM-2168', 'Gearbox plate', 1, undefined, {
        needs: [{ number: 'LM-2169', name: 'Plate bolt, used once', each: 6 }],
      }),
      mind: ['feeder'],
      put: { replace: 150 },
    })
    .add('service', 'conveyor-turned-free', {
      component: 'Feeder conveyor',
      measures: 'drive chain off, turned freely by hand',
      position: LEVEL,
      asks: 'done',
      product: 'By hand, drive chain off',
      interval: { kind: 'afterHarvest' },
      how: 'Take the drive chain off its sprocket. Turn the conveyor a whole round by hand: no tight place, no knock.',
      why: 'A stiff bearing or a slat that catches cannot be felt through the drive.',
      ifLeft: 'The next stop is looked for in the wrong place.',
      minutes: 12,
      mind: ['feeder', 'hand'],
      knockOns: [
        { task: 'Feeder drive chain: back on, its connector closed with the flow' },
        { check: 'feeder-drive-chain', why: 'the chain was off' },
      ],
    })
    .add('condition', 'connector-links', {
      component: 'Connector links of conveyor and drive chains',
      measures: 'clips there, closed the right way',
      position: LEVEL,
      places: ['conveyor chain', 'drive chain'],
      looksFor: ['clip missing', 'clip the wrong way round', 'side plate loose'],
      marked: 'adjust',
      damaged: 'replace',
      how: 'Turn by hand to each connector: the closed end of the clip goes first.',
      why: 'A clip that runs open end first is thrown off by the first straw.',
      ifLeft: 'The chain opens at full load.',
      parts: part('LM-2106', 'Connector link with clip', 1, undefined, { soldIn: 5 }),
      mind: ['feeder', 'hand'],
      put: { adjust: 5, replace: 10 },
    });
}
