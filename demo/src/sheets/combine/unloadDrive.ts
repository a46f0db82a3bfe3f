import { every, part, tool } from '../build';
import type { Combine } from './model';
import { COLD, TUBE } from './positions';

/** What turns and carries the tube, and what closes it up. */
export function unloadDrive({ fine, fineWear, rate, w }: Combine): void {
  w.at(13)
    .add('measure', 'unload-gear-play', {
      component: 'Unloading bevel gears',
      measures: 'play between the teeth',
      position: TUBE,
      method: 'play',
      ...fine,
      tool: tool('feeler'),
      limit: fineWear(0.2, 1.2),
      wearRate: rate(0.0005),
      how: 'Hold one shaft, turn the other by hand, feelers between the teeth.',
      why: 'Play grows before teeth get thin: shims cure it while the teeth are good.',
      ifLeft: 'Teeth jump under a full tank.',
      parts: part('LM-8012', 'Shim set'),
      mind: ['climb'],
      put: { adjust: 40, replace: 120 },
    })
    .add('service', 'unload-swivel-grease', {
      component: 'Unloading swivel',
      measures: 'strokes of grease, all round',
      position: TUBE,
      asks: 'strokes',
      amount: 6,
      most: 10,
      product: 'Grease NLGI 2',
      interval: every(100),
      how: 'A few strokes, swing a quarter, again, until it is round.',
      why: 'Greased in one place it runs dry in the other three.',
      ifLeft: 'It creaks, then the cylinder bends.',
      minutes: 6,
      mind: ['climb'],
    })
    .add('mark', 'unload-chain', {
      component: 'Unloading drive chain',
      measures: 'snug: sag at mid-span',
      position: TUBE,
      method: 'sag',
      gauge: { length: 12, short: 0, past: 3 },
      words: {
        short: 'moves more than the gauge',
        at: 'snug: moves as the gauge',
        past: 'moves less than the gauge',
      },
      maxSideDifference: 5,
      takeUp: {
        total: 26,
        reserve: 5,
        strandsPerTravel: 1.8,
        pitch: 25.4,
        loopPitches: 48,
        limitPercent: 2.2,
        resolution: 1,
      },
      how: 'Cover off, total movement at mid-span, then the slot left.',
      why: 'It starts against a full auger: slack it cracks like a whip.',
      ifLeft: 'A link opens with a full tank.',
      parts: part('LM-8020', 'Unloading chain, 48 pitches', 1, undefined, {
        needs: [{ number: 'LM-8021', name: 'Connector link, heavy', each: 1 }],
      }),
      mind: ['hand', 'climb'],
      put: { adjust: 12, shorten: 20, replace: 45 },
      interval: every(100, 365, 10),
    })
    .add('condition', 'unload-cleanouts', {
      component: 'Tank and tube clean-outs',
      measures: 'emptied and shut',
      position: TUBE,
      places: ['tank sump', 'elbow'],
      looksFor: ['packed', 'not shut', 'seal gone'],
      marked: 'adjust',
      damaged: 'replace',
      how: 'Open, let out what is left, look along the flight, shut and hook.',
      why: 'Wet grain left there sets hard and shears the bolt.',
      ifLeft: 'A sheared bolt on the first tank.',
      parts: part('LM-8042', 'Clean-out seal'),
      mind: ['climb'],
      put: { adjust: 8, replace: 20 },
      knockOns: [{ task: 'Tank clean-outs: shut and hooked' }],
    })
    .add('condition', 'battery-covers', {
      component: 'Battery covers',
      measures: 'on, dry, terminals covered',
      position: COLD,
      looksFor: ['cover missing', 'terminal bare', 'packed in chaff'],
      marked: 'adjust',
      damaged: 'replace',
      how: 'Hand over both terminals: rubber, no metal. Blow out round them.',
      why: 'A spanner across a bare terminal is a fire.',
      ifLeft: 'A fire that begins with nobody near.',
      parts: part('LM-8032', 'Battery cover'),
      mind: ['battery', 'dust'],
      put: { adjust: 5, replace: 10 },
    });
}
