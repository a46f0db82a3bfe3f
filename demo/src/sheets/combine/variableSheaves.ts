import { every, part, tool } from '../build';
import { indicatorOf, type Combine } from './model';
import { FAR, FAST, RUN_SLOW, SHIELDS, SLOW } from './positions';

const variable = { 'feeder-drive': ['variable'] };

/** Idler before gap, gap before grease: each disturbs the next. */
export function variableSheaves(combine: Combine): void {
  const { bring, fine, fineBand, m, by, w, ways } = combine;
  w.at(5).add('series', 'idler-parallel', {
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
    how: 'Before the gap is read: straightedge on the belt, feelers to the idler at both edges.',
    why: 'Out of parallel it eats one edge, and every gap read with it is wrong.',
    ifLeft: 'The belt frays on one side.',
    mind: ['spring'],
    put: { adjust: 25 },
    knockOns: bring('gap', 'variable-sheave-gap', 'the gap was read with the idler askew'),
  });
  for (const { way, when, id } of ways('gap'))
    w.at(5).add('measure', id('variable-sheave-gap'), {
      component: 'Variable feeder drive, front sheave',
      measures: `gap, ${way === 'slowest' ? 'drive at its slowest' : 'far sheave closed'}`,
      position: way === 'slowest' ? SLOW : FAR,
      method: 'sheave-gap',
      ...fine,
      tool: tool('feeler'),
      repeats: 3,
      limit: fineBand(...m.sheaveGap),
      drift: { perHour: 0.004, sd: 0.002 },
      versions: [{ when: { 'variable-drive': ['heavy'] }, limit: fineBand(...m.heavyGap) }],
      when: { ...variable, ...when },
      how: 'Idler parallel first. Run it there, make safe, turn the belt by hand to seat it, then feelers at three places round the rim.',
      why: 'The gap fixes the top speed; standard and heavy builds have a gap of their own.',
      schools:
        'Read with the drive slowest, or with the far sheave closed; the two figures are not the same.',
      ifLeft: 'The header never reaches its speed.',
      mind: ['run', 'spring'],
      put: { adjust: 40 },
      minutes: 10,
      knockOns: [
        { check: 'upper-clutch-belt', why: 'moving the sheave assembly slackens the upper belt' },
        { task: 'Variable drive: run it through its range several times after it was moved' },
      ],
    });
  for (const { way, when, id } of ways('grease-at'))
    w.at(5).add('service', id('variable-sheave-grease'), {
      component: 'Variable sheave fittings',
      measures: `strokes of grease, drive at its ${way}`,
      position: way === 'slowest' ? SLOW : FAST,
      places: ['front hub', 'rear hub', 'back side'],
      asks: 'strokes',
      amount: 3,
      most: 5,
      perPlace: { 'rear hub': { amount: 12, most: 16 }, 'back side': { amount: 1, most: 2 } },
      ...by('grease', {
        count: { interval: every(50) },
        often: { interval: every(10) },
      }),
      product: 'Grease NLGI 2',
      when: { ...variable, ...when },
      how: `With the drive at its ${way}. Three fittings of very unequal appetite; the one on the back side is easily forgotten.`,
      why: 'A dry hub sticks and the speed no longer changes.',
      schools:
        'At its slowest the sleeve is bare, at its fastest the hub draws grease in; by count, or little and often.',
      ifLeft: 'The sheave sticks at one speed.',
      mind: ['run'],
      knockOns: [
        {
          task: 'Variable drive: run it from slowest to fastest several times to spread the grease',
        },
      ],
    });
  w.at(5)
    .add('service', 'variable-drive-cycled', {
      component: 'Variable feeder drive',
      measures: 'run from slowest to fastest three times',
      position: RUN_SLOW,
      when: variable,
      asks: 'done',
      product: 'Three times, everyone clear',
      interval: { kind: 'season' },
      how: 'Everyone clear, doors shut. From slowest to fastest and back, three times; listen. Stop, make safe.',
      why: 'It seats belt and sleeve; a drive that sticks is found in the yard.',
      ifLeft: 'It sticks at the first headland.',
      mind: ['run'],
    })
    .add('measure', 'feeder-rpm', {
      component: 'Feeder drive',
      measures: 'speed at its slowest',
      position: RUN_SLOW,
      method: 'meter',
      quantity: 'rotation',
      unit: 'rpm',
      style: 'plain',
      tool: tool('tacho'),
      limit: { type: 'band', low: 380, high: 420 },
      when: variable,
      how: 'Everyone clear, doors shut. Hand tachometer through its hole at the shaft end, drive at its slowest. Stop, make safe.',
      why: 'The slow end is set; the fast end follows from it.',
      ifLeft: 'The reel and the feeder never agree.',
      mind: ['run'],
      minutes: 8,
      put: { adjust: 30 },
      knockOns: bring('gap', 'variable-sheave-gap', 'the slow end was set anew'),
    })
    .add('mark', 'upper-clutch-belt', {
      component: 'Feeder upper clutch belt',
      measures: 'spring washer against its gauge',
      position: SHIELDS,
      method: 'spring-gauge',
      ...indicatorOf(combine, 50),
      maxSideDifference: 3,
      takeUp: {
        total: 48,
        reserve: 8,
        strandsPerTravel: 1.8,
        pitch: 10,
        loopPitches: 230,
        limitPercent: 2,
        resolution: 1,
      },
      how: 'Clutch engaged by hand lever. Look square at the gauge, then read the slot left.',
      why: 'It slackens whenever the sheave assembly below it is moved.',
      ifLeft: 'The header stops in every thick place.',
      parts: part('LM-5306', 'Upper clutch belt'),
      mind: ['nut'],
      put: { adjust: 12, replace: 70 },
      interval: every(100, 365, 10),
    })
    .add('measure', 'electric-clutch-gap', {
      component: 'Feeder clutch, electric',
      measures: 'air gap, the widest of three',
      position: SHIELDS,
      method: 'clearance',
      ...fine,
      tool: tool('feeler'),
      limit: fineBand(0.4, 0.8),
      drift: { perHour: 0.0004, sd: 0.0002 },
      how: 'Key off, plug out. Feelers between plate and magnet at three places; the widest counts.',
      why: 'It widens as it wears until the magnet no longer pulls.',
      ifLeft: 'It slips hot, then it does not close at all.',
      parts: part('LM-5309', 'Clutch plate'),
      mind: ['clutch'],
      put: { adjust: 25, replace: 90 },
    });
}
