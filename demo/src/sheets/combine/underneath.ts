import { afterHarvest, part, tool } from '../build';
import type { Combine } from './model';
import { THRESHING, UNDERNEATH, ZERO } from './positions';

/** What is seen from below and in the middle: dents, sag, beater grate, and the zero. */
export function underneath({ fine, fineBand, fineWear, rate, rotary, w }: Combine): void {
  w.at(6)
    .add('condition', 'concave-dents', {
      component: 'Concave and separator floor',
      measures: 'dents from below',
      position: UNDERNEATH,
      looksFor: ['dent', 'crack at a dent', 'paint cracked', 'bulge'],
      damaged: 'replace',
      how: 'Lamp from below; run the hand along: a dent outside is a stone inside.',
      why: 'A dent is a crack that has begun.',
      ifLeft: 'It cracks through at full load.',
      parts: part('LM-7031', 'Concave insert'),
      mind: ['feeder'],
      put: { replace: 90 },
    })
    .add('measure', 'concave-sag', {
      component: 'Concave',
      measures: 'sag in the middle',
      position: THRESHING,
      method: 'clearance',
      ...fine,
      tool: tool('feeler'),
      limit: fineWear(0.2, 2),
      wearRate: rate(0.0005),
      how: 'Straightedge along the middle bar from end to end, feelers in the gap.',
      why: 'It sags where the stones go: the corners read right and the middle does not thresh.',
      ifLeft: 'Heads in the middle of the tank, whatever the setting.',
      parts: part('LM-7031', 'Concave insert'),
      mind: ['rotor'],
      put: { replace: 60 },
      knockOns: [{ check: 'concave-level', why: 'changing concaves unlevels them' }],
    })
    .add('condition', 'beater-grate', {
      component: 'Beater grate',
      measures: 'bars, bolts and spacers',
      position: THRESHING,
      looksFor: ['bar worn thin', 'bolt loose', 'spacer missing', 'packed'],
      marked: 'adjust',
      damaged: 'replace',
      how: 'Lamp and mirror; a finger on each bolt, count the spacers.',
      why: 'A spacer lost lets the grate touch the beater.',
      ifLeft: 'Grain rides over, or the grate is torn out.',
      parts: part('LM-7063', 'Beater grate', 1, undefined, {
        needs: [{ number: 'LM-7064', name: 'Grate spacer with bolt', each: 4 }],
      }),
      mind: ['rotor'],
      put: { adjust: 20, replace: 70 },
    })
    .add('gonogo', 'wire-guide', {
      component: 'Concave wires',
      measures: 'height with the wear guide',
      position: THRESHING,
      gauge: 'Wire wear guide',
      good: 'doesNotFit',
      otherwise: 'replace',
      how: 'Lay the guide over the front wires, three places: if it slips over, they are worn.',
      why: 'Flat wires rub nothing out.',
      ifLeft: 'Unthreshed heads.',
      parts: part('LM-7031', 'Concave insert'),
      mind: ['rotor'],
      put: { replace: 60 },
    })
    .add('gonogo', 'element-guide', {
      component: rotary ? 'Threshing elements' : 'Cylinder filler plates',
      measures: 'height with the wear guide',
      position: THRESHING,
      gauge: 'Element wear guide',
      good: 'doesNotFit',
      otherwise: 'replace',
      how: 'Lay the guide over the most worn one, turning by hand.',
      why: 'Worn ones let the crop slide past the bars. Opposite pairs are renewed together.',
      ifLeft: 'Capacity goes, then clean threshing.',
      parts: part('LM-7024', 'Threshing element', 2, 'Opposite pairs together.', { soldIn: 2 }),
      mind: ['rotor', 'hand'],
      put: { replace: 40 },
    })
    .add('measure', 'concave-zero-gap', {
      component: 'Concave',
      measures: 'clearance at its zero mark',
      position: ZERO,
      method: 'clearance',
      ...fine,
      tool: tool('feeler'),
      limit: fineBand(0.5, 2),
      drift: { perHour: 0.0009, sd: 0.0004 },
      how: 'Pointer on zero, feelers under the highest bar.',
      why: 'What the cab calls zero must be zero.',
      ifLeft: 'Every setting in the book is off by as much.',
      mind: ['rotor'],
      put: { adjust: 30 },
      knockOns: [{ check: 'concave-zero', why: 'the zero was found off' }],
    })
    .add('service', 'concave-zero', {
      component: 'Concave',
      measures: 'zeroed with the cab',
      position: ZERO,
      asks: 'done',
      product: 'In the cab, after levelling',
      interval: afterHarvest,
      how: 'Level first. Run to the mark, tell the cab it is zero. Each winter, and after every change of concave or bars.',
      why: 'Bars wear and concaves differ: the zero walks.',
      ifLeft: 'Settings nobody can trust.',
      minutes: 10,
      mind: ['rotor', 'run'],
    });
}
