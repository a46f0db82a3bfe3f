import { both, every, part, season, SheetWriter, tool, type SheetInput } from './build';

/** What sets one combine's sheet apart from another's; lengths mm. Everything here is made up. */
export interface CombineModel {
  readonly model: string;
  readonly maker: string;
  readonly book: string;
  readonly inch: boolean;
  readonly rotary: boolean;
  /** how the conveyor chain's tension is judged on this make */
  readonly conveyor: 'spring-gauge' | 'slat-in-window' | 'slat-at-floor';
  /** a washer a little past its gauge is fine, mm past; 0: exactly at its end */
  readonly past: number;
  readonly conveyorTravel: number;
  readonly conveyorPitches: number;
  readonly conveyorLimit: number;
  readonly elevatorTravel: number;
  readonly elevatorPitches: number;
  readonly noPlay: boolean;
  readonly fanBelt: readonly [nominal: number, limit: number];
  readonly variableBelt: readonly [nominal: number, limit: number];
  readonly sheaveGap: readonly [low: number, high: number];
  readonly gapWhen: 'slowest' | 'far sheave closed';
  readonly raspBar: readonly [nominal: number, limit: number];
  readonly knives: number;
  readonly turnFrom: number;
  readonly mates: 'opposite' | 'each';
  readonly straightenSlats: boolean;
  readonly drumAlwaysHigh: boolean;
  readonly greaseAt: 'slowest' | 'fastest';
  readonly slipClutchStrokes: readonly [amount: number, most: number];
  readonly oilByHours: boolean;
}

const DOWN = 'Header down in working position';
const LEVEL = 'Feeder level, drum low, header on the ground';
const FEEDER_UP = 'Feeder fully raised on its lock';
const SHIELDS = 'Side shields open, belts seated by turning by hand';
const FAN = 'Belt seated by turning the fan by hand';
const BOOT = 'Boot door open and emptied, elevator turned by hand one paddle on';
const HOOD = 'Rear hood open, rotor turned by hand';
const SLOW = 'Variable drive run to its slowest, then made safe';
const FAR = 'Variable drive run until the far sheave is closed, then made safe';
const COLD = 'Cold, ten minutes after running, on level ground';
const TUBE = 'Unloading tube in, tank empty';
const ROTOR_SLOW = 'Rotor drive run to its slowest, then made safe';
const ANY = 'Header on the ground, doors open';

const LIMITS_OVERRIDE = 'The made-up numbers of this book; the maker’s manual goes before them.';

/** A combine's whole sheet, front to back. */
export function combineSheet(m: CombineModel): SheetInput {
  const w = new SheetWriter({ on: 'combine', book: m.book, inch: m.inch });
  const { ruled, fine } = w;
  const wear = (nominal: number, limit: number) => ({
    type: 'wear' as const,
    nominal: w.len(nominal),
    limit: w.len(limit),
    wornSide: limit < nominal ? ('smaller' as const) : ('larger' as const),
  });
  const fineWear = (nominal: number, limit: number) => ({
    type: 'wear' as const,
    nominal: w.thou(nominal),
    limit: w.thou(limit),
    wornSide: limit < nominal ? ('smaller' as const) : ('larger' as const),
  });
  const fineBand = (low: number | undefined, high: number | undefined, rest: object = {}) => ({
    type: 'band' as const,
    ...(low === undefined ? {} : { low: w.thou(low) }),
    ...(high === undefined ? {} : { high: w.thou(high) }),
    ...rest,
  });
  const rate = (perHour: number) => ({
    perHour,
    sd: Number((perHour / 3).toPrecision(2)),
    atNew: 0.02,
    atNewSd: 0.03,
  });

  arrive();
  feederFace();
  conveyor();
  feederDrive();
  threshing();
  cleaning();
  elevators();
  beltDrives();
  rotorDrive();
  engineSide();
  residue();
  unloading();
  lubrication();
  return {
    model: m.model,
    maker: m.maker,
    machine: 'combine',
    revision: 1,
    remark: `First whole sheet. ${LIMITS_OVERRIDE}`,
    equipment: [
      {
        id: 'feeder-drive',
        name: 'Feeder drive',
        options: [
          { id: 'variable', name: 'Variable speed' },
          { id: 'fixed', name: 'Fixed, multi-rib belt' },
        ],
      },
      {
        id: 'conveyor',
        name: 'Feeder conveyor',
        options: [
          { id: 'chain', name: 'Chain and slats' },
          { id: 'belt', name: 'Belt and slats' },
        ],
      },
      {
        id: 'conveyor-tension',
        name: 'Conveyor tensioner',
        options: [
          { id: 'manual', name: 'Spring and nut' },
          { id: 'hydraulic', name: 'Hydraulic' },
        ],
      },
      {
        id: 'chopper',
        name: 'Chopper',
        options: [
          { id: 'fine', name: 'Fine cut, all knives' },
          { id: 'standard', name: 'Standard' },
        ],
      },
      {
        id: 'unload-drives',
        name: 'Unloading drives',
        options: [
          { id: 'one', name: 'One belt' },
          { id: 'two', name: 'Two belts' },
        ],
      },
    ],
    moves: {
      usual: 2,
      table: [
        { from: LEVEL, to: FEEDER_UP, minutes: 8 },
        { from: FEEDER_UP, to: LEVEL, minutes: 8 },
        { from: DOWN, to: FEEDER_UP, minutes: 10 },
        { from: FEEDER_UP, to: DOWN, minutes: 10 },
        { from: DOWN, to: LEVEL, minutes: 5 },
        { from: LEVEL, to: DOWN, minutes: 5 },
        ...[LEVEL, DOWN, SHIELDS, FEEDER_UP, ANY].flatMap((from) =>
          [SLOW, FAR, ROTOR_SLOW].map((to) => ({ from, to, minutes: 10 })),
        ),
      ],
    },
    checks: w.checks,
  };

  function arrive() {
    w.add('condition', 1, 'feeder-lift-stop', 'Feeder-house lift stop', 'latch and pin', {
      position: FEEDER_UP,
      method: 'look',
      looksFor: ['pin missing', 'latch bent', 'does not seat'],
      marked: 'adjust',
      how: 'Swing the stop onto the cylinder rod and look that it seats full length and the pin goes in.',
      why: 'It is what holds the feeder while somebody is under it.',
      ifLeft: 'Nobody may go under the feeder.',
      parts: part('LM-1010', 'Lift-stop pin with clip'),
      mind: ['feeder'],
    })
      .add('condition', 1, 'shields', 'Shields and guards', 'there, whole and latched', {
        position: ANY,
        method: 'look',
        places: both,
        looksFor: ['missing', 'cracked', 'latch open', 'rubbing'],
        marked: 'adjust',
        how: 'Walk round once. Each shield closed, latched and whole.',
        why: 'A shield left off catches the next sleeve.',
        ifLeft: 'The machine may not run.',
        parts: part('LM-1022', 'Shield latch'),
      })
      .add('condition', 1, 'fire-extinguishers', 'Fire extinguishers', 'there, charged, in date', {
        position: ANY,
        method: 'look',
        places: ['cab', 'deck'],
        looksFor: ['pressure low', 'out of date', 'bracket loose'],
        marked: 'replace',
        how: 'Read the pressure and the date of both.',
        why: 'Chaff burns in minutes, help takes longer.',
        ifLeft: 'A small fire becomes a lost machine.',
        parts: part('LM-1030', 'Extinguisher, 6 kg'),
      })
      .add('condition', 1, 'lights-reflectors', 'Lights and reflectors', 'all work and are clean', {
        position: ANY,
        method: 'look',
        looksFor: ['lamp out', 'broken', 'dirty'],
        marked: 'adjust',
        how: 'Key on, walk round, key out again.',
        why: 'Moves between farms are at dusk.',
        ifLeft: 'Not seen on the road.',
      });
  }

  function feederFace() {
    w.add('count', 3, 'pivot-bolts', 'Feeder pivot bolts', 'present and whole', {
      position: FEEDER_UP,
      method: 'look',
      counted: 'pivot bolts',
      total: 6,
      renew: 'set',
      how: 'Look and feel for every bolt head; strike none.',
      why: 'One broken has overloaded the rest: the set is renewed.',
      ifLeft: 'The feeder face drops on one side.',
      parts: part('LM-2002', 'Pivot bolt with nut', 1, 'The whole set together.'),
      mind: ['feeder'],
      put: { replace: 12 },
    })
      .add('measure', 3, 'face-angle', 'Feeder face', 'angle with a level', {
        position: DOWN,
        method: 'meter',
        quantity: 'angle',
        unit: '°',
        style: 'plain',
        tool: tool('level'),
        limit: { type: 'band', low: 3, nominal: 4.5, high: 6 },
        how: 'Level on flat ground. Lay the level on the machined edge of the face.',
        why: 'Too steep the header digs in, too flat it leaves the lodged crop.',
        ifLeft: 'The cut is uneven whatever the header is set to.',
        put: { adjust: 30 },
      })
      .add('measure', 3, 'feeder-slide', 'Feeder face slide', 'wear strip thickness', {
        position: FEEDER_UP,
        method: 'clearance',
        ...ruled,
        limit: wear(8, 4.8),
        wearRate: rate(0.0007),
        tool: tool('caliper'),
        how: 'Caliper at the thinnest spot of both strips; take the worse.',
        why: 'Below its limit steel runs on steel.',
        ifLeft: 'The face binds and the header no longer tilts freely.',
        parts: part('LM-2008', 'Slide strip', 2),
        mind: ['feeder'],
        put: { replace: 40 },
      })
      .add('measure', 3, 'tilt-pins', 'Tilt pins', 'play in the bush', {
        position: DOWN,
        method: 'play',
        places: both,
        ...fine,
        tool: tool('feeler'),
        limit: fineWear(0.2, 1.2),
        wearRate: rate(0.0006),
        how: 'Lift with a bar and read the play with the feelers.',
        why: 'Play here makes the header chatter.',
        ifLeft: 'Pins wear oval and the face must be bored.',
        parts: part('LM-2011', 'Tilt pin and bush'),
        put: { replace: 45 },
      })
      .add('condition', 3, 'coupler', 'Header coupler', 'clean, capped, contacts bright', {
        position: DOWN,
        method: 'look',
        looksFor: ['dirt', 'cap missing', 'contact green', 'seal cut'],
        marked: 'adjust',
        how: 'Key off when joining. Clean with electrical contact cleaner, not brake cleaner.',
        why: 'Dirt in the coupler is dirt in every header valve.',
        ifLeft: 'Header functions drop out in the field.',
        parts: part('LM-2015', 'Coupler seal kit'),
        mind: ['pressure'],
      })
      .add(
        'condition',
        3,
        'header-latch',
        'Header latch and lock',
        'closed and locked both sides',
        {
          position: DOWN,
          method: 'look',
          places: both,
          looksFor: ['bent', 'spring broken', 'not locked'],
          marked: 'adjust',
          how: 'Look at the hook behind its pin and the lock across it.',
          why: 'The latch carries the header over every ditch.',
          ifLeft: 'The header can come off.',
          parts: part('LM-2019', 'Latch spring'),
        },
      );
  }

  function conveyor() {
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
    w.add(
      'mark',
      4,
      'conveyor-chain-tension',
      'Feeder conveyor chain',
      m.conveyor === 'spring-gauge'
        ? 'spring washer against its gauge'
        : m.conveyor === 'slat-in-window'
          ? 'slat in its window'
          : 'third slat against the floor',
      {
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
      },
    )
      .add(
        'mark',
        4,
        'conveyor-tension-hydraulic',
        'Feeder conveyor tensioner, hydraulic',
        'rod inside its band',
        {
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
        },
      )
      .add(
        'mark',
        4,
        'conveyor-belt-tension',
        'Feeder conveyor belt',
        'eye-bolt between its marks',
        {
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
        },
      )
      .add(
        'series',
        4,
        'conveyor-chain-elongation',
        'Feeder conveyor chain, strands',
        'length over 10 pitches',
        {
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
          pairs: [
            { check: 'conveyor-sprockets', from: 0.5, why: 'hooked teeth ruin a new chain.' },
          ],
          knockOns: [
            { check: 'conveyor-chain-tension', why: 'a new or shortened chain is set anew' },
          ],
          interval: season(10),
        },
      )
      .add(
        'series',
        4,
        'conveyor-sprockets',
        'Conveyor drive sprockets',
        'tooth thickness at mid-height',
        {
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
        },
      )
      .add('condition', 4, 'conveyor-slats', 'Conveyor slats', 'straight and whole', {
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
      .add('count', 4, 'slat-rivets', 'Slat rivets and bolts', 'there and tight', {
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
      .add('condition', 4, 'chain-links', 'Conveyor chain links', 'side plates and rollers', {
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
      .add('condition', 4, 'feeder-floor', 'Feeder floor', 'holes and dents', {
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
      .add('series', 4, 'wear-strips', 'Feeder wear strips', 'thickness', {
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
      .add('series', 4, 'stripper-plates', 'Stripper plates', 'clearance to the slats', {
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
      .add('setting', 4, 'drum-height', 'Feeder drum', 'height of its stops', {
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
      .add('mark', 4, 'feeder-drive-chain', 'Feeder drive chain', 'sag at mid-span', {
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
      .add(
        'setting',
        4,
        'drive-sprocket-position',
        'Feeder drive sprocket',
        'which of the two it runs on',
        {
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
        },
      )
      .add('service', 4, 'feeder-slip-clutch', 'Feeder slip clutch', 'strokes of grease', {
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
      .add(
        'service',
        4,
        'feeder-driveshaft',
        'Feeder driveshaft joints',
        'strokes of grease, tubes lined up',
        {
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
        },
      )
      .add('measure', 4, 'hanger-bearing', 'Feeder hanger bearing', 'play', {
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
      .add('condition', 4, 'gearbox-splines', 'Feeder gearbox splines', 'teeth and grease', {
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

  function feederDrive() {
    const variable = { 'feeder-drive': ['variable'] };
    const fixed = { 'feeder-drive': ['fixed'] };
    const position = m.gapWhen === 'slowest' ? SLOW : FAR;
    w.add('measure', 5, 'variable-belt-width', 'Variable feeder belt', 'top width', {
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
      .add(
        'measure',
        5,
        'variable-sheave-gap',
        'Variable feeder drive, front sheave',
        `gap, ${m.gapWhen === 'slowest' ? 'drive at its slowest' : 'far sheave closed'}`,
        {
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
        },
      )
      .add(
        'series',
        5,
        'idler-parallel',
        'Variable drive idler',
        'distance to the belt, both ends',
        {
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
        },
      )
      .add(
        'service',
        5,
        'variable-sheave-grease',
        'Variable sheave fittings',
        'strokes of grease',
        {
          position:
            m.greaseAt === 'slowest' ? SLOW : 'Variable drive run to its fastest, then made safe',
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
        },
      )
      .add('level', 5, 'reverser-oil', 'Feeder reverser', 'oil level', {
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
      .add('condition', 5, 'multi-rib-belt', 'Fixed feeder belt, multi-rib', 'ribs and back', {
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
      .add(
        'measure',
        5,
        'multi-rib-tension',
        'Fixed feeder belt, multi-rib',
        'note of the free span',
        {
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
        },
      );
  }

  function threshing() {
    const bars = m.rotary
      ? ['bar 1', 'bar 2', 'bar 3', 'bar 4', 'bar 5', 'bar 6', 'bar 7', 'bar 8']
      : ['bar 1', 'bar 2', 'bar 3', 'bar 4', 'bar 5', 'bar 6'];
    const drum = m.rotary ? 'Rotor' : 'Cylinder';
    w.add('series', 6, 'rasp-bar-height', `${drum} rasp bars`, 'height of the bar', {
      position: 'Threshing door open, rotor turned by hand',
      method: 'rasp-bar',
      places: bars,
      ...ruled,
      limit: wear(...m.raspBar),
      outOfFamily: 2,
      wearRate: rate(0.0007),
      how: 'Depth gauge from the land to the base, bar by bar.',
      why: 'Low bars no longer rub the grain out.',
      ifLeft: 'Unthreshed heads go over the back.',
      parts: part('LM-7020', 'Rasp bar', 1, 'Opposite pairs together, or the drum shakes.'),
      mind: ['rotor', 'hand'],
      per: 'place',
      put: { replace: 20, cover: { name: 'threshing door', minutes: 10 } },
      knockOns: [{ check: 'concave-level', why: 'higher bars narrow the concave' }],
    })
      .add('condition', 6, 'rasp-bar-condition', `${drum} rasp bars`, 'dents and cracks', {
        position: 'Threshing door open, rotor turned by hand',
        method: 'look',
        looksFor: ['dent', 'crack', 'bolt loose'],
        how: 'Turn by hand a bar at a time.',
        why: 'A cracked bar leaves at speed. Renew opposite pairs.',
        ifLeft: 'It leaves through the concave.',
        parts: part('LM-7020', 'Rasp bar', 2, 'Opposite pairs together.'),
        mind: ['rotor', 'hand'],
        put: { replace: 40 },
      })
      .add('series', 6, 'concave-level', 'Concave', 'clearance at its four corners', {
        position: 'Concave run to its zero mark',
        method: 'clearance',
        places: ['front left', 'front right', 'rear left', 'rear right'],
        ...fine,
        tool: tool('feeler'),
        limit: fineBand(4, 9),
        maxDifference: 1,
        outOfFamily: 2,
        how: 'Feelers under the highest bar at each corner.',
        why: 'Out of level it threshes on one side and cracks on the other.',
        ifLeft: 'Cracked grain and losses at once.',
        mind: ['rotor'],
        minutes: 15,
        put: { adjust: 45 },
      })
      .add('condition', 6, 'concave-wires', 'Concave wires and bars', 'wires, bars, edges', {
        position: 'Threshing door open, rotor turned by hand',
        method: 'look',
        looksFor: ['wire missing', 'bar rounded', 'bent'],
        how: 'Lamp and mirror, along every row.',
        why: 'A missing wire lets heads through.',
        ifLeft: 'Heads in the tank.',
        parts: part('LM-7031', 'Concave insert'),
        mind: ['rotor'],
        put: { replace: 60 },
        knockOns: [{ check: 'concave-level', why: 'changing concaves unlevels them' }],
      })
      .add('measure', 6, 'concave-bar-edge', 'Concave bars', 'edge height over the wires', {
        position: 'Threshing door open, rotor turned by hand',
        method: 'clearance',
        ...ruled,
        limit: wear(6.4, 3.2),
        wearRate: rate(0.0006),
        how: 'Depth gauge at the front bar, the worst of three.',
        why: 'Rounded bars do not hold the crop.',
        ifLeft: 'Capacity goes first, then clean threshing.',
        parts: part('LM-7031', 'Concave insert'),
        mind: ['rotor'],
        put: { replace: 60 },
        knockOns: [{ check: 'concave-level', why: 'changing concaves unlevels them' }],
      })
      .add('setting', 6, 'crop-spacers', 'Concave spacers', 'spacers fitted', {
        position: 'Threshing door open, rotor turned by hand',
        method: 'setting',
        options: ['none', 'half set', 'full set'],
        expected: [
          { crop: 'malting barley', option: 'half set', because: 'awns without skinning' },
          { crop: 'lentils', option: 'none', because: 'splits easily' },
          { crop: 'grain sorghum', option: 'none', because: 'open concave' },
          { crop: 'maize', option: 'none', because: 'cobs need room' },
        ],
        how: 'Count the plates on the concave.',
        why: 'Malting barley must keep its skin.',
        ifLeft: 'Skinned barley is feed barley.',
        interval: { kind: 'perCrop' },
        put: { adjust: 20 },
      })
      .add('setting', 6, 'concave-type', 'Concave', 'which concave is in', {
        position: 'Threshing door open, rotor turned by hand',
        method: 'setting',
        options: ['small wire', 'large wire', 'round bar'],
        expected: [
          { crop: 'malting barley', option: 'small wire' },
          { crop: 'lentils', option: 'large wire' },
          { crop: 'grain sorghum', option: 'large wire' },
          { crop: 'maize', option: 'round bar' },
        ],
        how: 'Look through the door.',
        why: 'The crop chooses the concave.',
        ifLeft: 'Cracks or losses.',
        interval: { kind: 'perCrop' },
        put: { adjust: 90 },
        mind: ['rotor', 'heavy'],
        knockOns: [{ check: 'concave-level', why: 'changing concaves unlevels them' }],
      });
    if (m.rotary) {
      w.add('gonogo', 6, 'tine-height', 'Separator tines', 'height with the wear guide', {
        position: 'Threshing door open, rotor turned by hand',
        method: 'gonogo',
        gauge: 'Tine wear guide',
        good: 'doesNotFit',
        otherwise: 'turn',
        how: 'Lay the guide over the worst tine: if it slips over, the tine is worn.',
        why: 'Short tines no longer turn the mat.',
        ifLeft: 'Grain rides out on the mat.',
        parts: part('LM-7040', 'Separator tine'),
        mind: ['rotor'],
        put: { turn: 40, replace: 60 },
      })
        .add('condition', 6, 'grate-bars', 'Separator grates', 'bars and wear', {
          position: 'Threshing door open, rotor turned by hand',
          method: 'look',
          looksFor: ['bar worn thin', 'bent', 'packed'],
          marked: 'adjust',
          how: 'Lamp from below.',
          why: 'A closed grate is a loss at the back.',
          ifLeft: 'Losses grow with yield.',
          parts: part('LM-7044', 'Grate section'),
          mind: ['rotor'],
          put: { adjust: 20, replace: 60 },
        })
        .add('measure', 6, 'rotor-front-bearing', 'Rotor front bearing', 'play', {
          position: 'Threshing door open, rotor turned by hand',
          method: 'play',
          ...fine,
          tool: tool('feeler'),
          limit: fineWear(0.1, 0.7),
          wearRate: rate(0.0004),
          how: 'Bar under the shaft, lift, read.',
          why: 'Play lets the rotor touch its concave.',
          ifLeft: 'The rotor touches.',
          parts: part('LM-7050', 'Rotor front bearing'),
          mind: ['rotor', 'heavy'],
          put: { replace: 240 },
        });
    } else {
      w.add('condition', 6, 'beater', 'Beater', 'blades and bolts', {
        position: 'Threshing door open, rotor turned by hand',
        method: 'look',
        looksFor: ['bent', 'cracked', 'bolt loose'],
        how: 'Turn by hand once round.',
        why: 'It carries straw from cylinder to walkers.',
        ifLeft: 'It wraps and stops.',
        parts: part('LM-7061', 'Beater blade', 2, 'Opposite pairs.'),
        mind: ['rotor', 'hand'],
        put: { replace: 40 },
      })
        .add('series', 6, 'walker-cranks', 'Straw-walker crank bearings', 'play', {
          position: 'Rear hood open, cranks turned by hand',
          method: 'play',
          places: ['walker 1', 'walker 2', 'walker 3', 'walker 4', 'walker 5'],
          ...fine,
          tool: tool('feeler'),
          limit: fineWear(0.2, 1.4),
          outOfFamily: 0.5,
          wearRate: rate(0.0008),
          how: 'Lift each walker at its crank.',
          why: 'Wooden bearings wear evenly or not at all.',
          ifLeft: 'A crank breaks and the walker drops.',
          parts: part('LM-7065', 'Walker bearing', 1, 'Both halves together.'),
          mind: ['hand'],
          per: 'place',
          put: { replace: 30 },
        })
        .add('condition', 6, 'walker-risers', 'Straw walkers', 'risers, grates, packed', {
          position: 'Rear hood open, cranks turned by hand',
          method: 'look',
          looksFor: ['packed', 'bent riser', 'hole'],
          marked: 'adjust',
          how: 'Lamp from the rear.',
          why: 'Grain falls through open grates only.',
          ifLeft: 'Grain rides out on the straw.',
          parts: part('LM-7068', 'Walker riser'),
          put: { adjust: 30, replace: 60 },
        });
    }
  }

  function cleaning() {
    w.add('count', 7, 'fan-blades', 'Cleaning fan blades', 'straight and there', {
      position: FAN,
      method: 'look',
      counted: 'blades',
      total: 24,
      renew: 'opposite',
      how: 'Turn the fan by hand; sight along each row.',
      why: 'A bent or packed blade unbalances the fan.',
      ifLeft: 'The fan shakes its bearings out.',
      parts: part('LM-7110', 'Fan blade', 1, 'Opposite pairs.'),
      mind: ['hand'],
      put: { replace: 10 },
    })
      .add('condition', 7, 'fan-bearing', 'Cleaning fan bearings', 'noise, heat marks, grease', {
        position: FAN,
        method: 'look',
        places: both,
        looksFor: ['dry', 'blue', 'play'],
        marked: 'adjust',
        how: 'Turn by hand, listen and feel at the housing.',
        why: 'A dry bearing turns blue, then seizes.',
        ifLeft: 'The fan stops in the best hour.',
        parts: part(
          'LM-7115',
          'Fan bearing with flange',
          1,
          'With its flange and the inner one while you are there.',
        ),
        put: { adjust: 10, replace: 60 },
      })
      .add('measure', 7, 'fan-speed-sensor', 'Fan speed sensor', 'gap to its wheel', {
        position: FAN,
        method: 'clearance',
        ...fine,
        tool: tool('feeler'),
        limit: fineBand(0.8, 1.6),
        how: 'Turn to a tooth, feelers between.',
        why: 'Too wide it misses teeth, too near it is struck.',
        ifLeft: 'The fan hunts or reads nothing.',
        put: { adjust: 8 },
      })
      .add('series', 7, 'eccentric-arms', 'Shoe eccentric arms', 'play in the bush', {
        position: SHIELDS,
        method: 'play',
        places: ['front left', 'front right', 'rear left', 'rear right'],
        ...fine,
        tool: tool('feeler'),
        limit: fineWear(0.1, 1),
        outOfFamily: 0.4,
        wearRate: rate(0.0007),
        how: 'Bar at each arm, push and pull.',
        why: 'A loose arm hammers the shoe.',
        ifLeft: 'The arm breaks and the shoe drops.',
        parts: part('LM-7121', 'Eccentric bush'),
        per: 'place',
        put: { replace: 35 },
      })
      .add(
        'condition',
        7,
        'eccentric-bearings',
        'Shoe eccentric bearings',
        'heat marks, grease, play',
        {
          position: SHIELDS,
          method: 'look',
          places: both,
          looksFor: ['grease thrown', 'blue', 'play'],
          how: 'Feel for warmth after the last run; look for thrown grease.',
          why: 'Renew with its flange and the inner one while you are there.',
          ifLeft: 'It seizes and breaks the shaft.',
          parts: part('LM-7125', 'Eccentric bearing with flange'),
          put: { replace: 90 },
        },
      )
      .add('count', 7, 'chaffer-teeth', 'Chaffer teeth', 'straight and there', {
        position: 'Sieves drawn out to look',
        method: 'look',
        counted: 'teeth',
        total: 320,
        renew: 'each',
        allowed: 3,
        how: 'Sight along every louvre.',
        why: 'Bent teeth carry grain over.',
        ifLeft: 'Losses and dirty grain.',
        parts: part('LM-7130', 'Chaffer louvre'),
        put: { replace: 6 },
      })
      .add('condition', 7, 'sieve-frames', 'Sieve frames', 'seals and adjuster', {
        position: 'Sieves drawn out to look',
        method: 'look',
        places: ['chaffer', 'lower sieve'],
        looksFor: ['seal torn', 'adjuster stiff', 'frame cracked'],
        marked: 'adjust',
        how: 'Open and close by hand; look round the seal.',
        why: 'Air goes where the seal is not.',
        ifLeft: 'Grain is blown out at the side.',
        parts: part('LM-7134', 'Sieve seal'),
        put: { adjust: 15, replace: 40 },
      })
      .add('setting', 7, 'sieve-opening', 'Chaffer', 'opening', {
        position: 'Sieves drawn out to look',
        method: 'setting',
        options: ['8 mm', '12 mm', '16 mm', '18 mm'],
        expected: [
          { crop: 'malting barley', option: '16 mm' },
          { crop: 'lentils', option: '12 mm' },
          { crop: 'grain sorghum', option: '12 mm' },
          { crop: 'maize', option: '18 mm' },
        ],
        how: 'Read between louvres at mid-width.',
        why: 'A starting point; the tank tells the rest.',
        ifLeft: 'First hours of losses.',
        interval: { kind: 'perCrop' },
        put: { adjust: 5 },
      })
      .add('condition', 7, 'shoe-dirt', 'Cleaning shoe', 'packed dirt round moving arms', {
        position: 'Sieves drawn out to look',
        method: 'look',
        looksFor: ['packed', 'rubbing', 'wet straw'],
        marked: 'adjust',
        damaged: 'adjust',
        how: 'Blow out, look round every arm.',
        why: 'Packed dirt rubs itself hot and holds the shoe.',
        ifLeft: 'It burns or breaks an arm.',
        mind: ['dust'],
        put: { adjust: 20 },
      })
      .add('condition', 7, 'shoe-hangers', 'Shoe hangers and rubbers', 'rubber and bolts', {
        position: SHIELDS,
        method: 'look',
        places: both,
        looksFor: ['rubber cracked', 'bolt loose'],
        how: 'Bar and lamp.',
        why: 'A torn rubber lets the shoe knock.',
        ifLeft: 'The shoe wall cracks.',
        parts: part('LM-7140', 'Hanger rubber', 2, 'Both sides together.'),
        put: { replace: 40 },
      });
  }

  function elevators() {
    const takeUp = {
      total: m.elevatorTravel,
      reserve: 12,
      strandsPerTravel: 2,
      pitch: 38.1,
      loopPitches: m.elevatorPitches,
      limitPercent: 2.5,
      resolution: 1,
    };
    w.add('feel', 8, 'elevator-chain', 'Clean-grain elevator chain', 'feel at the lower sprocket', {
      position: BOOT,
      method: 'elevator-feel',
      places: ['boot'],
      good: ['justSlides', 'slidesEasily'],
      asksPlay: m.noPlay,
      takeUp,
      how: `Push the chain sideways on the lower sprocket by hand, then try to pull it away from the teeth.${m.noPlay ? ' Feel for up-and-down play too.' : ''} Read the adjuster slot left.`,
      why: 'Right: it slides sideways by hand and cannot be pulled away. Too tight ruins the lower bearing.',
      schools: m.noPlay
        ? 'Feel plus no up-and-down play here, every so many hours.'
        : 'Feel alone here; others add play, or look daily.',
      ifLeft:
        'Paddles strike the housing and crack grain; the chain drops off and the tank stops filling.',
      minutes: 8,
      put: {
        adjust: 20,
        shorten: 60,
        replace: 180,
        cover: { name: 'elevator boot and head doors', minutes: 15 },
      },
      mind: ['hand'],
      parts: [
        ...part('LM-3301', 'Elevator chain with paddles'),
        ...part('LM-3308', 'Lower sprocket', 1, 'Hooked teeth ruin a new chain.'),
      ],
      knockOns: [
        { check: 'elevator-top-drive', why: 'the head moved, its drive chain sags otherwise' },
        { task: 'Top drive chain: its sag changes with the elevator head' },
        { task: 'Yield sensor: recalibrate after moving the head' },
      ],
      interval: every(m.noPlay ? 50 : 100, 365, 5),
      pairs: [{ check: 'elevator-sprocket', from: 0.5, why: 'hooked teeth ruin a new chain.' }],
    })
      .add(
        'measure',
        8,
        'elevator-chain-elongation',
        'Clean-grain elevator chain',
        'length over 12 pitches',
        {
          position: BOOT,
          method: 'chain-pitches',
          ...ruled,
          tool: tool('rule'),
          limit: {
            type: 'elongation',
            pitch: 38.1,
            pitches: 12,
            limitPercent: 2.5,
            largerSprocketTeeth: 10,
          },
          wearRate: rate(0.0008),
          how: 'Taut strand, pin to pin.',
          why: 'Paddles on a long chain strike the housing.',
          ifLeft: 'Cracked grain, then a lost chain.',
          parts: part('LM-3301', 'Elevator chain with paddles'),
          mind: ['hand'],
          put: { replace: 180 },
          interval: season(5),
        },
      )
      .add('measure', 8, 'elevator-sprocket', 'Elevator lower sprocket', 'tooth thickness', {
        position: BOOT,
        method: 'tooth',
        ...fine,
        limit: fineWear(8, 6),
        wearRate: rate(0.0005),
        how: 'Caliper at mid-height, the worst of three.',
        why: 'Hooked teeth ruin a new chain.',
        ifLeft: 'The next chain lives half as long.',
        parts: part('LM-3308', 'Lower sprocket'),
        mind: ['hand'],
        put: { replace: 60 },
      })
      .add('condition', 8, 'elevator-adjuster', 'Elevator adjusting bolt', 'straight and free', {
        position: BOOT,
        method: 'look',
        places: both,
        looksFor: ['bent', 'rusted fast', 'nut pulled past the end'],
        how: 'Look along the bolt.',
        why: 'Bent: somebody pulled past the end, or grain is packed in the boot.',
        ifLeft: 'The chain cannot be set.',
        parts: part('LM-3312', 'Adjusting bolt'),
        put: { replace: 25 },
      })
      .add('series', 8, 'elevator-paddles', 'Elevator paddles', 'height left', {
        position: BOOT,
        method: 'clearance',
        places: ['paddle a', 'paddle b', 'paddle c'],
        ...ruled,
        tool: tool('rule'),
        limit: wear(38, 31),
        outOfFamily: 4,
        wearRate: rate(0.0006),
        how: 'Three paddles a third of the chain apart.',
        why: 'Short paddles let grain fall back and be struck again.',
        ifLeft: 'Cracked grain and a wandering yield map.',
        parts: part('LM-3305', 'Paddle'),
        mind: ['hand'],
        put: { replace: 8 },
      })
      .add('mark', 8, 'elevator-top-drive', 'Elevator top drive chain', 'sag at mid-span', {
        position: SHIELDS,
        method: 'sag',
        gauge: { length: 16, short: 0, past: 3 },
        words: {
          short: 'moves more than the gauge',
          at: 'moves as the gauge',
          past: 'moves less than the gauge',
        },
        maxSideDifference: 5,
        takeUp: {
          total: 30,
          reserve: 6,
          strandsPerTravel: 1.8,
          pitch: 19.05,
          loopPitches: 96,
          limitPercent: 2.5,
          resolution: 1,
        },
        how: 'Total movement at mid-span, then the slot left.',
        why: 'Long outer chains wear unseen.',
        ifLeft: 'It jumps and the elevator stops.',
        parts: part('LM-3320', 'Top drive chain, 96 pitches'),
        mind: ['hand', 'climb'],
        put: { adjust: 15, shorten: 25, replace: 50 },
        interval: every(100),
      })
      .add(
        'gonogo',
        8,
        'elevator-drive-belt',
        'Elevator drive belt',
        'profile with the belt gauge',
        {
          position: SHIELDS,
          method: 'gonogo',
          gauge: 'Belt wear gauge',
          good: 'doesNotFit',
          otherwise: 'replace',
          how: 'Press the gauge over the belt: if it goes to the stop, the belt is worn.',
          why: 'A gauge says at once what a look cannot.',
          schools: 'Go-no-go gauge here; others measure the width.',
          ifLeft: 'The elevator slows and plugs.',
          parts: part('LM-5220', 'Elevator drive belt'),
          mind: ['spring'],
          put: { replace: 45 },
        },
      )
      .add('condition', 8, 'moisture-sensor', 'Moisture sensor auger', 'clean and turning', {
        position: TUBE,
        method: 'look',
        looksFor: ['packed', 'blade worn', 'wire loose'],
        marked: 'adjust',
        how: 'Open the flap, brush out.',
        why: 'Packed it reads last week.',
        ifLeft: 'Wet grain is sold as dry, or the other way.',
        put: { adjust: 10, replace: 40 },
        mind: ['climb'],
      })
      .add('condition', 8, 'grain-camera', 'Grain camera lens', 'clean', {
        position: TUBE,
        method: 'look',
        looksFor: ['dusty', 'scratched'],
        marked: 'adjust',
        how: 'Wipe with the soft cloth only.',
        why: 'It judges what it sees.',
        ifLeft: 'It sees trash everywhere.',
        parts: part('LM-3340', 'Camera glass'),
        put: { adjust: 3, replace: 15 },
        mind: ['climb'],
      })
      .add('feel', 8, 'tailings-chain', 'Tailings elevator chain', 'feel at the lower sprocket', {
        position: BOOT,
        method: 'elevator-feel',
        places: ['boot'],
        good: ['justSlides', 'slidesEasily'],
        asksPlay: m.noPlay,
        takeUp: { ...takeUp, total: 45, reserve: 10, loopPitches: 124 },
        how: 'As the clean-grain chain.',
        why: 'Tailings that do not return are lost.',
        ifLeft: 'It plugs and throws the shear.',
        parts: part('LM-3351', 'Tailings chain with paddles'),
        mind: ['hand'],
        put: { adjust: 15, shorten: 50, replace: 140 },
        interval: every(100, 365, 5),
      })
      .add('series', 8, 'tailings-paddles', 'Tailings paddles', 'height left', {
        position: BOOT,
        method: 'clearance',
        places: ['paddle a', 'paddle b'],
        ...ruled,
        tool: tool('rule'),
        limit: wear(34, 27),
        outOfFamily: 4,
        wearRate: rate(0.0006),
        how: 'Two paddles half a chain apart.',
        why: 'Short paddles do not clear the boot.',
        ifLeft: 'The boot packs.',
        parts: part('LM-3355', 'Tailings paddle'),
        mind: ['hand'],
        put: { replace: 8 },
      });
  }

  function beltDrives() {
    const spring = (id: string, component: string, ifLeft: string, more: object = {}) =>
      w.add('mark', 9, id, component, 'spring washer against its gauge', {
        position: SHIELDS,
        method: 'spring-gauge',
        gauge: { length: 50, short: 0, past: m.past },
        maxSideDifference: 3,
        takeUp: {
          total: 50,
          reserve: 8,
          strandsPerTravel: 1.8,
          pitch: 10,
          loopPitches: 320,
          limitPercent: 2,
          resolution: 1,
        },
        how: 'Look square at the gauge, then read the slot left.',
        why: 'The spring holds its force only at its length.',
        ifLeft,
        mind: ['nut'],
        put: { adjust: 12, replace: 60 },
        parts: part('LM-5240', `${component}`),
        interval: every(100, 365, 10),
        ...more,
      });
    w.add('measure', 9, 'fan-drive-belt', 'Fan drive belt', 'top width', {
      position: FAN,
      method: 'belt-width',
      places: ['belt'],
      ...ruled,
      limit: { type: 'wear', nominal: m.fanBelt[0], limit: m.fanBelt[1], wornSide: 'smaller' },
      wearRate: { perHour: 0.0015, sd: 0.0005, atNew: 0.02, atNewSd: 0.03 },
      lookAlone: true,
      how: 'Turn the fan by hand once round. Close the caliper on the top edges, square to the belt, at the narrowest place you find.',
      why: 'A worn belt sinks in its groove and slips at full fan speed, long before it looks worn.',
      schools: 'Measure the width; a look alone never passes a driven fan.',
      ifLeft: 'The fan loses speed in heavy crop: grain goes over the back, then the belt burns.',
      minutes: 6,
      put: { replace: 75, cover: { name: 'left side shields', minutes: 15 } },
      mind: ['spring'],
      parts: part('LM-5207', `Fan drive belt, ${m.fanBelt[0]} mm`),
      knockOns: [
        { check: 'elevator-chain', why: "the idler bracket carries the elevator's drive" },
      ],
      interval: season(10),
    });
    spring('fan-belt-tension', 'Fan drive belt tensioner', 'The fan surges.');
    w.add(
      'mark',
      9,
      'countershaft-belt-tension',
      'Countershaft belt tensioner',
      'gap at the canister',
      {
        position: SHIELDS,
        method: 'canister-gap',
        gauge: { length: 40, short: 0, past: 2 },
        words: {
          short: 'a gap at the canister',
          at: 'canister closed',
          past: 'spring coils touch',
        },
        maxSideDifference: 3,
        takeUp: {
          total: 40,
          reserve: 6,
          strandsPerTravel: 1.8,
          pitch: 10,
          loopPitches: 280,
          limitPercent: 2,
          resolution: 1,
        },
        how: 'Look at the canister: closed on its stop? Then the slot left.',
        why: 'A gap means loose.',
        ifLeft: 'The separator slows in heavy crop.',
        parts: part('LM-5244', 'Countershaft belt'),
        mind: ['nut'],
        put: { adjust: 12, replace: 75 },
        interval: every(100, 365, 10),
        knockOns: [
          { check: 'shoe-belt-tension', why: 'moving one sheave assembly slackens the next belt' },
        ],
      },
    )
      .add('mark', 9, 'shoe-belt-tension', 'Shoe drive belt tensioner', 'pointers tip to tip', {
        position: SHIELDS,
        method: 'tip-to-tip',
        gauge: { length: 40, short: 0, past: m.past },
        words: {
          short: 'tips not yet together',
          at: 'tips together',
          past: 'tips past each other',
        },
        maxSideDifference: 3,
        takeUp: {
          total: 40,
          reserve: 6,
          strandsPerTravel: 1.8,
          pitch: 10,
          loopPitches: 260,
          limitPercent: 2,
          resolution: 1,
        },
        how: 'Look square at the two tips, then the slot left.',
        why: 'Tip to tip the arm stands where it was drawn.',
        ifLeft: 'The shoe loses strokes.',
        parts: part('LM-5246', 'Shoe drive belt'),
        mind: ['nut'],
        put: { adjust: 12, replace: 60 },
        interval: every(100, 365, 10),
      })
      .add(
        'mark',
        9,
        'chopper-belt-tension',
        'Chopper belt tensioner',
        'overlap of arm and frame',
        {
          position: SHIELDS,
          method: 'overlap',
          gauge: { length: 40, short: 1, past: 3 },
          words: {
            short: 'arm short of the frame edge',
            at: 'ends flush',
            past: 'arm over the frame edge',
          },
          maxSideDifference: 3,
          takeUp: {
            total: 45,
            reserve: 8,
            strandsPerTravel: 1.8,
            pitch: 10,
            loopPitches: 300,
            limitPercent: 2,
            resolution: 1,
          },
          how: 'Look at the overlap, then the slot left.',
          why: 'The chopper takes half the engine in heavy straw.',
          ifLeft: 'It slips, glazes, and long straw comes out.',
          parts: part('LM-5250', 'Chopper belt'),
          mind: ['nut'],
          put: { adjust: 12, replace: 90 },
          interval: every(50, 365, 10),
        },
      )
      .add(
        'condition',
        9,
        'alternate-tensioners',
        'Self-tensioned belts',
        'arm inside its travel',
        {
          position: SHIELDS,
          method: 'look',
          places: both,
          looksFor: ['arm at its stop', 'spring broken', 'arm bent'],
          how: 'By look: the arm stands between its stops.',
          why: 'They set themselves until the belt is too long.',
          ifLeft: 'At its stop it no longer pulls.',
          parts: part('LM-5260', 'Tensioner spring'),
          put: { replace: 30 },
        },
      );
    for (const side of both) {
      w.add('series', 9, `belt-widths-${side}`, `Belts on the ${side}`, 'top width', {
        position: SHIELDS,
        method: 'belt-width',
        places:
          side === 'left'
            ? ['countershaft', 'shoe', 'clean grain']
            : ['chopper', 'tailings', 'hydraulic pump'],
        ...ruled,
        limit: wear(22, 19.8),
        outOfFamily: 1.2,
        wearRate: rate(0.0012),
        lookAlone: true,
        how: 'Caliper at the narrowest of three places each.',
        why: 'Belts narrow without looking worn.',
        ifLeft: 'They slip at full load.',
        parts: part('LM-5270', 'V-belt, 22 mm'),
        mind: ['spring'],
        per: 'place',
        put: { replace: 50 },
      })
        .add(
          'condition',
          9,
          `belt-condition-${side}`,
          `Belts on the ${side}`,
          'cracks, fraying, heat, cogs',
          {
            position: SHIELDS,
            method: 'look',
            looksFor: ['cracks', 'fraying', 'heat marks', 'missing cogs', 'oil'],
            how: 'Turn once round, look at sides and cogs.',
            why: 'Heat marks are a slip that has happened.',
            ifLeft: 'It lets go in harvest.',
            parts: part('LM-5270', 'V-belt, 22 mm'),
            mind: ['spring'],
            put: { replace: 50 },
          },
        )
        .add(
          'gonogo',
          9,
          `sheave-grooves-${side}`,
          `Sheave grooves on the ${side}`,
          'groove with the sheave gauge',
          {
            position: SHIELDS,
            method: 'gonogo',
            gauge: 'Sheave gauge',
            good: 'fits',
            otherwise: 'replace',
            how: 'Gauge in the groove: no light along its sides.',
            why: 'A dished groove eats a new belt in weeks.',
            ifLeft: 'Belts that never last.',
            parts: part('LM-5280', 'Sheave'),
            put: { replace: 60 },
            knockOns: [
              { check: `belt-widths-${side}`, why: 'a new sheave carries the belt higher' },
            ],
          },
        )
        .add('condition', 9, `idler-bearings-${side}`, `Idlers on the ${side}`, 'bearing and rim', {
          position: SHIELDS,
          method: 'look',
          looksFor: ['noise', 'play', 'rim dished', 'grease thrown'],
          how: 'Belt off the idler or by hand, spin and listen.',
          why: 'A seized idler burns its belt.',
          ifLeft: 'Smoke.',
          parts: part('LM-5285', 'Idler with bearing'),
          mind: ['spring'],
          put: { replace: 35 },
        });
    }
  }

  function rotorDrive() {
    const name = m.rotary ? 'Rotor' : 'Cylinder';
    w.add(
      'measure',
      10,
      'rotor-sheave-gap',
      `${name} variable drive`,
      'sheave gap, sheaves closed',
      {
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
      },
    )
      .add('measure', 10, 'rotor-belt-width', `${name} drive belt`, 'top width', {
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
      .add('level', 10, 'rotor-gearbox-oil', `${name} gearbox, dual range`, 'oil level', {
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
      .add('setting', 10, 'rotor-range', `${name} gearbox`, 'range', {
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
      .add(
        'service',
        10,
        'rotor-sheave-grease',
        `${name} variable sheave`,
        'strokes of grease, plug out',
        {
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
        },
      );
  }

  function engineSide() {
    w.add('measure', 11, 'engine-fan-belt', 'Engine fan belt', 'top width', {
      position: SHIELDS,
      method: 'belt-width',
      ...ruled,
      limit: wear(25, 22.4),
      wearRate: rate(0.0011),
      lookAlone: true,
      how: 'Caliper at the narrowest of three places.',
      why: 'A worn belt looks fine; the temperature tells too late.',
      ifLeft: 'The engine runs hot in the afternoon.',
      parts: part('LM-6101', 'Engine fan belt'),
      mind: ['spring', 'hot', 'climb'],
      put: { replace: 40 },
      interval: season(10),
    })
      .add('measure', 11, 'alternator-belt', 'Alternator belt', 'force to press it at mid-span', {
        position: SHIELDS,
        method: 'belt-push',
        quantity: 'force',
        unit: m.inch ? 'lbf' : 'N',
        style: 'plain',
        tool: tool('force'),
        repeats: 3,
        limit: { type: 'band', low: 40, high: 60, whenNew: { low: 62, high: 80, hours: 20 } },
        how: 'Press in by one sixty-fourth of the span, read the force.',
        why: 'Low it slips, high it ruins the bearing.',
        ifLeft: 'Flat batteries, or a dead alternator bearing.',
        mind: ['climb'],
        put: { adjust: 10 },
      })
      .add('condition', 11, 'engine-sheaves', 'Engine sheaves', 'smooth and flat', {
        position: SHIELDS,
        method: 'look',
        looksFor: ['rust', 'groove worn', 'chipped'],
        marked: 'adjust',
        how: 'Finger round each groove, belt slack.',
        why: 'A rough sheave sands the belt.',
        ifLeft: 'The new belt wears in weeks.',
        parts: part('LM-6105', 'Fan sheave'),
        mind: ['climb'],
        put: { adjust: 15, replace: 60 },
      })
      .add('condition', 11, 'air-boots', 'Air boots and clamps', 'cracks and clamps', {
        position: COLD,
        method: 'look',
        looksFor: ['crack', 'clamp loose', 'rubbed through'],
        how: 'Bend each boot by hand.',
        why: 'One crack feeds the engine dust.',
        ifLeft: 'Dusted engine.',
        parts: part('LM-6112', 'Air boot'),
        put: { replace: 30 },
        mind: ['climb'],
      })
      .add('service', 11, 'air-filter', 'Air filter', 'renewed', {
        position: COLD,
        method: 'grease',
        asks: 'done',
        product: 'Air filter set',
        interval: every(500),
        how: 'Outer one by the gauge, inner one every third.',
        why: 'Never blow it out near the engine.',
        ifLeft: 'No power by noon.',
        mind: ['climb'],
      })
      .add('service', 11, 'fuel-filter', 'Fuel filters', 'renewed, water drained', {
        position: COLD,
        method: 'grease',
        asks: 'done',
        product: 'Fuel filter set',
        interval: every(500),
        how: 'Drain the bowl first.',
        why: 'Water stops injectors.',
        ifLeft: 'It stops on the slope.',
        mind: ['climb'],
      })
      .add('level', 11, 'engine-oil', 'Engine', 'oil level', {
        position: COLD,
        method: 'level-eye',
        eye: 'dipstick',
        product: 'Engine oil 15W-40',
        colours: ['grey', 'diesel smell'],
        interval: { kind: 'daily' },
        how: 'Between the marks, never over.',
        why: 'Grey is water, thin is diesel.',
        ifLeft: 'A seized engine.',
        parts: part('LM-6120', 'Engine oil, 5 l'),
        put: { adjust: 5, replace: 60 },
        mind: ['hot', 'climb'],
      })
      .add('level', 11, 'coolant-level', 'Coolant', 'level', {
        position: COLD,
        method: 'level-eye',
        eye: 'expansion tank',
        product: 'Coolant, ready mixed',
        colours: ['rusty', 'oily'],
        interval: { kind: 'daily' },
        how: 'Cold only; never open it hot.',
        why: 'Low coolant boils at the first long pull.',
        ifLeft: 'The engine shuts itself off.',
        parts: part('LM-6125', 'Coolant, 5 l'),
        put: { adjust: 5, replace: 60 },
        mind: ['hot', 'climb'],
      })
      .add('level', 11, 'hydraulic-oil', 'Hydraulic tank', 'oil level', {
        position: DOWN,
        method: 'level-eye',
        eye: 'sight glass',
        product: 'Hydraulic oil HV 46',
        colours: ['milky', 'black'],
        interval: every(50),
        how: 'All cylinders in, header down.',
        why: 'Read with cylinders out it looks low and is overfilled.',
        ifLeft: 'Pumps suck air.',
        parts: part('LM-6130', 'Hydraulic oil, 5 l'),
        put: { adjust: 5, replace: 60 },
        mind: ['hot', 'pressure'],
      })
      .add('condition', 11, 'leaks', 'Leaks', 'where, and what colour', {
        position: COLD,
        method: 'look',
        looksFor: ['engine oil (black)', 'hydraulic oil (amber)', 'coolant (green)', 'fuel'],
        marked: 'watch',
        damaged: 'adjust',
        how: 'Cardboard under the hose, never a hand.',
        why: 'The colour tells which one.',
        ifLeft: 'Oil on hot chaff burns.',
        mind: ['pressure', 'hot'],
        put: { adjust: 30 },
      })
      .add(
        'condition',
        11,
        'radiator-screen',
        'Radiator screen and brush',
        'clean, turns, seal whole',
        {
          position: COLD,
          method: 'look',
          looksFor: ['packed', 'brush worn', 'seal torn'],
          marked: 'adjust',
          how: 'Turn by hand; brush and blow from inside out.',
          why: 'A packed screen is a hot engine.',
          ifLeft: 'Stops every hour to clean.',
          parts: part('LM-6140', 'Screen brush'),
          mind: ['dust', 'climb'],
          put: { adjust: 15, replace: 25 },
          interval: { kind: 'daily' },
        },
      )
      .add(
        'condition',
        11,
        'hoses-wiring',
        'Hoses and wiring, engine deck',
        'rubbing, clips, heat',
        {
          position: COLD,
          method: 'look',
          looksFor: ['rubbed', 'clip missing', 'scorched'],
          marked: 'adjust',
          how: 'Hand along each run.',
          why: 'Rubbed through is a fire or a dead machine.',
          ifLeft: 'It stops, or it burns.',
          parts: part('LM-6150', 'Clip set'),
          mind: ['hot'],
          put: { adjust: 15, replace: 45 },
        },
      );
  }

  function residue() {
    const fineCut = { chopper: ['fine', 'standard'] };
    w.add('count', 12, 'chopper-knives', 'Chopper knives', 'missing, bent and worn knives', {
      position: HOOD,
      method: 'knife-count',
      places: ['rotor'],
      total: m.knives,
      renew: m.mates,
      turnFrom: m.turnFrom,
      when: fineCut,
      how: 'Turn the rotor by hand a row at a time. Count knives that are missing, bent or cracked, worn on one edge, worn on both edges.',
      why:
        m.mates === 'opposite'
          ? 'A lost or light knife unbalances the rotor at 3,100 rpm. Its opposite mate is always renewed with it.'
          : 'A lost or light knife unbalances the rotor. Knives are weighed and placed on this machine.',
      schools:
        m.mates === 'opposite'
          ? 'Renew the opposite set always; turn all, move outer ones to the busy middle.'
          : 'Weigh and place here; others renew the opposite set always.',
      ifLeft: 'The rotor shakes its bearings out and a loose knife leaves the machine at speed.',
      minutes: 15,
      put: { turn: 60, replace: 6, cover: { name: 'rear hood', minutes: 10 } },
      mind: ['rotor'],
      parts: [
        ...part('LM-7712', 'Chopper knife', 1, 'Opposite mates together.'),
        ...part('LM-7715', 'Knife bolt set', 1, 'Bolts are used once.'),
      ],
      knockOns: [
        {
          task: 'Rotor: turn it through by hand and listen for a knife touching, then a test run with everyone clear',
        },
      ],
    })
      .add('series', 12, 'knife-height', 'Chopper knives', 'height left', {
        position: HOOD,
        method: 'knife-edge',
        places: ['left end', 'middle', 'right end'],
        ...ruled,
        limit: wear(60, 45),
        outOfFamily: 5,
        wearRate: rate(0.002),
        how: 'The most worn of each third.',
        why: 'Short knives leave long straw and weigh less.',
        ifLeft: 'Long straw, and a slow shake.',
        parts: part('LM-7712', 'Chopper knife', 16, 'Opposite mates together.'),
        mind: ['rotor'],
        put: { replace: 90 },
      })
      .add('condition', 12, 'knife-hangers', 'Knife hangers', 'free, not worn oval', {
        position: HOOD,
        method: 'look',
        looksFor: ['stiff', 'oval hole', 'weld cracked'],
        how: 'Swing each knife by hand.',
        why: 'A stiff knife cannot give way to a stone.',
        ifLeft: 'It breaks off.',
        parts: part('LM-7718', 'Knife hanger'),
        mind: ['rotor'],
        put: { replace: 30 },
      })
      .add('count', 12, 'stationary-knives', 'Stationary knives', 'there, whole, sharp', {
        position: HOOD,
        method: 'knife-count',
        counted: 'stationary knives',
        total: m.knives - 2,
        renew: 'each',
        turnFrom: 10,
        when: { chopper: ['fine'] },
        how: 'Look along the bank.',
        why: 'Blunt ones tear instead of cut.',
        ifLeft: 'Long straw at high power.',
        parts: part('LM-7730', 'Stationary knife'),
        mind: ['knives'],
        put: { turn: 40, replace: 4 },
      })
      .add('setting', 12, 'stationary-bank', 'Stationary knife bank', 'depth', {
        position: HOOD,
        method: 'setting',
        options: ['out', 'half', 'full'],
        expected: [
          { crop: 'malting barley', option: 'half' },
          { crop: 'lentils', option: 'out', because: 'little straw' },
          { crop: 'grain sorghum', option: 'half' },
          { crop: 'maize', option: 'out', because: 'stalks' },
        ],
        when: { chopper: ['fine'] },
        how: 'Look at the lever.',
        why: 'Each step costs fuel.',
        ifLeft: 'Fuel or long straw.',
        interval: { kind: 'perCrop' },
        put: { adjust: 5 },
        mind: ['knives'],
      })
      .add('condition', 12, 'chopper-bearings', 'Chopper bearings', 'play, heat, noise', {
        position: HOOD,
        method: 'look',
        places: both,
        looksFor: ['play', 'blue', 'grease thrown'],
        how: 'Lift the rotor by hand at each end.',
        why: 'It takes every shake of the rotor.',
        ifLeft: 'The rotor leaves its bed.',
        parts: part('LM-7740', 'Chopper bearing', 1, 'Both ends together.'),
        mind: ['rotor', 'heavy'],
        put: { replace: 90 },
      })
      .add('setting', 12, 'chopper-speed', 'Chopper', 'speed', {
        position: HOOD,
        method: 'setting',
        options: ['slow', 'fast'],
        expected: [
          { option: 'fast' },
          { crop: 'maize', option: 'slow', because: 'stalks need no chopping' },
        ],
        how: 'Look which sheave the belt runs on.',
        why: 'Fast costs power and flings stones.',
        ifLeft: 'Power or long straw.',
        interval: { kind: 'perCrop' },
        put: { adjust: 20 },
        knockOns: [
          { check: 'chopper-belt-tension', why: 'the belt is set anew on the other sheave' },
        ],
      })
      .add('setting', 12, 'deflector', 'Straw deflector', 'door position', {
        position: HOOD,
        method: 'setting',
        options: ['chop', 'windrow'],
        expected: [
          { option: 'chop' },
          { crop: 'malting barley', option: 'windrow', because: 'straw is baled' },
        ],
        how: 'Look at the door.',
        why: 'Straw is chopped or baled, not both.',
        ifLeft: 'A field of straw in the wrong place.',
        interval: { kind: 'perCrop' },
        put: { adjust: 5 },
      })
      .add('count', 12, 'spreader-paddles', 'Spreader paddles', 'there and straight', {
        position: HOOD,
        method: 'look',
        counted: 'paddles',
        total: 12,
        renew: 'opposite',
        how: 'Turn each disc by hand.',
        why: 'A missing paddle throws short on one side and shakes.',
        ifLeft: 'Stripes in next year’s crop.',
        parts: part('LM-7750', 'Spreader paddle', 1, 'Opposite mates.'),
        mind: ['rotor'],
        put: { replace: 8 },
      })
      .add('condition', 12, 'spreader-fins', 'Spreader fins', 'straight, set alike', {
        position: HOOD,
        method: 'look',
        looksFor: ['bent', 'bolt loose', 'uneven'],
        marked: 'adjust',
        how: 'Look from behind.',
        why: 'Fins lay the residue even.',
        ifLeft: 'Stripes.',
        parts: part('LM-7755', 'Fin'),
        put: { adjust: 10, replace: 15 },
      })
      .add('condition', 12, 'knife-guards-rear', 'Guards above the knives', 'whole and bolted', {
        position: HOOD,
        method: 'look',
        looksFor: ['hole', 'bolt missing', 'crack'],
        how: 'Hand along every edge.',
        why: 'They stop a knife that lets go.',
        ifLeft: 'The machine may not run.',
        parts: part('LM-7760', 'Knife guard plate'),
        mind: ['guards'],
        put: { replace: 40 },
      });
  }

  function unloading() {
    w.add('measure', 13, 'unload-gears', 'Unloading bevel gears', 'tooth thickness', {
      position: TUBE,
      method: 'tooth',
      ...fine,
      limit: fineWear(12, 9.5),
      wearRate: rate(0.0004),
      how: 'Cover off, caliper on the worst tooth.',
      why: 'Worn gears jump under a full tank.',
      ifLeft: 'A full tank that will not empty.',
      parts: part('LM-8010', 'Bevel gear pair', 1, 'Pair together.'),
      put: { replace: 120 },
      mind: ['climb'],
    })
      .add(
        'count',
        13,
        'unload-shear-bolts',
        'Unloading shear bolts',
        'right ones fitted, spares there',
        {
          position: TUBE,
          method: 'look',
          counted: 'shear bolts and spares',
          total: 6,
          renew: 'each',
          how: 'Marked bolts only; count the spares in the clip.',
          why: 'A hard bolt shears the auger instead.',
          ifLeft: 'An hour’s stop for a bolt.',
          parts: part('LM-8015', 'Shear bolt'),
          put: { replace: 3 },
        },
      )
      .add('mark', 13, 'unload-belt-tension', 'Unloading drive belt', 'pointers tip to tip', {
        position: TUBE,
        method: 'tip-to-tip',
        gauge: { length: 40, short: 0, past: 3 },
        words: {
          short: 'tips not yet together',
          at: 'tips together',
          past: 'tips past each other',
        },
        maxSideDifference: 3,
        when: { 'unload-drives': ['one', 'two'] },
        takeUp: {
          total: 40,
          reserve: 6,
          strandsPerTravel: 1.8,
          pitch: 10,
          loopPitches: 240,
          limitPercent: 2,
          resolution: 1,
        },
        how: 'Engage by hand lever, look at the tips, then the slot left.',
        why: 'It starts against a full auger.',
        ifLeft: 'It burns at the first full tank.',
        parts: part('LM-5290', 'Unloading belt'),
        mind: ['nut'],
        put: { adjust: 12, replace: 45 },
      })
      .add(
        'mark',
        13,
        'unload-belt-tension-cross',
        'Cross-auger drive belt',
        'pointers tip to tip',
        {
          position: TUBE,
          method: 'tip-to-tip',
          gauge: { length: 40, short: 0, past: 3 },
          words: {
            short: 'tips not yet together',
            at: 'tips together',
            past: 'tips past each other',
          },
          maxSideDifference: 3,
          when: { 'unload-drives': ['two'] },
          takeUp: {
            total: 40,
            reserve: 6,
            strandsPerTravel: 1.8,
            pitch: 10,
            loopPitches: 220,
            limitPercent: 2,
            resolution: 1,
          },
          how: 'Look at the tips, then the slot left.',
          why: 'Two belts share the load only when both pull.',
          ifLeft: 'One belt does all the work.',
          parts: part('LM-5292', 'Cross-auger belt'),
          mind: ['nut'],
          put: { adjust: 12, replace: 45 },
        },
      )
      .add('series', 13, 'tyre-pressure', 'Tyres', 'pressure', {
        position: COLD,
        method: 'meter',
        places: ['front left', 'front right', 'rear left', 'rear right'],
        quantity: 'pressure',
        unit: m.inch ? 'psi' : 'kPa',
        style: 'plain',
        tool: tool('tyre'),
        limit: { type: 'band', low: 170, high: 240 },
        maxDifference: 70,
        outOfFamily: 60,
        how: 'Cold tyres, gauge on each.',
        why: 'Low ones roll on the slope and throw the header level out.',
        ifLeft: 'Uneven cut and torn side walls.',
        mind: ['wheel'],
        put: { adjust: 10 },
      })
      .add('series', 13, 'wheel-bolts', 'Wheel bolts', 'torque', {
        position: COLD,
        method: 'torque',
        places: ['front left', 'front right', 'rear left', 'rear right'],
        quantity: 'torque',
        unit: m.inch ? 'lbf·ft' : 'N·m',
        style: 'plain',
        tool: tool('wrench'),
        limit: { type: 'band', low: 560, high: 640 },
        outOfFamily: 80,
        how: 'Crosswise, the lowest of each wheel.',
        why: 'New wheels loosen in their first hours.',
        ifLeft: 'A wheel comes off on the road.',
        mind: ['wheel'],
        put: { adjust: 15 },
        interval: every(100, 365, 10),
      })
      .add('measure', 13, 'battery-voltage', 'Batteries', 'voltage at rest', {
        position: COLD,
        method: 'meter',
        quantity: 'voltage',
        unit: 'V',
        style: 'plain',
        tool: tool('meter'),
        limit: { type: 'band', low: 12.4, high: 13.2, below: 'replace', above: 'adjust' },
        how: 'An hour after running, isolator off.',
        why: 'Below it will not start twice.',
        ifLeft: 'It will not start at the far field.',
        parts: part('LM-8030', 'Battery', 2, 'Both together.'),
        mind: ['battery'],
        put: { replace: 20 },
      })
      .add('condition', 13, 'isolator', 'Battery isolator', 'switches, locks', {
        position: COLD,
        method: 'look',
        looksFor: ['stiff', 'terminal hot', 'no lock eye'],
        how: 'Off: everything dead. The padlock goes in.',
        why: 'It is what makes the machine safe.',
        ifLeft: 'Nobody may work on it.',
        parts: part('LM-8035', 'Isolator'),
        mind: ['battery'],
        put: { replace: 30 },
      })
      .add(
        'condition',
        13,
        'chaff-near-heat',
        'Chaff near heat',
        'packed at exhaust, brakes, bearings',
        {
          position: COLD,
          method: 'look',
          looksFor: ['packed', 'scorched', 'oily'],
          marked: 'adjust',
          damaged: 'adjust',
          how: 'Blow out, hand into every pocket round the exhaust.',
          why: 'This is how a combine burns.',
          ifLeft: 'Fire.',
          interval: { kind: 'daily' },
          mind: ['dust', 'hot'],
          put: { adjust: 20 },
        },
      )
      .add('condition', 13, 'unload-tube-seals', 'Unloading tube', 'seal, spout, lock', {
        position: TUBE,
        method: 'look',
        looksFor: ['seal torn', 'spout cracked', 'latch worn'],
        how: 'Swing by hand, look round the elbow.',
        why: 'Grain on the ground is counted twice.',
        ifLeft: 'Grain lost at every corner.',
        parts: part('LM-8040', 'Tube seal'),
        put: { replace: 30 },
        mind: ['climb'],
      });
  }

  function lubrication() {
    w.add('service', 14, 'grease-daily', 'Grease points, daily', 'strokes each', {
      position: ANY,
      method: 'grease',
      places: ['steering pins', 'reel drive'],
      asks: 'strokes',
      amount: 2,
      most: 4,
      product: 'Grease NLGI 2',
      interval: { kind: 'daily' },
      how: 'Wipe the fitting, then grease.',
      why: 'Little and often.',
      ifLeft: 'Dry pins wear in days.',
    })
      .add('service', 14, 'grease-50', 'Grease points, every 50 h', 'strokes each', {
        position: ANY,
        method: 'grease',
        places: ['rear axle', 'unload pivot', 'ladder'],
        asks: 'strokes',
        amount: 3,
        most: 6,
        product: 'Grease NLGI 2',
        interval: every(50),
        how: 'Wipe the fitting, then grease.',
        why: 'By the hour meter.',
        ifLeft: 'Play grows.',
      })
      .add('service', 14, 'grease-100', 'Grease points, every 100 h', 'strokes each', {
        position: ANY,
        method: 'grease',
        places: ['fan bearings', 'countershaft bearings', 'elevator head'],
        asks: 'strokes',
        amount: 2,
        most: 3,
        product: 'Grease NLGI 2',
        interval: every(100),
        how: 'Two strokes, never until it comes out: the seal goes.',
        why: 'Sealed bearings take little.',
        ifLeft: 'Dry bearings.',
      })
      .add('service', 14, 'final-drive-oil', 'Final drives', 'oil changed', {
        position: COLD,
        method: 'grease',
        places: both,
        asks: 'litres',
        amount: 6,
        most: 6.5,
        product: 'Gear oil GL-5 80W-90',
        interval: every(500, 730),
        how: 'Drain warm, fill cold to the plug.',
        why: 'Fine metal in the first oil is normal, later it is not.',
        ifLeft: 'The dearest repair of the chassis.',
        minutes: 10,
        mind: ['hot', 'wheel'],
      })
      .add('service', 14, 'engine-oil-change', 'Engine', 'oil and filter changed', {
        position: COLD,
        method: 'grease',
        asks: 'litres',
        amount: 32,
        most: 34,
        product: 'Engine oil 15W-40',
        interval: every(500),
        how: 'Warm, filter with it.',
        why: 'By hours or once a year.',
        ifLeft: 'Engine life.',
        minutes: 15,
        mind: ['hot'],
      })
      .add('service', 14, 'chain-oil', 'Exposed drive chains', 'oiled warm', {
        position: SHIELDS,
        method: 'grease',
        asks: 'done',
        product: 'Chain oil',
        interval: every(50),
        how: 'Warm, at the end of the day, inside the loop.',
        why: 'Warm chain draws oil in.',
        schools:
          'Exposed chains at the end of the day; conveyor and elevator chains only at season’s end.',
        ifLeft: 'Pins wear twice as fast.',
        mind: ['hand'],
      })
      .add(
        'service',
        14,
        'conveyor-chain-oil',
        'Conveyor and elevator chains',
        'oiled for storage',
        {
          position: LEVEL,
          method: 'grease',
          asks: 'done',
          product: 'Chain oil',
          interval: { kind: 'season' },
          how: 'At season’s end only: in harvest oil holds dust.',
          why: 'Rust over winter stiffens links.',
          ifLeft: 'Stiff links in spring.',
        },
      );
  }
}
