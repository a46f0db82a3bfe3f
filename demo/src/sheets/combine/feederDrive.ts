import { every, part, season, tool } from '../build';
import type { Combine } from './model';
import { LEVEL, FEEDER_UP, SHIELDS, SLOW, FAR, FAST } from './positions';

/** Station 5. */
export function feederDrive({ fine, fineBand, m, rate, ruled, w, wear }: Combine): void {
  const variable = { 'feeder-drive': ['variable'] };
  const fixed = { 'feeder-drive': ['fixed'] };
  const position = m.gapWhen === 'slowest' ? SLOW : FAR;
  w.add('measure', 'variable-belt-width', {
    station: 5,
    component: 'Variable feeder belt',
    measures: 'top width',
    position: SHIELDS,
    method: 'belt-width',
    ...ruled,
    limit: wear(...m.variableBelt),
    wearRate: rate(0.0013),
    lookAlone: true,
    when: variable,
    how: 'Caliper on the top edges at the narrowest of three places.',
    why: 'A narrow belt rides low and turns the header slower.',
    schools: 'Measure; a gauge will do; a look alone never passes a variable belt.',
    ifLeft: 'Header speed sags, then the belt burns.',
    parts: part('LM-5302', 'Variable feeder belt'),
    mind: ['spring'],
    put: { replace: 90 },
    knockOns: [
      { check: 'variable-sheave-gap', why: 'a new belt stands at another gap' },
      { check: 'idler-parallel', why: 'the idler was swung away' },
    ],
    interval: season(10),
  })
    .add('measure', 'variable-sheave-gap', {
      station: 5,
      component: 'Variable feeder drive, front sheave',
      measures: `gap, ${m.gapWhen === 'slowest' ? 'drive at its slowest' : 'far sheave closed'}`,
      position,
      method: 'sheave-gap',
      ...fine,
      tool: tool('feeler'),
      repeats: 3,
      limit: fineBand(...m.sheaveGap),
      when: variable,
      how: 'Run it there, make safe, then feelers at three places round the rim.',
      why: 'The gap fixes the top speed; standard and heavy builds differ.',
      schools:
        m.gapWhen === 'slowest'
          ? 'Measured with the drive slowest here; others close the far sheave.'
          : 'Measured with the far sheave closed here; others run it slowest.',
      ifLeft: 'The header never reaches its speed.',
      mind: ['run', 'spring'],
      put: { adjust: 40 },
      minutes: 10,
      knockOns: [
        { check: 'idler-parallel', why: 'moving one sheave assembly slackens the next belt' },
      ],
    })
    .add('series', 'idler-parallel', {
      station: 5,
      component: 'Variable drive idler',
      measures: 'distance to the belt, both ends',
      position: SHIELDS,
      method: 'clearance',
      places: ['inner edge', 'outer edge'],
      ...fine,
      tool: tool('feeler'),
      limit: fineBand(2, 6),
      maxDifference: 0.8,
      outOfFamily: 1.5,
      when: variable,
      how: 'Straightedge on the belt, feelers to the idler at both edges.',
      why: 'Out of parallel it eats one edge.',
      ifLeft: 'The belt frays on one side.',
      mind: ['spring'],
      put: { adjust: 25 },
    })
    .add('service', 'variable-sheave-grease', {
      station: 5,
      component: 'Variable sheave fittings',
      measures: 'strokes of grease',
      position: m.greaseAt === 'slowest' ? SLOW : FAST,
      method: 'grease',
      places: ['front hub', 'rear hub'],
      asks: 'strokes',
      amount: 3,
      most: 5,
      product: 'Grease NLGI 2',
      interval: every(50),
      when: variable,
      how: `With the drive at its ${m.greaseAt}, so that the grease reaches the sleeve. The two fittings have unequal appetite.`,
      why: 'A dry hub sticks and the speed no longer changes.',
      schools: `Greased at ${m.greaseAt} here; others at ${m.greaseAt === 'slowest' ? 'fastest' : 'slowest'}.`,
      ifLeft: 'The sheave sticks at one speed.',
      mind: ['run'],
    })
    .add('level', 'reverser-oil', {
      station: 5,
      component: 'Feeder reverser',
      measures: 'oil level',
      position: m.rotary ? FEEDER_UP : LEVEL,
      method: 'level-eye',
      eye: 'side plug',
      product: 'Gear oil GL-5 80W-90',
      colours: ['milky', 'black', 'metal'],
      interval: m.oilByHours ? every(250) : season(),
      how: 'Plug out, oil to its lower edge. The cooler holds oil too: look twice after running.',
      why: 'The level position differs by build: wrong position, wrong level.',
      schools: m.oilByHours
        ? 'By hours here; others every season.'
        : 'Every season here; others by hours.',
      ifLeft: 'The reverser runs dry when it is needed most.',
      parts: part('LM-6010', 'Gear oil, 1 l', 2),
      mind: ['feeder', 'hot'],
      put: { adjust: 10, replace: 30 },
    })
    .add('condition', 'multi-rib-belt', {
      station: 5,
      component: 'Fixed feeder belt, multi-rib',
      measures: 'ribs and back',
      position: SHIELDS,
      method: 'look',
      looksFor: ['rib torn', 'cracks', 'fraying', 'heat marks'],
      when: fixed,
      how: 'Turn once round; look at ribs and back.',
      why: 'One torn rib unlays the next.',
      ifLeft: 'It throws itself off at full load.',
      parts: part('LM-5310', 'Multi-rib belt'),
      mind: ['spring'],
      put: { replace: 60 },
    })
    .add('measure', 'multi-rib-tension', {
      station: 5,
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
    });
}
