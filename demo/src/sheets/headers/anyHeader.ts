import { both, every, part, season, type SheetWriter, tool } from '../build';
import type { Follows } from '../schools';
import { attaching } from './attaching';
import { headerDrives } from './headerDrives';
import { DOWN, RAISED, SIDE } from './positions';

/** What sets one header's book apart from another's. */
export interface HeaderBook {
  readonly follows: Follows;
  /** where the header stands while each gearbox is read: never one rule for all headers */
  readonly mainOil: { readonly position: string; readonly eye: string };
  readonly endOil: { readonly position: string; readonly eye: string };
  /** strokes that the main clutch takes: the conveyor's little, a row-crop header's more */
  readonly clutch: {
    readonly one: { readonly amount: number; readonly most: number };
    readonly many: { readonly amount: number; readonly most: number };
  };
}

/** What every header has: made once, in the words of its own book. */
export function anyHeader(w: SheetWriter, book: HeaderBook): SheetWriter {
  attaching(w);
  headerDrives(w, book);
  return w

    .add('condition', 'header-lights', {
      component: 'Header lights and reflectors',
      measures: 'work, whole, clean',
      position: DOWN,
      method: 'look',
      places: both,
      looksFor: ['lamp out', 'broken', 'dirty'],
      marked: 'adjust',
      how: 'Lights on, walk round, key out again.',
      why: 'The header is the widest thing on the road.',
      ifLeft: 'Not seen at dusk.',
      parts: part('LM-9002', 'Marker lamp'),
      put: { adjust: 5, replace: 15 },
    })
    .add('condition', 'header-shields', {
      component: 'Header shields and dividers',
      measures: 'there, whole, latched',
      position: DOWN,
      method: 'look',
      places: both,
      looksFor: ['missing', 'cracked', 'latch open', 'bent'],
      marked: 'adjust',
      how: 'Open and latch each one.',
      why: 'Drives turn behind them.',
      ifLeft: 'The header may not run.',
      parts: part('LM-9005', 'End shield latch'),
      put: { adjust: 10, replace: 30 },
    })
    .add('condition', 'header-lock', {
      component: 'Header latch and lock',
      measures: 'closed both sides',
      position: DOWN,
      method: 'look',
      places: both,
      looksFor: ['bent', 'not locked', 'pin worn'],
      marked: 'adjust',
      how: 'Hook behind the pin, lock across it.',
      why: 'It carries the header.',
      ifLeft: 'The header can come off.',
      parts: part('LM-9007', 'Lock pin'),
      put: { adjust: 10, replace: 20 },
    })
    .add('condition', 'header-hoses', {
      component: 'Header hoses and wiring',
      measures: 'rubbing, leaks, clips',
      position: RAISED,
      method: 'look',
      looksFor: ['rubbed', 'leak', 'clip missing', 'plug green'],
      marked: 'adjust',
      how: 'Hand along each run; never on a leak under pressure.',
      why: 'Hoses move with the header.',
      ifLeft: 'Oil on the crop, a reel that stops.',
      parts: part('LM-9010', 'Hose clip set'),
      mind: ['header', 'pressure'],
      put: { adjust: 15, replace: 40 },
    })
    .add('series', 'height-sensors', {
      component: 'Header height sensors',
      measures: 'voltage at each end of their travel',
      position: DOWN,
      method: 'meter',
      places: ['left low', 'left high', 'right low', 'right high'],
      quantity: 'voltage',
      unit: 'V',
      style: 'plain',
      tool: tool('meter'),
      limit: { type: 'band', low: 0.5, high: 0.9 },
      perPlace: {
        'left high': { limit: { type: 'band', low: 4.1, high: 4.5 } },
        'right high': { limit: { type: 'band', low: 4.1, high: 4.5 } },
      },
      drift: { perHour: 0.0006, sd: 0.0003 },
      outOfFamily: 4.2,
      how: 'Back-probe the plug with the arm at its lowest, then at its highest. Each end has a band of its own.',
      why: 'Outside its band it cannot be calibrated.',
      schools: 'Slotted mounting holes explain a failed calibration: look there first.',
      ifLeft: 'The header digs in or floats.',
      parts: part('LM-9015', 'Height sensor'),
      put: { adjust: 15 },
      knockOns: [{ task: 'Header height: calibrate anew after a sensor was moved' }],
    })
    .add('service', 'header-driveshaft', {
      component: 'Telescoping driveshafts',
      measures: 'strokes of grease, tube holes lined up',
      position: DOWN,
      method: 'grease',
      places: both,
      asks: 'strokes',
      amount: 4,
      most: 8,
      product: 'Grease NLGI 2',
      interval: every(50),
      how: 'Turn until the holes of both tubes stand in line, then grease; slide them once.',
      why: 'Tubes out of line take no grease.',
      ifLeft: 'It seizes and pushes into the gearbox.',
    })
    .add('measure', 'header-drive-chain', {
      component: 'Header main drive chain',
      measures: 'length over 12 pitches',
      position: SIDE,
      method: 'chain-pitches',
      ...w.ruled,
      tool: tool('rule'),
      limit: {
        type: 'elongation',
        pitch: 25.4,
        pitches: 12,
        limitPercent: 2.4,
        largerSprocketTeeth: 32,
      },
      wearRate: { perHour: 0.0009, sd: 0.0003 },
      how: 'Taut strand, pin to pin.',
      why: 'A big sprocket allows less elongation.',
      ifLeft: 'It jumps under load.',
      parts: part('LM-9020', 'Drive chain', 1, 'With its sprocket when that is hooked.'),
      mind: ['hand'],
      put: { replace: 60 },
      pairs: [{ check: 'header-drive-sprocket', from: 0.5, why: 'hooked teeth ruin a new chain.' }],
      interval: season(10),
    })
    .add('mark', 'header-drive-chain-sag', {
      component: 'Header main drive chain',
      measures: 'sag at mid-span',
      position: SIDE,
      method: 'sag',
      gauge: { length: 16, short: 0, past: 3 },
      words: {
        short: 'moves more than the gauge',
        at: 'moves as the gauge',
        past: 'moves less than the gauge',
      },
      maxSideDifference: 5,
      takeUp: {
        total: 32,
        reserve: 6,
        strandsPerTravel: 1.7,
        pitch: 25.4,
        loopPitches: 82,
        limitPercent: 2.4,
        resolution: 1,
      },
      how: 'Total movement at mid-span, then the slot left.',
      why: 'Tension is only good if travel is left.',
      ifLeft: 'It slaps its guard and breaks.',
      parts: part('LM-9020', 'Drive chain'),
      mind: ['hand'],
      put: { adjust: 12, shorten: 25, replace: 60 },
    })
    .add('measure', 'header-drive-sprocket', {
      component: 'Header drive sprocket',
      measures: 'tooth thickness',
      position: SIDE,
      method: 'tooth',
      ...w.fine,
      limit: { type: 'wear', nominal: w.thou(8.5), limit: w.thou(6.4), wornSide: 'smaller' },
      wearRate: { perHour: 0.0005, sd: 0.0002 },
      how: 'Caliper at mid-height, the worst of three.',
      why: 'Hooked teeth ruin a new chain.',
      ifLeft: 'The next chain lives half as long.',
      parts: part('LM-9024', 'Drive sprocket'),
      mind: ['hand'],
      put: { replace: 45 },
    });
}
