import { both, part, tool } from '../build';
import type { Combine } from './model';
import { SHIELDS, FAN, SIEVES } from './positions';
import { fanDrive, rethresher } from './fanDrive';

/** Station 7. */
export function cleaning(combine: Combine): void {
  const { fine, fineBand, fineWear, rate, w } = combine;
  w.at(7)
    .add('count', 'fan-blades', {
      component: 'Cleaning fan blades',
      measures: 'straight and there',
      position: FAN,
      method: 'look',
      counted: 'blades',
      total: 24,
      renew: 'opposite',
      how: 'Turn the fan by hand; sight along each row.',
      why: 'A bent or packed blade unbalances the fan.',
      ifLeft: 'The fan shakes its bearings out.',
      parts: part('LM-7110', 'Fan blade', 1, 'Opposite pairs.', { soldIn: 2 }),
      mind: ['hand'],
      put: { replace: 10 },
    })
    .add('condition', 'fan-bearing', {
      component: 'Cleaning fan bearings',
      measures: 'noise, heat marks, grease',
      position: FAN,
      method: 'look',
      places: both,
      looksFor: ['dry', 'blue', 'play'],
      marked: 'adjust',
      how: 'Turn by hand, listen and feel at the housing.',
      why: 'A dry bearing turns blue, then seizes.',
      ifLeft: 'The fan stops in the best hour.',
      parts: part('LM-7115', 'Fan bearing', 1, 'With its flange and the inner one.', {
        needs: [
          { number: 'LM-7116', name: 'Fan bearing flange', each: 1 },
          { number: 'LM-7117', name: 'Fan inner bearing', each: 1 },
        ],
      }),
      put: { adjust: 10, replace: 60 },
    })
    .add('measure', 'fan-speed-sensor', {
      component: 'Fan speed sensor',
      measures: 'gap to its wheel',
      position: FAN,
      method: 'clearance',
      ...fine,
      tool: tool('feeler'),
      limit: fineBand(0.8, 1.6),
      how: 'Turn to a tooth, feelers between.',
      why: 'Too wide it misses teeth, too near it is struck.',
      ifLeft: 'The fan hunts or reads nothing.',
      put: { adjust: 8 },
    })
    .add('series', 'eccentric-arms', {
      component: 'Shoe eccentric arms',
      measures: 'play in the bush',
      position: SHIELDS,
      method: 'play',
      places: ['front left', 'front right', 'rear left', 'rear right'],
      ...fine,
      tool: tool('feeler'),
      limit: fineWear(0.1, 1),
      outOfFamily: 0.4,
      wearRate: rate(0.0007),
      how: 'Bar at each arm, push and pull.',
      why: 'A loose arm hammers the shoe.',
      ifLeft: 'The arm breaks and the shoe drops.',
      parts: part('LM-7121', 'Eccentric bush'),
      per: 'place',
      put: { replace: 35 },
    })
    .add('condition', 'eccentric-bearings', {
      component: 'Shoe eccentric bearings',
      measures: 'heat marks, grease, play',
      position: SHIELDS,
      method: 'look',
      places: both,
      looksFor: ['grease thrown', 'blue', 'play'],
      how: 'Feel for warmth after the last run; look for thrown grease.',
      why: 'Renew with its flange and the inner one while you are there.',
      ifLeft: 'It seizes and breaks the shaft.',
      parts: part('LM-7125', 'Eccentric bearing', 1, 'With its flange and the inner one.', {
        needs: [
          { number: 'LM-7126', name: 'Eccentric flange', each: 1 },
          { number: 'LM-7127', name: 'Eccentric inner bearing', each: 1 },
        ],
      }),
      put: { replace: 90 },
    })
    .add('count', 'chaffer-teeth', {
      component: 'Chaffer teeth',
      measures: 'straight and there',
      position: SIEVES,
      method: 'look',
      counted: 'teeth',
      total: 320,
      renew: 'each',
      allowed: 3,
      how: 'Sight along every louvre.',
      why: 'Bent teeth carry grain over.',
      ifLeft: 'Losses and dirty grain.',
      parts: part('LM-7130', 'Chaffer louvre'),
      put: { replace: 6 },
    })
    .add('condition', 'sieve-frames', {
      component: 'Sieve frames',
      measures: 'seals and adjuster',
      position: SIEVES,
      method: 'look',
      places: ['chaffer', 'lower sieve'],
      looksFor: ['seal torn', 'adjuster stiff', 'frame cracked'],
      marked: 'adjust',
      how: 'Open and close by hand; look round the seal.',
      why: 'Air goes where the seal is not.',
      ifLeft: 'Grain is blown out at the side.',
      parts: part('LM-7134', 'Sieve seal'),
      put: { adjust: 15, replace: 40 },
    })
    .add('setting', 'sieve-opening', {
      component: 'Chaffer',
      measures: 'opening',
      position: SIEVES,
      method: 'setting',
      options: ['8 mm', '12 mm', '16 mm', '18 mm'],
      expected: [
        { crop: 'malting barley', option: '16 mm' },
        { crop: 'lentils', option: '12 mm' },
        { crop: 'grain sorghum', option: '12 mm' },
        { crop: 'maize', option: '18 mm' },
      ],
      how: 'Read between louvres at mid-width.',
      why: 'A starting point; the tank tells the rest.',
      ifLeft: 'First hours of losses.',
      interval: { kind: 'perCrop' },
      put: { adjust: 5 },
    })
    .add('condition', 'shoe-dirt', {
      component: 'Cleaning shoe',
      measures: 'packed dirt where the arms run',
      position: SIEVES,
      method: 'look',
      looksFor: ['packed', 'rubbing', 'wet straw'],
      marked: 'adjust',
      damaged: 'adjust',
      how: 'Blow out, look round every arm.',
      why: 'Packed dirt rubs itself hot and holds the shoe.',
      ifLeft: 'It burns or breaks an arm.',
      mind: ['dust'],
      put: { adjust: 20 },
    })
    .add('condition', 'shoe-hangers', {
      component: 'Shoe hangers and rubbers',
      measures: 'rubber and bolts',
      position: SHIELDS,
      method: 'look',
      places: both,
      looksFor: ['rubber cracked', 'bolt loose'],
      how: 'Bar and lamp.',
      why: 'A torn rubber lets the shoe knock.',
      ifLeft: 'The shoe wall cracks.',
      parts: part('LM-7140', 'Hanger rubber', 2, 'Both sides together.'),
      put: { replace: 40 },
    });
  fanDrive(combine);
  rethresher(combine);
}
