import { every, once, part, season, type SheetWriter, tool } from '../build';
import { waysOf } from '../schools';
import type { Platform } from './cutting';
import { LEVELLED, RAISED, SIDE } from './positions';

/** What turns the knife, and how its belt is judged. */
export function knifeDrives(w: SheetWriter, platform: Platform): void {
  beltWear(w, platform);
  w.add('condition', 'knife-belt-guide', {
    component: 'Knife drive belt guide',
    measures: 'belt runs by its guide, not on it',
    position: SIDE,
    looksFor: ['belt rubs the guide', 'guide bent', 'guide missing'],
    marked: 'adjust',
    damaged: 'replace',
    how: 'Turn by hand: a finger’s breadth between belt and guide all round.',
    why: 'The guide keeps a slack belt on; touching it frays it.',
    ifLeft: 'It frays, then it is off at every stop.',
    parts: part('LM-9144', 'Belt guide'),
    mind: ['spring'],
    put: { adjust: 10, replace: 15 },
  });
  if (platform.knifeDrive === 'belt') beltNote(w);
  else wobble(w);
}

/** By width, or by gauge. */
function beltWear(w: SheetWriter, { follows }: Platform): void {
  for (const { way, when, id } of waysOf('belt-judged', follows)) {
    const shared = {
      component: 'Knife drive belt',
      position: SIDE,
      when,
      schools: 'Its width by caliper, or a go-no-go gauge; a look never passes it.',
      why: 'A narrow belt sinks and slips, and the knife loses strokes.',
      ifLeft: 'Ragged cut at full speed.',
      parts: part('LM-9142', 'Knife drive belt'),
      mind: ['spring'] as const,
      put: { replace: 30 },
      interval: season(10),
    };
    if (way === 'gauge')
      w.add('gonogo', id('knife-drive-belt'), {
        ...shared,
        measures: 'profile with the belt gauge',
        gauge: 'Knife belt gauge',
        good: 'doesNotFit',
        otherwise: 'replace',
        how: 'Press the gauge over the belt; look for fraying and cuts.',
      });
    else
      w.add('measure', id('knife-drive-belt'), {
        ...shared,
        measures: 'top width',
        method: 'belt-width',
        ...w.ruled,
        limit: { type: 'wear', nominal: w.len(32), limit: w.len(29), wornSide: 'smaller' },
        wearRate: { perHour: 0.0013, sd: 0.0005 },
        lookAlone: true,
        how: 'Caliper at the narrowest of three places; look for fraying and cuts.',
      });
  }
}

/** The belt's tension, by its note. */
function beltNote(w: SheetWriter): void {
  w.add('measure', 'knife-belt-note', {
    component: 'Knife drive belt',
    measures: 'note of the free span',
    position: SIDE,
    method: 'belt-note',
    quantity: 'frequency',
    unit: 'Hz',
    style: 'plain',
    tool: tool('phone'),
    repeats: 3,
    limit: { type: 'band', low: 52, high: 64, whenNew: { low: 66, high: 76, hours: 15 } },
    how: 'Pluck once, microphone near.',
    why: 'New belts are set tighter until run in.',
    ifLeft: 'It slips or ruins the bearing.',
    mind: ['spring'],
    put: { adjust: 12 },
    interval: every(50, 365, 10),
  });
}

/** The wobble drive: its oil, changed after its first hours, and its bolts. */
function wobble(w: SheetWriter): void {
  w.add('level', 'wobble-drive-oil', {
    component: 'Knife wobble drive',
    measures: 'oil level',
    position: LEVELLED,
    method: 'level-eye',
    eye: 'sight glass',
    product: 'Gear oil GL-5 80W-90',
    colours: ['milky', 'black', 'metal'],
    how: 'Cold and level, the middle of the glass.',
    why: 'It shakes its oil to foam: never read it warm.',
    ifLeft: 'It seizes with the knife in the crop.',
    parts: part('LM-6010', 'Gear oil, 1 l'),
    mind: ['knives'],
    put: { adjust: 8, replace: 25 },
  })
    .add('measure', 'wobble-bolts', {
      component: 'Wobble drive bolts',
      measures: 'torque',
      position: SIDE,
      method: 'torque',
      quantity: 'torque',
      unit: w.ruled.unit === 'in' ? 'lbf·ft' : 'N·m',
      style: 'plain',
      tool: tool('wrench'),
      limit: { type: 'band', low: 200, high: 240 },
      how: 'Each bolt, the lowest counts.',
      why: 'They settle when new: a recheck after the first hours.',
      ifLeft: 'The drive leaves its bed.',
      mind: ['knives'],
      put: { adjust: 15 },
      interval: every(100, 365, 10),
    })
    .add('service', 'wobble-oil-first', {
      component: 'Knife wobble drive',
      measures: 'oil changed after its first hours',
      position: RAISED,
      asks: 'litres',
      amount: 1.4,
      most: 1.5,
      product: 'Gear oil GL-5 80W-90',
      interval: once(50),
      how: 'Drain warm after the first fifty hours of a new drive, wipe the magnet, fill to the glass.',
      why: 'New gears shed their edges into the first oil.',
      ifLeft: 'It laps itself loose in a season.',
      mind: ['header', 'hot'],
      knockOns: [{ check: 'wobble-drive-oil', why: 'the oil was changed' }],
    });
}
