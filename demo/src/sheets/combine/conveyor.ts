import { both, every, part, season, tool } from '../build';
import type { Combine } from './model';
import { LEVEL, FEEDER_UP, SHIELDS } from './positions';

/** Station 4. */
export function conveyor({ fine, fineBand, fineWear, m, rate, ruled, w, wear }: Combine): void {
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
    })
    .add('series', 'conveyor-chain-elongation', {
      station: 4,
      component: 'Feeder conveyor chain, strands',
      measures: 'length over 10 pitches',
      position: LEVEL,
      method: 'chain-pitches',
      places: ['left strand', 'middle strand', 'right strand'],
      ...ruled,
      tool: tool('rule'),
      limit: {
        type: 'elongation',
        pitch: 41.4,
        pitches: 10,
        limitPercent: m.conveyorLimit,
        largerSprocketTeeth: 12,
      },
      maxDifference: 4,
      outOfFamily: 3,
      wearRate: rate(0.0011),
      when: chain,
      how: 'Pull the upper strand taut. Rule along the pins, first pin to eleventh, same side of both; strand by strand.',
      why: 'Strands that differ run the slats crooked; past the limit the chain rides up its teeth.',
      ifLeft: 'The chain climbs and jumps.',
      parts: part(
        'LM-2104',
        `Conveyor chain set, ${m.conveyorPitches} pitches, 3 strands`,
        1,
        'All strands together.',
      ),
      mind: ['feeder', 'hand'],
      per: 'check',
      put: { replace: 240 },
      pairs: [{ check: 'conveyor-sprockets', from: 0.5, why: 'hooked teeth ruin a new chain.' }],
      knockOns: [{ check: 'conveyor-chain-tension', why: 'a new or shortened chain is set anew' }],
      interval: season(10),
    })
    .add('series', 'conveyor-sprockets', {
      station: 4,
      component: 'Conveyor drive sprockets',
      measures: 'tooth thickness at mid-height',
      position: LEVEL,
      method: 'tooth',
      places: ['left', 'middle', 'right'],
      ...fine,
      limit: fineWear(9.5, 7.1),
      outOfFamily: 0.8,
      wearRate: rate(0.0006),
      when: chain,
      how: 'Caliper across one tooth at mid-height, the worst of three. Look for hooks.',
      why: 'Worn teeth strip a new chain; a worn chain hooks new teeth.',
      ifLeft: 'The next new chain lives half as long.',
      parts: part('LM-2110', 'Conveyor drive sprocket', 1, 'All three together.'),
      mind: ['feeder'],
      put: { replace: 90 },
    })
    .add('condition', 'conveyor-slats', {
      station: 4,
      component: 'Conveyor slats',
      measures: 'straight and whole',
      position: LEVEL,
      method: 'look',
      looksFor: ['bent', 'cracked', 'loose', 'worn thin'],
      marked: 'watch',
      damaged: m.straightenSlats ? 'adjust' : 'replace',
      how: 'Turn once round by hand and sight along each slat.',
      why: m.straightenSlats
        ? 'A straightened slat is a spare, not a repair: straighten it to finish the harvest, order a new one.'
        : 'A bent slat is renewed; stiffener rings keep the next one straight.',
      schools: m.straightenSlats
        ? 'Straighten here; other shops replace at once.'
        : 'Replace here; other shops straighten and keep going.',
      ifLeft: 'A bent slat strikes the floor and breaks.',
      parts: part('LM-2118', 'Slat with stiffener rings'),
      mind: ['feeder', 'hand'],
      put: { adjust: 30, replace: 40 },
    })
    .add('count', 'slat-rivets', {
      station: 4,
      component: 'Slat rivets and bolts',
      measures: 'there and tight',
      position: LEVEL,
      method: 'look',
      counted: 'slat bolts',
      total: 84,
      renew: 'each',
      how: 'Turn once round by hand, touch every one.',
      why: 'Each lost one lets a slat tip.',
      ifLeft: 'A loose slat goes through the rotor.',
      parts: part('LM-2121', 'Slat bolt with lock nut'),
      mind: ['feeder', 'hand'],
      put: { replace: 4 },
    })
    .add('condition', 'chain-links', {
      station: 4,
      component: 'Conveyor chain links',
      measures: 'side plates and rollers',
      position: LEVEL,
      method: 'look',
      when: chain,
      looksFor: ['worn flat against the roller', 'plate cracked', 'stiff link'],
      how: 'Turn once round; bend each link by hand.',
      why: 'A link worn flat cannot be seen by length alone.',
      ifLeft: 'A plate breaks under load.',
      parts: part('LM-2104', `Conveyor chain set, ${m.conveyorPitches} pitches, 3 strands`),
      mind: ['feeder', 'hand'],
      put: { replace: 240 },
    })
    .add('condition', 'feeder-floor', {
      station: 4,
      component: 'Feeder floor',
      measures: 'holes and dents',
      position: FEEDER_UP,
      method: 'look',
      looksFor: ['hole', 'dent', 'worn through'],
      damaged: 'replace',
      how: 'Lamp inside, look along the slat tracks.',
      why: 'Stones wear it through from inside.',
      ifLeft: 'Grain is lost under the feeder.',
      parts: part('LM-2125', 'Floor plate'),
      mind: ['feeder'],
      put: { replace: 120 },
    })
    .add('series', 'wear-strips', {
      station: 4,
      component: 'Feeder wear strips',
      measures: 'thickness',
      position: FEEDER_UP,
      method: 'clearance',
      places: both,
      ...ruled,
      limit: wear(6.4, 3.2),
      outOfFamily: 1.2,
      wearRate: rate(0.0008),
      how: 'Caliper at the thinnest spot.',
      why: 'Below it the chain cuts the floor.',
      ifLeft: 'The floor is next.',
      parts: part('LM-2127', 'Wear strip'),
      mind: ['feeder'],
      put: { replace: 30 },
    })
    .add('series', 'stripper-plates', {
      station: 4,
      component: 'Stripper plates',
      measures: 'clearance to the slats',
      position: LEVEL,
      method: 'clearance',
      places: both,
      ...fine,
      tool: tool('feeler'),
      limit: fineBand(1.5, 5),
      outOfFamily: 1.5,
      maxDifference: 2,
      how: 'Turn by hand, feelers at the nearest slat, both sides.',
      why: 'Close but not rubbing: wide ones let crop carry back.',
      ifLeft: 'Crop comes back round and wraps.',
      mind: ['feeder', 'hand'],
      put: { adjust: 15 },
    })
    .add('setting', 'drum-height', {
      station: 4,
      component: 'Feeder drum',
      measures: 'height of its stops',
      position: LEVEL,
      method: 'setting',
      options: ['low', 'high'],
      expected: m.drumAlwaysHigh
        ? [
            { option: 'high', because: 'always high for capacity on this machine' },
            { crop: 'lentils', option: 'low', because: 'very light crop' },
          ]
        : [
            { option: 'low', because: 'small grain and stones' },
            { crop: 'maize', option: 'high', because: 'ears need room' },
            { crop: 'grain sorghum', option: 'high', because: 'heads need room' },
            { header: 'RC12', option: 'high', because: 'row-crop header' },
          ],
      how: 'Look which hole the stop bolt stands in, both sides.',
      why: 'The drum must ride on the crop.',
      schools: m.drumAlwaysHigh
        ? 'Always high for capacity except in very light crops.'
        : 'Low for small grain and stones, high for large ears.',
      ifLeft: 'It bunches or breaks ears.',
      interval: { kind: 'perCrop' },
      put: { adjust: 10 },
      mind: ['feeder'],
      knockOns: [
        {
          check: 'conveyor-chain-tension',
          why: 'the tension is judged with the drum at its new height',
        },
      ],
    })
    .add('mark', 'feeder-drive-chain', {
      station: 4,
      component: 'Feeder drive chain',
      measures: 'sag at mid-span',
      position: SHIELDS,
      method: 'sag',
      gauge: { length: 20, short: 0, past: 4 },
      words: {
        short: 'moves more than the gauge',
        at: 'moves as the gauge',
        past: 'moves less than the gauge',
      },
      maxSideDifference: 5,
      takeUp: {
        total: 35,
        reserve: 6,
        strandsPerTravel: 1.6,
        pitch: 25.4,
        loopPitches: 78,
        limitPercent: 2.5,
        resolution: 1,
      },
      how: 'Push the slack strand up and down at mid-span: total movement against the gauge, then the slot left.',
      why: 'Four in a hundred of the span for a level drive.',
      ifLeft: 'It skips under load and breaks a link.',
      parts: part(
        'LM-2150',
        'Drive chain, 78 pitches',
        1,
        'With its sprocket when that is hooked.',
      ),
      mind: ['hand'],
      put: { adjust: 15, shorten: 30, replace: 60 },
      interval: every(100, 365, 10),
      knockOns: [{ check: 'feeder-slip-clutch', why: 'the clutch hub moves with the chain' }],
    })
    .add('setting', 'drive-sprocket-position', {
      station: 4,
      component: 'Feeder drive sprocket',
      measures: 'which of the two it runs on',
      position: SHIELDS,
      method: 'setting',
      options: ['large (slow)', 'small (fast)'],
      expected: [
        { option: 'large (slow)' },
        { crop: 'lentils', option: 'small (fast)', because: 'light crop needs a fast feeder' },
      ],
      how: 'Look which sprocket the chain runs on.',
      why: 'Feeder speed must match the crop.',
      ifLeft: 'Heads are thrown or bunched.',
      interval: { kind: 'perCrop' },
      put: { adjust: 25 },
      knockOns: [
        { check: 'feeder-drive-chain', why: 'the chain is set anew on the other sprocket' },
      ],
    })
    .add('service', 'feeder-slip-clutch', {
      station: 4,
      component: 'Feeder slip clutch',
      measures: 'strokes of grease',
      position: SHIELDS,
      method: 'grease',
      asks: 'strokes',
      amount: m.slipClutchStrokes[0],
      most: m.slipClutchStrokes[1],
      product: 'Grease NLGI 2',
      interval: every(50),
      how: 'Several fittings, only the marked one is greased.',
      why: 'Too much grease lets it slip.',
      schools:
        m.slipClutchStrokes[0] === 1
          ? 'One stroke here; others give many. Never more than the book.'
          : 'Many small strokes here; others give one. Never more than the book.',
      ifLeft: 'It seizes and no longer protects the chain.',
    })
    .add('service', 'feeder-driveshaft', {
      station: 4,
      component: 'Feeder driveshaft joints',
      measures: 'strokes of grease, tubes lined up',
      position: LEVEL,
      method: 'grease',
      places: ['front joint', 'rear joint', 'tubes'],
      asks: 'strokes',
      amount: 4,
      most: 8,
      product: 'Grease NLGI 2',
      interval: every(50),
      how: 'Line the tubes up first, then grease.',
      why: 'Tubes out of line take no grease.',
      ifLeft: 'A dry joint breaks and flails.',
    })
    .add('measure', 'hanger-bearing', {
      station: 4,
      component: 'Feeder hanger bearing',
      measures: 'play',
      position: LEVEL,
      method: 'play',
      ...fine,
      tool: tool('feeler'),
      limit: fineWear(0.1, 0.8),
      wearRate: rate(0.0006),
      how: 'Lift the shaft by hand and read the play.',
      why: 'A loose hanger lets the shaft whip.',
      ifLeft: 'The shaft whips and takes the spline with it.',
      parts: part('LM-2161', 'Hanger bearing'),
      put: { replace: 60 },
      knockOns: [{ check: 'gearbox-splines', why: 'the shaft was drawn' }],
    })
    .add('condition', 'gearbox-splines', {
      station: 4,
      component: 'Feeder gearbox splines',
      measures: 'teeth and grease',
      position: LEVEL,
      method: 'look',
      looksFor: ['rusty red dust', 'teeth stepped', 'dry'],
      marked: 'adjust',
      how: 'Slide the hub back, wipe, look along the teeth.',
      why: 'Red dust is a spline working loose.',
      ifLeft: 'The spline strips at full load.',
      parts: part('LM-2165', 'Splined hub'),
      put: { adjust: 20, replace: 90 },
    });
}
