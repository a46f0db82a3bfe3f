import { both, daily, part, perCrop, tool } from '../build';
import type { Combine } from './model';
import { SHIELDS, HOOD, RUNNING } from './positions';

/** The tail of the machine: boards, plates, motors, and what is moved or run by the calendar. */
export function behind({ m, w }: Combine): void {
  w.at(12)
    .add('setting', 'tail-board', {
      component: 'Tail board',
      measures: 'position, by crop',
      position: HOOD,
      options: ['up', 'middle', 'down'],
      expected: [
        { option: 'middle' },
        { crop: 'lentils', option: 'down', because: 'little straw falls short' },
        { crop: 'maize', option: 'up', because: 'stalks need room' },
      ],
      how: 'Look which hole its pins stand in, both sides alike.',
      why: 'It throws the straw to its width.',
      ifLeft: 'A strip behind the machine, or straw on the knives.',
      interval: perCrop,
      put: { adjust: 8 },
    })
    .add('condition', 'tail-board-cracks', {
      component: 'Tail board',
      measures: 'cracks at hinges and pins',
      position: HOOD,
      looksFor: ['crack at a hinge', 'crack at a pin hole', 'bent'],
      damaged: 'replace',
      how: 'Wipe, lamp along both edges, move it by hand.',
      why: 'It shakes all day; cracks run from its pin holes.',
      ifLeft: 'It falls into the chopper.',
      parts: part('LM-7762', 'Tail board'),
      mind: ['knives', 'heavy'],
      put: { replace: 60 },
    })
    .add('condition', 'spreader-motor-leaks', {
      component: 'Spreader motors',
      measures: 'leaks at shaft and hoses',
      position: HOOD,
      places: both,
      looksFor: ['oil at the shaft', 'hose wet', 'disc oily'],
      damaged: 'replace',
      how: 'Wipe, look again after a run; the disc below tells.',
      why: 'Oil thrown on chaff burns, and the motor slows.',
      ifLeft: 'One disc stops, and the field has stripes.',
      parts: part('LM-7764', 'Motor seal kit'),
      mind: ['pressure'],
      put: { replace: 50 },
    })
    .add('service', 'stationary-moved', {
      component: 'Stationary knife bank',
      measures: 'moved in and out once',
      position: HOOD,
      when: { chopper: ['fine'] },
      asks: 'done',
      product: 'By its lever',
      interval: daily,
      how: 'Full in, full out, back to where the crop wants it.',
      why: 'Dust sets it fast in two days.',
      ifLeft: 'It is fast when the straw turns.',
      minutes: 2,
      mind: ['knives'],
    })
    .add('setting', 'blade-kind', {
      component: 'Chopper knives',
      measures: 'which kind is fitted',
      position: HOOD,
      options: ['smooth', 'serrated', 'paddle'],
      expected: [
        { option: 'smooth' },
        { crop: 'maize', option: 'paddle', because: 'stalks are thrown, not cut' },
        { crop: 'grain sorghum', option: 'serrated', because: 'tough green straw' },
      ],
      how: 'Look at three knives across the rotor: all of one kind.',
      why: 'Kinds differ in weight: never mixed on a rotor.',
      ifLeft: 'Long straw, or power thrown away.',
      interval: perCrop,
      put: { adjust: 120 },
      mind: ['rotor'],
      knockOns: [
        { check: 'strip-plate', why: 'other knives reach otherwise' },
        { check: 'chopper-knives', why: 'the knives were changed' },
      ],
    })
    .add('measure', 'strip-plate', {
      component: 'Strip plate to knives',
      measures: 'clearance',
      position: HOOD,
      method: 'clearance',
      unit: m.inch ? 'in' : 'mm',
      style: m.inch ? 'inFraction' : 'mm',
      tool: tool('rule'),
      limit: { type: 'band', low: w.len(3), high: w.len(8) },
      how: 'Turn the rotor to its longest knife, rule to the plate, three places.',
      why: 'After a change of knives it stands too near or too far.',
      ifLeft: 'It strikes, or straw wraps.',
      mind: ['rotor'],
      put: { adjust: 25 },
    })
    .add('service', 'chopper-other-speed', {
      component: 'Chopper',
      measures: 'run a minute in its other speed',
      position: RUNNING,
      asks: 'done',
      product: 'A minute, everyone clear',
      interval: { kind: 'daily', days: 7 },
      how: 'Once a week: everyone clear, doors shut, a minute in the other speed, back again. Stop, make safe.',
      why: 'A range that is never used rusts fast.',
      ifLeft: 'It will not change when the crop does.',
      minutes: 5,
      mind: ['run'],
      knockOns: [{ task: 'Chopper: back in the speed that the crop wants' }],
    })
    .add('condition', 'pan-holes', {
      component: 'Pan above the knives',
      measures: 'no holes, no loose rivets',
      position: HOOD,
      looksFor: ['hole', 'rivet gone', 'worn thin'],
      damaged: 'replace',
      how: 'Lamp from below, hand across it.',
      why: 'What comes through a hole falls on turning knives.',
      ifLeft: 'Grain is chopped with the straw.',
      parts: part('LM-7766', 'Pan section'),
      mind: ['rotor', 'guards'],
      put: { replace: 70 },
    })
    .add('condition', 'chopper-drive-sheaves', {
      component: 'Chopper drive sheaves',
      measures: 'grooves that can be felt',
      position: SHIELDS,
      looksFor: ['groove felt with a nail', 'polished at the bottom', 'chipped'],
      marked: 'replace',
      damaged: 'replace',
      how: 'Belt slack, a fingernail across each groove.',
      why: 'A groove that can be felt is worn: the sheave is renewed, not adjusted.',
      ifLeft: 'A new belt every month.',
      parts: part('LM-5281', 'Chopper sheave'),
      mind: ['spring'],
      put: { replace: 70 },
    });
}
