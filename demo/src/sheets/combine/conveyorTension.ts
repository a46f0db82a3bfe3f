import { both, every, part } from '../build';
import type { WayOf } from '../schools';
import { indicatorOf, type Combine } from './model';
import { LEVEL } from './positions';

/** How the chain's tension is seen, school by school. */
const SEEN: Readonly<
  Record<
    WayOf<'conveyor-judged'>,
    {
      readonly measures: string;
      readonly words: { readonly short: string; readonly at: string; readonly past: string };
      readonly how: string;
      readonly why: string;
    }
  >
> = {
  'spring-gauge': {
    measures: 'spring washer against its gauge',
    words: {
      short: 'washer not yet at the end of the gauge',
      at: 'washer level with the end',
      past: 'washer beyond the end',
    },
    how: 'Turn the conveyor by hand until the lower strand hangs free. Look square at the gauge: where does the washer stand against its end? Then read the slot left behind the adjuster.',
    why: 'With the washer at the gauge the lower slats just clear the floor. Without slot left the spring is slack whatever the gauge says.',
  },
  'slat-in-window': {
    measures: 'slat in its window',
    words: {
      short: 'slat below the middle of the window',
      at: 'slat at the middle of the window',
      past: 'slat above the middle',
    },
    how: 'Turn the conveyor by hand until a slat stands in the window of the side plate. Look square through it: below, at or above the middle? Then read the slot left.',
    why: 'At the middle of the window the chain sags as it was drawn. Without slot left it is slack whatever the window shows.',
  },
  'slat-at-floor': {
    measures: 'third slat against the floor',
    words: {
      short: 'the slat lies on the floor',
      at: 'the third slat just touches the floor',
      past: 'the third slat hangs clear',
    },
    how: 'Turn the conveyor by hand one slat on. From the front look at the third lower slat: it should just touch the floor. Then read the slot left behind the adjuster.',
    why: 'The slat that just touches carries crop without scraping. Without slot left the chain is slack whatever the slat does.',
  },
  'eye-bolt': {
    measures: 'eye-bolt between its hash marks',
    words: {
      short: 'end short of the marks',
      at: 'end between the two marks',
      past: 'end past the marks',
    },
    how: 'Turn the conveyor by hand until the lower strand hangs free. The end of the eye-bolt stands between its two hash marks, both sides. Then read the slot left.',
    why: 'Between the marks the lower slats just clear the floor. Without slot left the chain is slack wherever the bolt stands.',
  },
};

/** Station 4: how the feeder conveyor is tensioned, in every school. */
export function conveyorTension(combine: Combine): void {
  const { m, w, ways, bring } = combine;
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
  const marks = { length: 60, short: 3, past: 3 };
  for (const { way, when, id } of ways('conveyor-judged')) {
    const { measures, words, how, why } = SEEN[way];
    w.at(4).add('mark', id('conveyor-chain-tension'), {
      component: 'Feeder conveyor chain',
      measures,
      position: LEVEL,
      method: way,
      places: both,
      ...(way === 'eye-bolt' ? { gauge: marks } : indicatorOf(combine, 60)),
      words,
      maxSideDifference: 3,
      takeUp,
      runsToSettle: true,
      how,
      why,
      when: { ...chain, ...manual, ...when },
      schools:
        'The same chain can be judged by spring, window, floor or eye-bolt; the book of the machine chooses one, and readings of one are not compared with another’s.',
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
          { needs: [{ number: 'LM-2106', name: 'Connector link with clip', each: 3 }] },
        ),
        ...part('LM-2110', 'Conveyor drive sprocket', 3, 'Hooked teeth ruin a new chain.', {
          soldIn: 3,
        }),
      ],
      knockOns: [
        {
          check: 'stripper-plates',
          why: 'the slats stand elsewhere against the stripper plates',
        },
        { check: 'conveyor-on-stop', why: 'a chain pulled too tight lifts the drum off its stop' },
        { task: 'Drum height: put back where the crop wants it after the tension was read low' },
        { task: 'Slat clearance at stripper plates: look again after running' },
      ],
      pairs: [{ check: 'conveyor-sprockets', from: 0.5, why: 'hooked teeth ruin a new chain.' }],
      interval: every(100, 365, 10),
      costs: { stopHours: 6, collateral: 900, fieldMinutes: 300 },
    });
  }
  w.at(4)
    .add('mark', 'conveyor-tension-hydraulic', {
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
      component: 'Feeder conveyor belt',
      measures: 'eye-bolt between its marks, some turns tighter than chain',
      position: LEVEL,
      method: 'eye-bolt',
      places: both,
      gauge: { length: 60, short: 3, past: 3 },
      words: {
        short: 'eye-bolt short of the marks',
        at: 'eye-bolt between the marks',
        past: 'eye-bolt past the marks: it lifts the drum off its stop',
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
      how: 'Set until the eye-bolt stands between the hash marks, some turns tighter than a chain would be. Run, look again.',
      why: 'A belt conveyor runs tighter than a chain or it slips on its drum; too tight it lifts the drum off its stop.',
      schools: 'Some turns tighter than chain; the marks on this machine allow for it.',
      ifLeft: 'The belt slips, glazes and burns.',
      parts: part('LM-2140', 'Conveyor belt set'),
      mind: ['feeder', 'nut', 'run'],
      put: { adjust: 20, replace: 260 },
      interval: every(100, 365, 10),
      knockOns: [
        { check: 'conveyor-on-stop', why: 'a belt pulled too tight lifts the drum off its stop' },
      ],
    })
    .add('condition', 'conveyor-bar-bounce', {
      component: 'Feeder conveyor',
      measures: 'a bar bounced by hand',
      position: LEVEL,
      looksFor: ['bounces far: loose', 'does not give: too tight', 'one side otherwise'],
      marked: 'adjust',
      damaged: 'adjust',
      how: 'Through the front: push a lower bar up at each side and let go. It gives a little and lies still at once.',
      why: 'The hand finds in a second what an indicator hides when it sticks.',
      ifLeft: 'A slack chain that looks right.',
      mind: ['feeder'],
      minutes: 1,
      put: { adjust: 20 },
      interval: { kind: 'daily' },
      knockOns: [
        ...bring('conveyor-judged', 'conveyor-chain-tension', 'what the hand felt is read'),
        { check: 'conveyor-belt-tension', why: 'what the hand felt is read' },
      ],
    })
    .add('condition', 'conveyor-on-stop', {
      component: 'Feeder drum arms',
      measures: 'rest on their stops',
      position: LEVEL,
      places: both,
      looksFor: ['lifted off its stop', 'stop worn', 'rubber gone'],
      marked: 'adjust',
      damaged: 'replace',
      how: 'Feel under each arm: it rests, and a finger does not go between.',
      why: 'An over-tight conveyor lifts its drum: the tension reads right and the chain is ruined.',
      ifLeft: 'Chain, bearings and shaft wear out in one season.',
      parts: part('LM-2132', 'Stop rubber', 1, 'Both sides together.', { soldIn: 2 }),
      mind: ['feeder'],
      put: { adjust: 20, replace: 25 },
      knockOns: bring('conveyor-judged', 'conveyor-chain-tension', 'the drum rests elsewhere'),
    })
    .add('condition', 'conveyor-adjuster', {
      component: 'Conveyor adjusters',
      measures: 'threads, springs and guides',
      position: LEVEL,
      places: both,
      when: { ...chain, ...manual },
      looksFor: ['thread stripped', 'spring broken', 'guide bent'],
      how: 'Wipe, look along the thread, press the spring by hand.',
      why: 'What sets the chain must hold it. The spring gauge may be fitted later: it wants the heavy shaft.',
      ifLeft: 'The setting walks off by itself.',
      parts: part('LM-2133', 'Adjuster with spring gauge, retrofit', 1, 'Both sides alike.', {
        supersededBy: { number: 'LM-2133B', name: 'Adjuster with spring gauge, second form' },
        needs: [{ number: 'LM-2134', name: 'Feeder drum shaft, heavy', each: 1 }],
      }),
      mind: ['feeder', 'nut'],
      put: { replace: 60 },
    });
}
