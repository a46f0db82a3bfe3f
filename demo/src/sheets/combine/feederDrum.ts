import { every, part, perCrop, tool } from '../build';
import type { Combine } from './model';
import { LEVEL, SHIELDS } from './positions';

/** Station 4: the drum and what drives it. */
export function feederDrum(combine: Combine): void {
  drumHeight(combine);
  const { by, fine, fineWear, rate, w } = combine;
  const strokes = by('clutch', { one: STROKES.one, many: STROKES.many });
  w.at(4)
    .add('mark', 'feeder-drive-chain', {
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
      how: 'Push the slack strand up and down at mid-span: total movement against the gauge, then the slot left. The idler is set by hand only, never with a lever.',
      why: 'Four in a hundred of the span for a level drive; a lever pulls the idler over and ruins its bearing.',
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
      component: 'Feeder conveyor drive',
      measures: 'which driving sprocket the chain runs on',
      position: SHIELDS,
      options: ['small driving sprocket (slow)', 'large driving sprocket (fast)'],
      expected: [
        { option: 'small driving sprocket (slow)' },
        {
          crop: 'lentils',
          option: 'large driving sprocket (fast)',
          because: 'a thin mat wants a fast feeder',
        },
        {
          header: 'Merle 10',
          option: 'large driving sprocket (fast)',
          because: 'a draper feeds in heads first, fast and even',
        },
      ],
      how: 'Look at the driving side: on its bigger sprocket the conveyor runs faster.',
      why: 'The bigger the driving sprocket, the faster what it drives.',
      ifLeft: 'Heads are thrown or bunched.',
      interval: perCrop,
      put: { adjust: 25 },
      knockOns: [
        { check: 'feeder-drive-chain', why: 'the chain is set anew on the other sprocket' },
      ],
    })
    .add('service', 'feeder-slip-clutch', {
      component: 'Feeder slip clutch',
      measures: 'strokes of grease, the one marked fitting',
      position: SHIELDS,
      asks: 'strokes',
      amount: strokes.amount,
      most: strokes.most,
      versions: [
        ...strokes.versions,
        // an older clutch holds more, whichever way is followed
        { built: { to: 2016 }, amount: 3, most: 4 },
      ],
      product: 'Grease NLGI 2',
      interval: every(50),
      how: 'Several fittings, only the marked one is greased. Count the strokes.',
      why: 'The conveyor’s clutch takes very little: too much grease lets it slip.',
      schools: 'One stroke, or many and never more than the book; older clutches hold more.',
      ifLeft: 'It seizes and no longer protects the chain.',
    })
    .add('service', 'feeder-driveshaft', {
      component: 'Feeder driveshaft joints',
      measures: 'strokes of grease, tube holes lined up',
      position: LEVEL,
      method: 'grease',
      places: ['front joint', 'rear joint', 'tubes'],
      asks: 'strokes',
      amount: 4,
      most: 8,
      product: 'Grease NLGI 2',
      interval: every(50),
      how: 'Turn the shaft until the holes of both tubes stand in line, then grease.',
      why: 'Tubes out of line take no grease.',
      ifLeft: 'A dry joint breaks and flails.',
    })
    .add('measure', 'hanger-bearing', {
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

const STROKES = {
  one: { built: { from: 2017 }, amount: 1, most: 2 },
  many: { built: { from: 2017 }, amount: 5, most: 8 },
};

const OPEN = { crop: 'maize', option: 'high', because: 'ears need room' } as const;
const LIGHT = { crop: 'lentils', option: 'low', because: 'very light crop, and stones are felt' };

/** Where the drum stands, by crop and header, in both schools. */
function drumHeight({ bring, w, ways }: Combine): void {
  for (const { way, when, id } of ways('drum'))
    w.at(4).add('setting', id('drum-height'), {
      component: 'Feeder drum',
      measures: way === 'high' ? 'height of its stops, high as a rule' : 'height of its stops',
      position: LEVEL,
      when,
      places: ['left', 'right'],
      options: ['low', 'high'],
      expected:
        way === 'high'
          ? [{ option: 'high', because: 'always high for capacity' }, LIGHT]
          : [
              { option: 'low', because: 'small grain and stones' },
              OPEN,
              { crop: 'grain sorghum', option: 'high', because: 'heads need room' },
              { header: 'Merle 12', option: 'high', because: 'a row-crop header feeds ears' },
              { header: 'Merle 10', option: 'high', because: 'a draper feeds a thick even mat' },
              { ...LIGHT, header: 'Merle 10' },
            ],
      how: 'Look which hole the stop bolt stands in, both sides alike. Drum height is put back after the tension is read.',
      why: 'The drum must ride on the crop, level from side to side.',
      schools:
        'Low for small grain and stones, high for ears and with a draper; or always high but in very light crops.',
      ifLeft: 'It bunches or breaks ears.',
      interval: perCrop,
      put: { adjust: 10 },
      mind: ['feeder'],
      knockOns: bring(
        'conveyor-judged',
        'conveyor-chain-tension',
        'the tension is judged with the drum at its new height',
      ),
    });
}
