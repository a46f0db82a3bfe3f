import { part, perCrop, tool } from '../build';
import type { Combine } from './model';
import { THRESHING, ZERO } from './positions';
import { separator, walkers } from './separating';
import { underneath } from './underneath';

/** Station 6. */
export function threshing(combine: Combine): void {
  const { fine, fineBand, m, rate, rotary, ruled, w, wear } = combine;
  const bars = BARS[m.build];
  const drum = rotary ? 'Rotor' : 'Cylinder';
  w.at(6)
    .add('series', 'rasp-bar-height', {
      component: `${drum} rasp bars`,
      measures: 'height of the bar',
      position: THRESHING,
      method: 'rasp-bar',
      places: bars,
      ...ruled,
      limit: wear(...m.raspBar),
      outOfFamily: 2,
      wearRate: rate(0.0007),
      how: 'Depth gauge from the land to the base, bar by bar.',
      why: 'Low bars no longer rub the grain out.',
      ifLeft: 'Unthreshed heads go over the back.',
      parts: part('LM-7020', 'Rasp bar', 1, 'Opposite pairs together, or the drum shakes.', {
        soldIn: 2,
        needs: [{ number: 'LM-7021', name: 'Rasp bar bolt, used once', each: 4 }],
      }),
      mind: ['rotor', 'hand'],
      per: 'place',
      put: { replace: 20, cover: { name: 'threshing door', minutes: 10 } },
      knockOns: [
        { check: 'concave-level', why: 'higher bars narrow the concave' },
        { check: 'concave-zero', why: 'the bars stand higher than before' },
      ],
    })
    .add('condition', 'rasp-bar-condition', {
      component: `${drum} rasp bars`,
      measures: 'dents and cracks',
      position: THRESHING,
      method: 'look',
      looksFor: ['dent', 'crack', 'bolt loose'],
      how: 'Turn by hand a bar at a time.',
      why: 'A cracked bar leaves at speed. Renew opposite pairs.',
      ifLeft: 'It leaves through the concave.',
      parts: part('LM-7020', 'Rasp bar', 2, 'Opposite pairs together.', { soldIn: 2 }),
      mind: ['rotor', 'hand'],
      put: { replace: 40 },
    })
    .add('series', 'concave-level', {
      component: 'Concave',
      measures: 'clearance at its four corners',
      position: ZERO,
      method: 'clearance',
      places: ['front left', 'front right', 'rear left', 'rear right'],
      ...fine,
      tool: tool('feeler'),
      limit: fineBand(4, 9),
      maxDifference: 1,
      outOfFamily: 2,
      how: 'Feelers under the highest bar at each corner.',
      why: 'Out of level it threshes on one side and cracks on the other.',
      ifLeft: 'Cracked grain and losses at once.',
      mind: ['rotor'],
      minutes: 15,
      put: { adjust: 45 },
    })
    .add('condition', 'concave-wires', {
      component: 'Concave wires and bars',
      measures: 'wires, bars, edges',
      position: THRESHING,
      method: 'look',
      looksFor: ['wire missing', 'bar rounded', 'bent'],
      how: 'Lamp and mirror, along every row.',
      why: 'A missing wire lets heads through.',
      ifLeft: 'Heads in the tank.',
      parts: part('LM-7031', 'Concave insert'),
      mind: ['rotor'],
      put: { replace: 60 },
      knockOns: [
        { check: 'concave-level', why: 'changing concaves unlevels them' },
        { check: 'concave-zero', why: 'the zero goes with the concave that was in' },
      ],
    })
    .add('measure', 'concave-bar-edge', {
      component: 'Concave bars',
      measures: 'edge height over the wires',
      position: THRESHING,
      method: 'clearance',
      ...ruled,
      limit: wear(6.4, 3.2),
      wearRate: rate(0.0006),
      how: 'Depth gauge at the front bar, the worst of three.',
      why: 'Rounded bars do not hold the crop.',
      ifLeft: 'Capacity goes first, then clean threshing.',
      parts: part('LM-7031', 'Concave insert'),
      mind: ['rotor'],
      put: { replace: 60 },
      knockOns: [
        { check: 'concave-level', why: 'changing concaves unlevels them' },
        { check: 'concave-zero', why: 'the zero goes with the concave that was in' },
      ],
    })
    .add('setting', 'crop-spacers', {
      component: 'Separator spacers',
      measures: 'fitted or stored, the last section tight',
      position: THRESHING,
      options: ['stored', 'fitted'],
      expected: SPACERS[m.spacers],
      how: 'Count the plates between grate and frame, section by section. The last section stays tight whatever the crop.',
      why:
        m.spacers === 'smallGrain'
          ? 'On this build the spacers close the grate for small seed and are stored for large.'
          : 'On this build the spacers lift the grate for large seed and are stored for small.',
      schools:
        'Which way they work belongs to the build: on some they close, on others they open the grate.',
      ifLeft: 'Skinned barley, or seed over the back.',
      interval: perCrop,
      put: { adjust: 20 },
      knockOns: [{ task: 'Separator: the last section tight, whatever the spacers' }],
    })
    .add('setting', 'concave-type', {
      component: 'Concave',
      measures: 'which concave is in',
      position: THRESHING,
      method: 'setting',
      options: ['small wire', 'large wire', 'round bar'],
      expected: [
        { crop: 'malting barley', option: 'small wire' },
        { crop: 'lentils', option: 'large wire' },
        { crop: 'grain sorghum', option: 'large wire' },
        { crop: 'maize', option: 'round bar' },
      ],
      how: 'Look through the door.',
      why: 'The crop chooses the concave.',
      ifLeft: 'Cracks or losses.',
      interval: { kind: 'perCrop' },
      put: { adjust: 90 },
      mind: ['rotor', 'heavy'],
      knockOns: [
        { check: 'concave-level', why: 'changing concaves unlevels them' },
        { check: 'concave-zero', why: 'the zero goes with the concave that was in' },
      ],
    });
  underneath(combine);
  if (rotary) separator(combine);
  else walkers(combine);
}

const BARS = {
  rotor: ['bar 1', 'bar 2', 'bar 3', 'bar 4', 'bar 5', 'bar 6', 'bar 7', 'bar 8'],
  twin: ['left', 'right'].flatMap((r) => [1, 2, 3, 4, 5, 6].map((n) => `${r} rotor bar ${n}`)),
  walker: ['bar 1', 'bar 2', 'bar 3', 'bar 4', 'bar 5', 'bar 6'],
};

/** Which crops the spacers are fitted for, by build. */
const SPACERS = {
  smallGrain: [
    { crop: 'malting barley', option: 'fitted', because: 'awns without skinning' },
    { crop: 'lentils', option: 'stored', because: 'splits easily' },
    { crop: 'grain sorghum', option: 'stored', because: 'open grate' },
    { crop: 'maize', option: 'stored', because: 'cobs need room' },
  ],
  largeGrain: [
    { crop: 'malting barley', option: 'stored', because: 'a close grate holds awns back' },
    { crop: 'lentils', option: 'fitted', because: 'splits where the grate is close' },
    { crop: 'grain sorghum', option: 'fitted', because: 'open grate' },
    { crop: 'maize', option: 'fitted', because: 'cobs need room' },
  ],
};
