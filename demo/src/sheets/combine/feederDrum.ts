import { every, part, tool } from '../build';
import type { Combine } from './model';
import { LEVEL, SHIELDS } from './positions';

/** Station 4: the drum and what drives it. */
export function feederDrum({ fine, fineWear, m, rate, w }: Combine): void {
  w.add('setting', 'drum-height', {
    station: 4,
    component: 'Feeder drum',
    measures: 'height of its stops',
    position: LEVEL,
    method: 'setting',
    options: ['low', 'high'],
    expected: m.drumAlwaysHigh
      ? [
          { option: 'high', because: 'always high for capacity on this machine' },
          { crop: 'lentils', option: 'low', because: 'very light crop' },
        ]
      : [
          { option: 'low', because: 'small grain and stones' },
          { crop: 'maize', option: 'high', because: 'ears need room' },
          { crop: 'grain sorghum', option: 'high', because: 'heads need room' },
          { header: 'Merle 12', option: 'high', because: 'row-crop header' },
        ],
    how: 'Look which hole the stop bolt stands in, both sides.',
    why: 'The drum must ride on the crop.',
    schools: m.drumAlwaysHigh
      ? 'Always high for capacity except in very light crops.'
      : 'Low for small grain and stones, high for large ears.',
    ifLeft: 'It bunches or breaks ears.',
    interval: { kind: 'perCrop' },
    put: { adjust: 10 },
    mind: ['feeder'],
    knockOns: [
      {
        check: 'conveyor-chain-tension',
        why: 'the tension is judged with the drum at its new height',
      },
    ],
  })
    .add('mark', 'feeder-drive-chain', {
      station: 4,
      component: 'Feeder drive chain',
      measures: 'sag at mid-span',
      position: SHIELDS,
      method: 'sag',
      gauge: { length: 20, short: 0, past: 4 },
      words: {
        short: 'moves more than the gauge',
        at: 'moves as the gauge',
        past: 'moves less than the gauge',
      },
      maxSideDifference: 5,
      takeUp: {
        total: 35,
        reserve: 6,
        strandsPerTravel: 1.6,
        pitch: 25.4,
        loopPitches: 78,
        limitPercent: 2.5,
        resolution: 1,
      },
      how: 'Push the slack strand up and down at mid-span: total movement against the gauge, then the slot left.',
      why: 'Four in a hundred of the span for a level drive.',
      ifLeft: 'It skips under load and breaks a link.',
      parts: part(
        'LM-2150',
        'Drive chain, 78 pitches',
        1,
        'With its sprocket when that is hooked.',
      ),
      mind: ['hand'],
      put: { adjust: 15, shorten: 30, replace: 60 },
      interval: every(100, 365, 10),
      knockOns: [{ check: 'feeder-slip-clutch', why: 'the clutch hub moves with the chain' }],
    })
    .add('setting', 'drive-sprocket-position', {
      station: 4,
      component: 'Feeder drive sprocket',
      measures: 'which of the two it runs on',
      position: SHIELDS,
      method: 'setting',
      options: ['large (slow)', 'small (fast)'],
      expected: [
        { option: 'large (slow)' },
        { crop: 'lentils', option: 'small (fast)', because: 'light crop needs a fast feeder' },
      ],
      how: 'Look which sprocket the chain runs on.',
      why: 'Feeder speed must match the crop.',
      ifLeft: 'Heads are thrown or bunched.',
      interval: { kind: 'perCrop' },
      put: { adjust: 25 },
      knockOns: [
        { check: 'feeder-drive-chain', why: 'the chain is set anew on the other sprocket' },
      ],
    })
    .add('service', 'feeder-slip-clutch', {
      station: 4,
      component: 'Feeder slip clutch',
      measures: 'strokes of grease',
      position: SHIELDS,
      method: 'grease',
      asks: 'strokes',
      amount: m.slipClutchStrokes[0],
      most: m.slipClutchStrokes[1],
      product: 'Grease NLGI 2',
      interval: every(50),
      how: 'Several fittings, only the marked one is greased.',
      why: 'Too much grease lets it slip.',
      schools:
        m.slipClutchStrokes[0] === 1
          ? 'One stroke here; others give many. Never more than the book.'
          : 'Many small strokes here; others give one. Never more than the book.',
      ifLeft: 'It seizes and no longer protects the chain.',
    })
    .add('service', 'feeder-driveshaft', {
      station: 4,
      component: 'Feeder driveshaft joints',
      measures: 'strokes of grease, tubes lined up',
      position: LEVEL,
      method: 'grease',
      places: ['front joint', 'rear joint', 'tubes'],
      asks: 'strokes',
      amount: 4,
      most: 8,
      product: 'Grease NLGI 2',
      interval: every(50),
      how: 'Line the tubes up first, then grease.',
      why: 'Tubes out of line take no grease.',
      ifLeft: 'A dry joint breaks and flails.',
    })
    .add('measure', 'hanger-bearing', {
      station: 4,
      component: 'Feeder hanger bearing',
      measures: 'play',
      position: LEVEL,
      method: 'play',
      ...fine,
      tool: tool('feeler'),
      limit: fineWear(0.1, 0.8),
      wearRate: rate(0.0006),
      how: 'Lift the shaft by hand and read the play.',
      why: 'A loose hanger lets the shaft whip.',
      ifLeft: 'The shaft whips and takes the spline with it.',
      parts: part('LM-2161', 'Hanger bearing'),
      put: { replace: 60 },
      knockOns: [{ check: 'gearbox-splines', why: 'the shaft was drawn' }],
    })
    .add('condition', 'gearbox-splines', {
      station: 4,
      component: 'Feeder gearbox splines',
      measures: 'teeth and grease',
      position: LEVEL,
      method: 'look',
      looksFor: ['rusty red dust', 'teeth stepped', 'dry'],
      marked: 'adjust',
      how: 'Slide the hub back, wipe, look along the teeth.',
      why: 'Red dust is a spline working loose.',
      ifLeft: 'The spline strips at full load.',
      parts: part('LM-2165', 'Splined hub'),
      put: { adjust: 20, replace: 90 },
    });
}
