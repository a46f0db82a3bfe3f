import { both, every, once, part, season, type SheetWriter } from '../build';
import { differing } from '../schools';
import type { HeaderBook } from './anyHeader';
import { DOWN, RAISED, SIDE } from './positions';

/** Joints, gearboxes and the clutch: each header reads its oil as its own book wants. */
export function headerDrives(
  w: SheetWriter,
  { follows, mainOil, endOil, clutch }: HeaderBook,
): void {
  w.add('condition', 'header-ujoints', {
    component: 'Header driveshaft universal joints',
    measures: 'play, rust dust, guards turn',
    position: DOWN,
    places: both,
    looksFor: ['play', 'red dust at a cap', 'guard cracked', 'guard turns along'],
    how: 'Twist each joint against itself; hold its guard: it stands still.',
    why: 'Red dust is a needle bearing that has run dry.',
    ifLeft: 'A shaft that flails.',
    parts: part('LM-9022', 'Joint cross with caps'),
    put: { replace: 45 },
  })
    .add('level', 'header-gearbox-main', {
      component: 'Header gearbox, main',
      measures: 'oil level',
      ...mainOil,
      product: 'Gear oil GL-5 80W-90',
      colours: ['milky', 'black'],
      how: `Plug out, oil to its lower edge. Position: ${lower(mainOil.position)}. Level, drain and fill plugs look alike: ${mainOil.eye}.`,
      why: 'Every header has its own rule; another one’s position fills it wrong.',
      ifLeft: 'It runs dry at the first hill.',
      parts: part('LM-6010', 'Gear oil, 1 l'),
      mind: ['header', 'hot'],
      put: { adjust: 10, replace: 30 },
    })
    .add('level', 'header-gearbox-end', {
      component: 'Header gearbox, end',
      measures: 'oil level',
      ...endOil,
      product: 'Gear oil GL-5 80W-90',
      colours: ['milky', 'black'],
      how: `Position: ${lower(endOil.position)}. ${endOil.eye.charAt(0).toUpperCase()}${endOil.eye.slice(1)}; on the mirrored side the plugs change places.`,
      why:
        endOil.position === mainOil.position
          ? 'On this header every gearbox is read the same way.'
          : 'The other position from the main gearbox: the classic mistake.',
      ifLeft: 'It howls, then stops.',
      parts: part('LM-6010', 'Gear oil, 1 l'),
      mind: ['header', 'hot'],
      put: { adjust: 10, replace: 30 },
    })
    .add('service', 'header-gear-oil-change', {
      component: 'Header gearboxes',
      measures: 'oil changed',
      position: mainOil.position,
      asks: 'litres',
      places: ['main', 'end'],
      amount: 2,
      most: 2.4,
      perPlace: { end: { amount: 0.8, most: 1 } },
      product: 'Gear oil GL-5 80W-90',
      ...differing('gear-oil', follows, {
        season: { interval: season() },
        hours: { interval: every(250, 1095) },
      }),
      how: 'Drain warm, wipe the magnet, fill to the level plug in the same position as it is read.',
      why: 'Headers stand outside: water gets in.',
      schools: 'Every season, or by hours.',
      ifLeft: 'A gearbox full of emulsion.',
      minutes: 12,
      mind: ['header', 'hot'],
      knockOns: [
        { check: 'header-gearbox-main', why: 'the oil was changed' },
        { check: 'header-gearbox-end', why: 'the oil was changed' },
      ],
    })
    .add('service', 'header-slip-clutch', {
      component: 'Header slip clutch',
      measures: 'strokes of grease, the one marked fitting',
      position: SIDE,
      asks: 'strokes',
      ...differing('clutch', follows, clutch),
      product: 'Grease NLGI 2',
      interval: every(50),
      how: 'Several fittings, only the marked one is greased. Count.',
      why: 'Too much grease lets it slip.',
      schools: 'One stroke, or many and never more than the book.',
      ifLeft: 'It seizes and a shaft breaks.',
    })
    .add('condition', 'header-first-bolts', {
      component: 'Bolts of a new header',
      measures: 'tight after its first hours',
      position: RAISED,
      places: ['frame', 'drives', 'knife or rows'],
      looksFor: ['turns with the wrench', 'paint cracked', 'missing'],
      marked: 'adjust',
      damaged: 'replace',
      how: 'Every bolt of the list in the book, once, with the wrench.',
      why: 'A new frame settles in its first ten hours.',
      ifLeft: 'Cracks that begin at loose bolts.',
      parts: part('LM-9030', 'Bolt set'),
      interval: once(10),
      mind: ['header'],
      put: { adjust: 30, replace: 40 },
    });
}

const lower = (position: string): string => position.charAt(0).toLowerCase() + position.slice(1);
