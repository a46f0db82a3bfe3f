import { every, part, season } from '../build';
import type { Combine } from './model';
import { FEEDER_UP, LEVEL, LOWERED } from './positions';

const READ_AT = { lowered: LOWERED, level: LEVEL, raised: FEEDER_UP } as const;
const READ_WORDS = {
  lowered: 'feeder at its lowest',
  level: 'feeder level on its lock',
  raised: 'feeder fully raised on its lock',
} as const;
/** The reverser's own oil; never the gear oil of the other boxes. */
const REVERSER_OIL = 'Reverser fluid RX 32';

/** The reverser: an oil of its own, read where its build wants it, with the cooler's share. */
export function reverser({ m, by, w }: Combine): void {
  const position = READ_AT[m.reverserReadAt];
  w.at(5)
    .add('level', 'reverser-oil', {
      component: 'Feeder reverser',
      measures: 'oil level',
      position,
      eye: 'upper plug of two; the lower one drains',
      product: REVERSER_OIL,
      colours: ['milky', 'black', 'metal', 'gear oil by its smell'],
      interval: every(50, 120),
      how: `Read with the ${READ_WORDS[m.reverserReadAt]}. Plug out, oil to its lower edge. An oil of its own: gear oil ruins its plates.`,
      why: 'Its level position differs by build, and what stands right in one is wrong in another.',
      schools: 'Read lowest, level or fully raised on the lock, by build; this book names one.',
      ifLeft: 'The reverser runs dry when it is needed most.',
      parts: part('LM-6014', `${REVERSER_OIL}, 1 l`, 2),
      mind: ['feeder', 'hot'],
      put: { adjust: 10, replace: 45 },
      knockOns: [
        { task: 'Reverser: the cooler holds oil too. Run it, stand it, read the level again' },
      ],
    })
    .add('service', 'reverser-oil-change', {
      component: 'Feeder reverser',
      measures: 'oil changed, cooler drained too',
      position,
      asks: 'litres',
      amount: 3,
      most: 3.5,
      product: REVERSER_OIL,
      ...by('gear-oil', {
        season: { interval: season() },
        hours: { interval: every(250) },
      }),
      how: 'Drain the case and the cooler. Fill, run, read, fill again, until it no longer falls. Twice as often with heavy heads.',
      why: 'A cooler left full puts a third of the old oil back.',
      schools: 'Every season, or by hours; with heavy heads at half of either.',
      ifLeft: 'Burnt plates.',
      minutes: 20,
      mind: ['feeder', 'hot'],
      knockOns: [
        { task: 'Reverser: run it, stand it, read and fill again until the level stays' },
        { check: 'reverser-oil', why: 'the oil was changed' },
      ],
    });
}
