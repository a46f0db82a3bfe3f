import { both, every, part } from '../build';
import type { Combine } from './model';
import { LEVEL } from './positions';

/** Station 4: how the feeder conveyor is tensioned, in every school. */
export function conveyorTension({ m, w }: Combine): void {
  const chain = { conveyor: ['chain'] };
  const manual = { 'conveyor-tension': ['manual'] };
  const takeUp = {
    total: m.conveyorTravel,
    reserve: 10,
    strandsPerTravel: 2,
    pitch: 41.4,
    loopPitches: m.conveyorPitches,
    limitPercent: m.conveyorLimit,
    resolution: 1,
  };
  const words = {
    'spring-gauge': {
      short: 'washer not yet at the end of the gauge',
      at: 'washer level with the end',
      past: 'washer beyond the end',
    },
    'slat-in-window': {
      short: 'slat below the middle of the window',
      at: 'slat at the middle of the window',
      past: 'slat above the middle',
    },
    'slat-at-floor': {
      short: 'the slat lies on the floor',
      at: 'the third slat just touches the floor',
      past: 'the third slat hangs clear',
    },
  }[m.conveyor];
  const how = {
    'spring-gauge':
      'Turn the conveyor by hand until the lower strand hangs free. Look square at the gauge: where does the washer stand against its end? Then read the slot left behind the adjuster.',
    'slat-in-window':
      'Turn the conveyor by hand until a slat stands in the window of the side plate. Look square through it: below, at or above the middle? Then read the slot left.',
    'slat-at-floor':
      'Turn the conveyor by hand one slat on. From the front look at the third lower slat: it should just touch the floor. Then read the slot left behind the adjuster.',
  }[m.conveyor];
  const why = {
    'spring-gauge':
      'With the washer at the gauge the lower slats just clear the floor. Without slot left the spring is slack whatever the gauge says.',
    'slat-in-window':
      'At the middle of the window the chain sags as it was drawn. Without slot left it is slack whatever the window shows.',
    'slat-at-floor':
      'The slat that just touches carries crop without scraping. Without slot left the chain is slack whatever the slat does.',
  }[m.conveyor];
  w.add('mark', 'conveyor-chain-tension', {
    station: 4,
    component: 'Feeder conveyor chain',
    measures:
      m.conveyor === 'spring-gauge'
        ? 'spring washer against its gauge'
        : m.conveyor === 'slat-in-window'
          ? 'slat in its window'
          : 'third slat against the floor',
    position: LEVEL,
    method: m.conveyor,
    places: both,
    gauge: { length: 60, short: 0, past: m.past },
    words,
    maxSideDifference: 3,
    takeUp,
    runsToSettle: true,
    how,
    why,
    when: { ...chain, ...manual },
    schools: `${m.past > 0 ? `A little past its mark is fine here, to ${m.past} mm` : 'Exactly at its mark here'}; other makes judge the same chain by spring, slat or window. The book of the machine chooses.`,
    ifLeft:
      'Slats slap the floor and the chain climbs its sprockets; a broken slat goes through the rotor.',
    minutes: 12,
    put: {
      adjust: 20,
      shorten: 90,
      replace: 240,
      cover: { name: 'feeder inspection doors', minutes: 15 },
    },
    mind: ['feeder', 'nut', 'run'],
    parts: [
      ...part(
        'LM-2104',
        `Conveyor chain set, ${m.conveyorPitches} pitches, 3 strands`,
        1,
        'All strands together, or the slats run crooked.',
      ),
      ...part('LM-2110', 'Conveyor drive sprocket', 3, 'Hooked teeth ruin a new chain.'),
    ],
    knockOns: [
      {
        check: 'stripper-plates',
        why: 'the slats stand elsewhere against the stripper plates',
      },
      { task: 'Slat clearance at stripper plates: look again after running' },
    ],
    pairs: [{ check: 'conveyor-sprockets', from: 0.5, why: 'hooked teeth ruin a new chain.' }],
    interval: every(100, 365, 10),
  })
    .add('mark', 'conveyor-tension-hydraulic', {
      station: 4,
      component: 'Feeder conveyor tensioner, hydraulic',
      measures: 'rod inside its band',
      position: LEVEL,
      method: 'hydraulic',
      places: both,
      gauge: { length: 60, short: 5, past: 5 },
      words: {
        short: 'rod short of its band',
        at: 'rod inside its band',
        past: 'rod past its band',
      },
      maxSideDifference: 6,
      setsItself: true,
      when: { ...chain, 'conveyor-tension': ['hydraulic'] },
      how: 'Look only: rod inside its band, both sides alike, no oil on the rod.',
      why: 'It sets itself; one that stands off its band has lost oil or gas.',
      schools: 'Look, do not adjust.',
      ifLeft: 'The chain runs slack although nobody can see an adjuster.',
      parts: part('LM-2130', 'Tensioner seal kit'),
      mind: ['feeder', 'pressure'],
      put: { replace: 120 },
    })
    .add('mark', 'conveyor-belt-tension', {
      station: 4,
      component: 'Feeder conveyor belt',
      measures: 'eye-bolt between its marks',
      position: LEVEL,
      method: 'eye-bolt',
      places: both,
      gauge: { length: 60, short: 3, past: 3 },
      words: {
        short: 'eye-bolt short of the marks',
        at: 'eye-bolt between the marks',
        past: 'eye-bolt past the marks',
      },
      maxSideDifference: 3,
      runsToSettle: true,
      when: { conveyor: ['belt'] },
      takeUp: {
        total: 70,
        reserve: 15,
        strandsPerTravel: 2,
        pitch: 50,
        loopPitches: 80,
        limitPercent: 3,
        resolution: 1,
      },
      how: 'Set until the eye-bolt stands between the hash marks, two turns tighter than a chain would be. Run, look again.',
      why: 'A belt conveyor runs tighter than a chain or it slips on its drum.',
      schools: 'Some turns tighter than chain; the marks on this machine allow for it.',
      ifLeft: 'The belt slips, glazes and burns.',
      parts: part('LM-2140', 'Conveyor belt set'),
      mind: ['feeder', 'nut', 'run'],
      put: { adjust: 20, replace: 260 },
      interval: every(100, 365, 10),
    });
}
