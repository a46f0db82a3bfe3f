import { every, part, season, tool } from '../build';
import type { Combine } from './model';
import { COLD, ROTOR_SLOW } from './positions';

/** Station 10. */
export function rotorDrive({ fine, fineBand, m, rate, ruled, w, wear }: Combine): void {
  const name = m.rotary ? 'Rotor' : 'Cylinder';
  w.add('measure', 'rotor-sheave-gap', {
    station: 10,
    component: `${name} variable drive`,
    measures: 'sheave gap, sheaves closed',
    position: ROTOR_SLOW,
    method: 'sheave-gap',
    ...fine,
    tool: tool('feeler'),
    repeats: 3,
    limit: fineBand(m.sheaveGap[0] + 0.5, m.sheaveGap[1] + 0.8),
    how: 'Run to slowest, make safe, feelers at three places.',
    why: 'The gap is the slow end of the range.',
    ifLeft: `The ${name.toLowerCase()} cannot run slow enough for lentils.`,
    mind: ['run', 'spring'],
    minutes: 10,
    put: { adjust: 45 },
    knockOns: [{ check: 'rotor-belt-width', why: 'the belt rides elsewhere' }],
  })
    .add('measure', 'rotor-belt-width', {
      station: 10,
      component: `${name} drive belt`,
      measures: 'top width',
      position: ROTOR_SLOW,
      method: 'belt-width',
      ...ruled,
      limit: wear(m.variableBelt[0] + 6, m.variableBelt[1] + 5.5),
      wearRate: rate(0.0012),
      lookAlone: true,
      how: 'Caliper at the narrowest of three places.',
      why: 'It carries the most power of all belts.',
      ifLeft: 'It slips at the worst moment.',
      parts: part('LM-5330', `${name} belt`),
      mind: ['spring'],
      put: { replace: 120 },
      knockOns: [{ check: 'rotor-sheave-gap', why: 'a new belt stands at another gap' }],
      interval: season(10),
    })
    .add('level', 'rotor-gearbox-oil', {
      station: 10,
      component: `${name} gearbox, dual range`,
      measures: 'oil level',
      position: COLD,
      method: 'level-eye',
      eye: 'sight glass',
      product: 'Gear oil GL-5 80W-90',
      colours: ['milky', 'black', 'metal'],
      interval: m.oilByHours ? every(250) : season(),
      how: 'Cold and level; the middle of the glass.',
      why: 'Warm oil stands higher than it is.',
      schools: m.oilByHours
        ? 'Changed by hours here; others every season.'
        : 'Changed every season here; others by hours.',
      ifLeft: 'A gearbox is the dearest thing on the machine.',
      parts: part('LM-6010', 'Gear oil, 1 l', 5),
      mind: ['hot'],
      put: { adjust: 10, replace: 45 },
    })
    .add('setting', 'rotor-range', {
      station: 10,
      component: `${name} gearbox`,
      measures: 'range',
      position: COLD,
      method: 'setting',
      options: ['low', 'high'],
      expected: [
        { crop: 'malting barley', option: 'high' },
        { crop: 'lentils', option: 'low', because: 'splits at speed' },
        { crop: 'grain sorghum', option: 'low' },
        { crop: 'maize', option: 'low' },
      ],
      how: 'Look at the lever.',
      why: 'Crop speed.',
      ifLeft: 'Cracked grain.',
      interval: { kind: 'perCrop' },
      put: { adjust: 5 },
    })
    .add('service', 'rotor-sheave-grease', {
      station: 10,
      component: `${name} variable sheave`,
      measures: 'strokes of grease, plug out',
      position: ROTOR_SLOW,
      method: 'grease',
      asks: 'strokes',
      amount: 6,
      most: 10,
      product: 'Grease NLGI 2',
      interval: every(50),
      how: 'Plug out first, or the seal goes.',
      why: 'Grease with the plug in blows the seal.',
      schools: 'Little and often here; others by count once a season.',
      ifLeft: 'It sticks at one speed.',
      mind: ['run'],
    });
}
