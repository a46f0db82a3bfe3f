import { daily, part, tool } from '../build';
import type { Combine } from './model';
import { SHIELDS, WARM } from './positions';

const fixed = { 'feeder-drive': ['fixed'] };

/** The fixed drive, and what is looked at on the high-power build. */
export function fixedDrive({ w }: Combine): void {
  const strong = { 'feeder-power': ['high'] };
  w.at(5)
    .add('condition', 'multi-rib-belt', {
      component: 'Fixed feeder belt, multi-rib',
      measures: 'ribs, back, heat marks',
      position: SHIELDS,
      looksFor: ['rib torn', 'cracks', 'fraying', 'heat marks'],
      when: fixed,
      how: 'Turn once round; look at ribs and back. Blue or shining patches are heat.',
      why: 'One torn rib unlays the next; a heat mark is a slip that has happened.',
      ifLeft: 'It throws itself off at full load.',
      parts: part('LM-5310', 'Multi-rib belt'),
      mind: ['spring'],
      put: { replace: 60 },
    })
    .add('mark', 'multi-rib-notch', {
      component: 'Fixed feeder belt, multi-rib',
      measures: 'tensioner tab in its notch',
      position: SHIELDS,
      method: 'tip-to-tip',
      gauge: { length: 30, short: 2, past: 2 },
      words: {
        short: 'tab short of the notch',
        at: 'tab in the notch',
        past: 'tab past the notch',
      },
      maxSideDifference: 3,
      setsItself: true,
      when: fixed,
      how: 'Look square at the tab on the tensioner arm: it stands inside its notch.',
      why: 'It sets itself until the belt is too long; past the notch it no longer pulls.',
      ifLeft: 'It slips under a full feeder.',
      parts: part('LM-5310', 'Multi-rib belt'),
      mind: ['spring'],
      put: { replace: 60 },
    })
    .add('measure', 'multi-rib-tension', {
      component: 'Fixed feeder belt, multi-rib',
      measures: 'note of the free span',
      position: SHIELDS,
      method: 'belt-note',
      quantity: 'frequency',
      unit: 'Hz',
      style: 'plain',
      tool: tool('phone'),
      repeats: 3,
      limit: { type: 'band', low: 38, high: 46, whenNew: { low: 48, high: 56, hours: 20 } },
      when: fixed,
      how: 'Pluck the span between drive and idler once and hold the microphone near.',
      why: 'A new belt is set tighter until it is run in.',
      ifLeft: 'It slips under a full feeder.',
      mind: ['spring'],
      put: { adjust: 15 },
    })
    .add('condition', 'feeder-gearbox-warm', {
      component: 'Feeder gearbox, high power',
      measures: 'warm to the hand after a run, not hot',
      position: WARM,
      when: strong,
      looksFor: ['too hot to hold', 'one end hotter', 'oil at the seal'],
      damaged: 'replace',
      how: 'After ten minutes of running and making safe: the flat hand on each bearing for three seconds.',
      why: 'A bearing tells by its heat long before it is heard.',
      ifLeft: 'It seizes under the first heavy crop.',
      parts: part('LM-5316', 'Gearbox bearing set', 1, 'Both ends together.'),
      mind: ['run', 'hot'],
      put: { replace: 200 },
    })
    .add('condition', 'feeder-pump-belt', {
      component: 'Feeder gearbox pump belt',
      measures: 'tight, whole',
      position: SHIELDS,
      when: strong,
      looksFor: ['gives more than a finger', 'cracks', 'oily'],
      marked: 'adjust',
      damaged: 'replace',
      how: 'Press at mid-span with the thumb; turn once round.',
      why: 'The pump oils the gearbox: no belt, no oil.',
      ifLeft: 'A gearbox that runs dry at full load.',
      parts: part('LM-5318', 'Pump belt'),
      mind: ['spring'],
      put: { adjust: 10, replace: 25 },
    })
    .add('condition', 'feeder-breather', {
      component: 'Feeder gearbox breather',
      measures: 'open, clean, never picked',
      position: SHIELDS,
      when: strong,
      looksFor: ['packed', 'oily round it', 'bent by picking'],
      marked: 'adjust',
      damaged: 'replace',
      how: 'Wipe it and turn its cap by hand. Never pick it: a wire pushes the dirt inside.',
      why: 'A shut breather presses oil past the seals.',
      ifLeft: 'Oil on the belt, and then none in the box.',
      parts: part('LM-5319', 'Breather'),
      put: { adjust: 3, replace: 5 },
    })
    .add('condition', 'dust-diverter', {
      component: 'Feeder dust diverter',
      measures: 'there, whole, free of dirt',
      position: SHIELDS,
      looksFor: ['torn', 'packed', 'bolt missing'],
      marked: 'adjust',
      damaged: 'replace',
      how: 'Hand behind it; brush it clean.',
      why: 'It keeps the dust of the feeder out of the drive.',
      ifLeft: 'Belts sanded thin.',
      parts: part('LM-5322', 'Diverter rubber'),
      mind: ['dust'],
      interval: daily,
      put: { adjust: 5, replace: 15 },
    });
}
