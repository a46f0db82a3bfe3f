import { both, part, perCrop, storageIn, storageOut, tool, type SheetWriter } from '../build';
import { DOWN, RAISED, ON_GROUND } from './positions';

/** Slackened when it goes into storage, and tight again when it comes out: in no other walk. */
export function storage(w: SheetWriter): void {
  w.add('service', 'draper-storage', {
    component: 'Drapers',
    measures: 'slackened for storage',
    position: DOWN,
    places: ['left', 'centre', 'right'],
    asks: 'done',
    product: 'Slackened, tag on the key',
    interval: storageIn,
    how: 'After harvest only; tag on the key.',
    why: 'A belt left tight takes a set over winter.',
    ifLeft: 'It never tracks again.',
    minutes: 10,
  })
    .add('service', 'draper-tightened', {
      component: 'Drapers',
      measures: 'tension put back after storage',
      position: DOWN,
      places: ['left', 'centre', 'right'],
      asks: 'done',
      product: 'Tight again, tag off the key',
      interval: storageOut,
      how: 'Before the first turn: to its indicator, tag off the key.',
      why: 'Run slack it folds over its roller and tears.',
      ifLeft: 'A torn draper in the first hour.',
      minutes: 15,
      knockOns: [
        { check: 'draper-tension', why: 'the drapers were slack over winter' },
        { check: 'centre-belt-tension', why: 'the belt was slack over winter' },
        { check: 'draper-tracking', why: 'tension moves its track' },
      ],
    })
    .add('condition', 'transition-plastics', {
      component: 'Transition plastics',
      measures: 'edges and bolts between draper and feeder',
      position: RAISED,
      places: both,
      looksFor: ['edge worn through', 'cracked', 'bolt missing'],
      damaged: 'replace',
      how: 'Hand along each edge from below.',
      why: 'They bridge the gap that grain falls through.',
      ifLeft: 'A strip of grain down the middle.',
      parts: part('LM-9225', 'Transition plastic', 1, 'Both sides together.', { soldIn: 2 }),
      mind: ['header'],
      put: { replace: 30 },
    });
}

/** What lets it follow the ground, or holds it stiff. */
export function flexing(w: SheetWriter): void {
  w.add('setting', 'draper-speed', {
    component: 'Drapers',
    measures: 'speed',
    position: DOWN,
    method: 'setting',
    options: ['slow', 'middle', 'fast'],
    expected: [
      { crop: 'malting barley', option: 'middle' },
      { crop: 'lentils', option: 'slow', because: 'light crop bounces' },
      { crop: 'grain sorghum', option: 'fast' },
      { crop: 'maize', option: 'fast' },
    ],
    how: 'Read the valve.',
    why: 'Crop must lie, not bounce.',
    ifLeft: 'Bunching.',
    interval: { kind: 'perCrop' },
    put: { adjust: 3 },
  })
    .add('condition', 'flex-linkage', {
      component: 'Flex linkage',
      measures: 'pins and bushes',
      position: RAISED,
      method: 'look',
      places: ['left', 'middle', 'right'],
      looksFor: ['pin worn', 'stiff', 'bent'],
      how: 'Lift each wing by hand.',
      why: 'A stiff link digs.',
      ifLeft: 'Stones in the table.',
      parts: part('LM-9220', 'Link bush'),
      mind: ['header'],
      put: { replace: 35 },
    })
    .add('condition', 'flex-cylinders', {
      component: 'Flex cylinders and hoses',
      measures: 'leaks, rods, rubbing',
      position: RAISED,
      places: both,
      looksFor: ['rod oily', 'rod scored', 'hose rubbed', 'sinks overnight'],
      damaged: 'replace',
      how: 'Wipe the rods; hand along each hose, never on a leak under pressure.',
      why: 'A cylinder that sinks lets one wing dig.',
      ifLeft: 'One wing digs, the other floats.',
      parts: part('LM-9228', 'Cylinder seal kit'),
      mind: ['header', 'pressure'],
      put: { replace: 60 },
    })
    .add('series', 'float-force', {
      component: 'Header float',
      measures: 'force to lift each end',
      position: ON_GROUND,
      method: 'meter',
      places: both,
      quantity: 'force',
      unit: 'N',
      style: 'plain',
      tool: tool('force'),
      limit: { type: 'band', low: 270, high: 360 },
      drift: { perHour: -0.05, sd: 0.03 },
      maxDifference: 40,
      outOfFamily: 60,
      how: 'Force gauge under each end, lift until it leaves the ground; three times, the middle one.',
      why: 'Light it bounces over the crop, heavy it digs; both ends alike.',
      ifLeft: 'Stones on one side, heads on the other.',
      put: { adjust: 25 },
      knockOns: [{ check: 'header-calibrated', why: 'the float was set anew' }],
    })
    .add('setting', 'flex-pin', {
      component: 'Wing lock pins',
      measures: 'rigid or flex',
      position: ON_GROUND,
      places: both,
      options: ['rigid', 'flex'],
      expected: [
        { option: 'rigid', because: 'standing crop is cut level' },
        { crop: 'lentils', option: 'flex', because: 'cut on the ground' },
      ],
      how: 'Look which hole each pin stands in, both wings alike.',
      why: 'Flex follows the ground; rigid cuts level above it.',
      ifLeft: 'Pods left, or a wing that flaps.',
      interval: perCrop,
      put: { adjust: 10 },
      knockOns: [{ check: 'header-calibrated-crop', why: 'it hangs otherwise now' }],
    });
}
