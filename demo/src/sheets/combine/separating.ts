import { part, tool } from '../build';
import type { Combine } from './model';
import { THRESHING, CRANKS } from './positions';

/** Behind the rotor: what separates without shaking. */
export function separator({ fine, fineWear, rate, w }: Combine): void {
  w.at(6)
    .add('gonogo', 'tine-height', {
      component: 'Separator tines',
      measures: 'height with the wear guide',
      position: THRESHING,
      method: 'gonogo',
      gauge: 'Tine wear guide',
      good: 'doesNotFit',
      otherwise: 'turn',
      how: 'Lay the guide over the worst tine: if it slips over, the tine is worn.',
      why: 'Short tines no longer turn the mat.',
      ifLeft: 'Grain rides out on the mat.',
      parts: part('LM-7040', 'Separator tine'),
      mind: ['rotor'],
      put: { turn: 40, replace: 60 },
    })
    .add('condition', 'grate-bars', {
      component: 'Separator grates',
      measures: 'bars and wear',
      position: THRESHING,
      method: 'look',
      looksFor: ['bar worn thin', 'bent', 'packed', 'spacer missing', 'bolt loose'],
      marked: 'adjust',
      how: 'Lamp from below.',
      why: 'A closed grate is a loss at the back.',
      ifLeft: 'Losses grow with yield.',
      parts: part('LM-7044', 'Grate section'),
      mind: ['rotor'],
      put: { adjust: 20, replace: 60 },
    })
    .add('measure', 'rotor-front-bearing', {
      component: 'Rotor front bearing',
      measures: 'play',
      position: THRESHING,
      method: 'play',
      ...fine,
      tool: tool('feeler'),
      limit: fineWear(0.1, 0.7),
      wearRate: rate(0.0004),
      how: 'Bar under the shaft, lift, read.',
      why: 'Play lets the rotor touch its concave.',
      ifLeft: 'The rotor touches.',
      parts: part('LM-7050', 'Rotor front bearing'),
      mind: ['rotor', 'heavy'],
      put: { replace: 240 },
    });
}

/** Behind the cylinder: beater and straw walkers. */
export function walkers({ fine, fineWear, rate, w }: Combine): void {
  w.at(6)
    .add('condition', 'beater', {
      component: 'Beater',
      measures: 'blades and bolts',
      position: THRESHING,
      method: 'look',
      looksFor: ['bent', 'cracked', 'bolt loose'],
      how: 'Turn by hand once round.',
      why: 'It carries straw from cylinder to walkers.',
      ifLeft: 'It wraps and stops.',
      parts: part('LM-7061', 'Beater blade', 2, 'Opposite pairs.'),
      mind: ['rotor', 'hand'],
      put: { replace: 40 },
    })
    .add('series', 'walker-cranks', {
      component: 'Straw-walker crank bearings',
      measures: 'play',
      position: CRANKS,
      method: 'play',
      places: ['walker 1', 'walker 2', 'walker 3', 'walker 4', 'walker 5'],
      ...fine,
      tool: tool('feeler'),
      limit: fineWear(0.2, 1.4),
      outOfFamily: 0.5,
      wearRate: rate(0.0008),
      how: 'Lift each walker at its crank.',
      why: 'Wooden bearings wear evenly or not at all.',
      ifLeft: 'A crank breaks and the walker drops.',
      parts: part('LM-7065', 'Walker bearing', 1, 'Both halves together.'),
      mind: ['hand'],
      per: 'place',
      put: { replace: 30 },
    })
    .add('condition', 'walker-risers', {
      component: 'Straw walkers',
      measures: 'risers, grates, packed',
      position: CRANKS,
      method: 'look',
      looksFor: ['packed', 'bent riser', 'hole'],
      marked: 'adjust',
      how: 'Lamp from the rear.',
      why: 'Grain falls through open grates only.',
      ifLeft: 'Grain rides out on the straw.',
      parts: part('LM-7068', 'Walker riser'),
      put: { adjust: 30, replace: 60 },
    });
}
