import { both, part, perCrop, perHeader, storageOut, type SheetWriter } from '../build';
import { DOWN, RAISED } from './positions';

/** How it hangs on the combine, and what must be true before it moves. */
export function attaching(w: SheetWriter): void {
  w.add('condition', 'latch-straps', {
    component: 'Header latch check straps',
    measures: 'second notch, straps tight',
    position: DOWN,
    places: both,
    looksFor: ['first notch only', 'strap slack', 'strap frayed'],
    marked: 'adjust',
    damaged: 'replace',
    how: 'The handle drops a second time; the check strap takes the last play out.',
    why: 'The first notch holds it, the second keeps it.',
    ifLeft: 'The header can come off.',
    parts: part('LM-9008', 'Check strap'),
    interval: perHeader,
    put: { adjust: 5, replace: 15 },
  })
    .add('condition', 'ground-clips', {
      component: 'Transport and ground clips',
      measures: 'up and pinned',
      position: DOWN,
      places: both,
      looksFor: ['still down', 'pin missing', 'bent'],
      marked: 'adjust',
      damaged: 'replace',
      how: 'Walk round: every stand and clip used on the ground is up and pinned.',
      why: 'A clip left down digs and bends the frame.',
      ifLeft: 'A bent frame in the first hundred metres.',
      parts: part('LM-9009', 'Clip pin', 1, undefined, { soldIn: 4 }),
      interval: perHeader,
      put: { adjust: 3, replace: 10 },
    })
    .add('service', 'header-calibrated', {
      component: 'Header height and tilt',
      measures: 'calibrated with the combine',
      position: DOWN,
      asks: 'done',
      product: 'In the cab, everyone clear',
      interval: perHeader,
      how: 'Flat ground, everyone clear. After every change of header or crop, and after side knives or lifters were added.',
      why: 'Each header weighs and bends otherwise; side knives and lifters add to it.',
      ifLeft: 'It digs on one side and floats on the other.',
      minutes: 10,
      mind: ['run'],
    })
    .add('service', 'header-calibrated-crop', {
      component: 'Header height and tilt, for the crop',
      measures: 'calibrated after a crop change',
      position: DOWN,
      asks: 'done',
      product: 'In the cab, everyone clear',
      interval: perCrop,
      how: 'As after joining; the wanted height is another.',
      why: 'Another crop is cut at another height and weight.',
      ifLeft: 'Heads on the ground.',
      minutes: 6,
      mind: ['run'],
    })
    .add('condition', 'header-rodents', {
      component: 'Header, where it stood',
      measures: 'nests, gnawed wires, packed dirt',
      position: RAISED,
      looksFor: ['nest', 'gnawed wire', 'packed dirt', 'wet straw'],
      marked: 'adjust',
      damaged: 'replace',
      how: 'Covers open, lamp in every box; a nest is taken out with the gloves on.',
      why: 'What moves in over winter eats the wires.',
      ifLeft: 'Faults that nobody finds in harvest.',
      parts: part('LM-9012', 'Loom repair kit'),
      interval: storageOut,
      mind: ['header', 'dust'],
      put: { adjust: 20, replace: 60 },
    });
}
