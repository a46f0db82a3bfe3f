import { every, part, season, tool } from '../build';
import type { Combine } from './model';
import { COLD, ROTOR_SLOW } from './positions';

/** Station 10. */
export function rotorDrive(combine: Combine): void {
  const { fine, fineBand, m, rate, rotary, ruled, by, w, wear } = combine;
  const name = rotary ? 'Rotor' : 'Cylinder';
  w.at(10)
    .add('measure', 'rotor-sheave-gap', {
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
      component: `${name} gearbox, dual range`,
      measures: 'oil level',
      position: COLD,
      method: 'level-eye',
      eye: 'sight glass',
      product: 'Gear oil GL-5 80W-90',
      colours: ['milky', 'black', 'metal'],
      interval: every(50),
      how: 'Cold and level; the middle of the glass.',
      why: 'Warm oil stands higher than it is.',
      ifLeft: 'A gearbox is the dearest thing on the machine.',
      parts: part('LM-6010', 'Gear oil, 1 l', 5),
      mind: ['hot'],
      put: { adjust: 10, replace: 45 },
    })
    .add('setting', 'rotor-range', {
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
    .add('service', 'rotor-gearbox-oil-change', {
      component: `${name} gearbox, dual range`,
      measures: 'oil changed',
      position: COLD,
      asks: 'litres',
      amount: 9,
      most: 9.5,
      product: 'Gear oil GL-5 80W-90',
      ...by('gear-oil', {
        season: { interval: season() },
        hours: { interval: every(500, 1095) },
      }),
      how: 'Drain warm, look for metal on the magnet, fill cold to the middle of the glass.',
      why: 'Fine grey paste is wear; splinters are a bearing.',
      schools: 'Changed every season, or by hours.',
      ifLeft: 'A gearbox is the dearest thing on the machine.',
      minutes: 15,
      mind: ['hot'],
      knockOns: [{ check: 'rotor-gearbox-oil', why: 'the oil was changed' }],
    })
    .add('service', 'rotor-sheave-grease', {
      component: `${name} variable sheave`,
      measures: 'strokes of grease, plug out, sheaves closed',
      position: ROTOR_SLOW,
      asks: 'strokes',
      ...by('grease', {
        count: { interval: every(250), amount: 24, most: 30 },
        often: { interval: every(50), amount: 5, most: 8 },
      }),
      product: 'Grease NLGI 2',
      how: 'Sheaves closed. Plug out first, or the seal goes; many strokes, slowly, until fresh grease shows at the plug.',
      why: 'Grease with the plug in blows the seal; too seldom and the sleeve rusts.',
      schools: 'Many strokes at long intervals, or a few every week.',
      ifLeft: 'It sticks at one speed.',
      mind: ['run'],
      knockOns: [
        { task: 'Variable sheave: plug back in and tight' },
        { task: 'Variable sheave: cycle it from slowest to fastest several times' },
      ],
    });
}
