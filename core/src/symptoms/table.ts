/** A component to look at, and why it is suspected. */
export interface Suspect {
  /** id of the check, as the sheets name it */
  readonly check: string;
  readonly why: string;
}

/**
 * Something an operator notices, and what it points to, likeliest first. Workshop experience, not a
 * maker's table.
 */
export interface Symptom {
  readonly id: string;
  readonly noticed: string;
  /**
   * words by which it is found in what the operator wrote, in small letters; each is a beginning of
   * a word or of several in a row
   */
  readonly words: readonly string[];
  readonly suspects: readonly Suspect[];
}

const suspect = (check: string, why: string): Suspect => ({ check, why });

/** From what the operator noticed to ordered suspects. */
export const SYMPTOMS: readonly Symptom[] = [
  {
    id: 'surging-fan',
    noticed: 'Cleaning fan surges or loses speed',
    words: ['fan surg', 'surging fan', 'fan hunt', 'fan slow', 'fan loses'],
    suspects: [
      suspect('fan-drive-belt', 'a narrow belt sinks in its groove and slips under load'),
      suspect('fan-belt-tension', 'a slack belt slips before it squeals'),
      suspect('fan-speed-sensor', 'a sensor gap that is too wide misses teeth and the drive hunts'),
      suspect('fan-blades', 'a bent or packed blade loads the fan unevenly'),
      suspect('fan-bearing', 'a dry bearing drags'),
    ],
  },
  {
    id: 'hot-engine',
    noticed: 'Engine runs hot',
    words: ['engine hot', 'hot engine', 'overheat', 'runs hot', 'temperature high'],
    suspects: [
      suspect('engine-fan-belt', 'a worn fan belt looks fine and slips'),
      suspect('radiator-screen', 'a packed screen starves the cooler'),
      suspect('coolant-level', 'low coolant boils'),
      suspect('air-boots', 'a cracked boot lets hot or dusty air by'),
      suspect('engine-oil', 'low oil carries no heat away'),
    ],
  },
  {
    id: 'shake-at-back',
    noticed: 'Vibration at the back',
    words: ['vibrat', 'shake', 'shaking', 'shudder'],
    suspects: [
      suspect('chopper-knives', 'a lost or light knife unbalances the rotor'),
      suspect('knife-height', 'unevenly worn knives do it slowly'),
      suspect('chopper-bearings', 'a worn bearing lets the rotor dance'),
      suspect('spreader-paddles', 'a broken paddle shakes the spreader'),
      suspect('eccentric-arms', 'play in the cleaning shoe shakes the whole rear'),
    ],
  },
  {
    id: 'uneven-residue',
    noticed: 'Residue spread unevenly',
    words: ['residue', 'uneven spread', 'spread uneven', 'straw lines', 'windrow of chaff'],
    suspects: [
      suspect('deflector', 'the deflector stands for another crop'),
      suspect('spreader-paddles', 'missing or bent paddles throw short on one side'),
      suspect('chopper-knives', 'missing knives leave long straw'),
      suspect('stationary-knives', 'blunt stationary knives leave long straw'),
      suspect('chopper-belt-tension', 'a slipping belt slows the chopper in heavy straw'),
    ],
  },
  {
    id: 'noisy-feeder',
    noticed: 'Feeder house noisy or slapping',
    words: ['noisy feeder', 'feeder nois', 'feeder slap', 'slat', 'conveyor nois', 'feeder rattl'],
    suspects: [
      suspect('conveyor-chain-tension', 'a slack chain slaps its slats on the floor'),
      suspect('conveyor-slats', 'a bent slat strikes the floor'),
      suspect('conveyor-chain-elongation', 'a long chain climbs its sprockets'),
      suspect('stripper-plates', 'a plate that rubs sings'),
      suspect('hanger-bearing', 'a worn hanger bearing lets the shaft whip'),
    ],
  },
  {
    id: 'jumping-chain',
    noticed: 'A chain jumps its sprocket',
    words: ['chain jump', 'jumping chain', 'chain climb', 'chain skip', 'chain off'],
    suspects: [
      suspect('conveyor-chain-elongation', 'a chain past its elongation rides up the teeth'),
      suspect('conveyor-sprockets', 'hooked teeth carry the chain over'),
      suspect('conveyor-chain-tension', 'slack or unequal sides let it climb'),
      suspect('feeder-drive-chain', 'a drive chain with too much sag skips under load'),
      suspect('elevator-chain', 'a slack elevator chain jumps at the boot'),
    ],
  },
  {
    id: 'cracked-grain',
    noticed: 'Cracked grain in the tank',
    words: ['cracked grain', 'broken grain', 'split grain', 'grain crack'],
    suspects: [
      suspect('elevator-chain', 'slack paddles strike the housing and crack grain'),
      suspect('concave-level', 'one tight corner threshes too hard'),
      suspect('rotor-sheave-gap', 'a drive that cannot slow down runs the rotor too fast'),
      suspect('elevator-paddles', 'worn paddles let grain fall back and be struck again'),
      suspect('rasp-bar-condition', 'a dented bar cracks grain'),
    ],
  },
  {
    id: 'dirty-grain',
    noticed: 'Dirty grain in the tank',
    words: ['dirty grain', 'dirty sample', 'trash in the tank', 'chaff in tank'],
    suspects: [
      suspect('fan-drive-belt', 'a slipping fan belt loses the wind'),
      suspect('fan-blades', 'missing or bent blades lose the wind'),
      suspect('chaffer-teeth', 'bent chaffer teeth let trash through'),
      suspect('shoe-dirt', 'packed dirt holds the sieves still'),
      suspect('concave-wires', 'open concave wires let heads through'),
    ],
  },
  {
    id: 'yield-trickle',
    noticed: 'Yield map trickles or jumps',
    words: ['yield map', 'yield sensor', 'yield trickl', 'yield jump', 'yield monitor'],
    suspects: [
      suspect(
        'elevator-chain',
        'a moved elevator head shifts the sensor, a slack chain throws unevenly',
      ),
      suspect('elevator-paddles', 'worn paddles carry grain unevenly past the sensor'),
      suspect('moisture-sensor', 'a packed moisture sensor reads nonsense'),
      suspect('grain-camera', 'a dirty lens sees nothing'),
    ],
  },
  {
    id: 'header-sags',
    noticed: 'Header speed sags in heavy crop',
    words: ['header speed', 'header slow', 'header sag', 'reel slow', 'speed sag'],
    suspects: [
      suspect(
        'variable-belt-width',
        'a narrow variable belt rides low and turns the header slower',
      ),
      suspect('variable-sheave-gap', 'a gap out of its band costs speed at the top end'),
      suspect('idler-parallel', 'an idler out of line eats the belt'),
      suspect('multi-rib-tension', 'a slack multi-rib belt slips'),
      suspect('feeder-slip-clutch', 'a clutch with too much grease slips'),
    ],
  },
  {
    id: 'ragged-cut',
    noticed: 'Ragged cut or stubble left standing',
    words: ['ragged', 'stubble left', 'not cutting', 'uncut', 'tearing'],
    suspects: [
      suspect('knife-sections', 'chipped sections tear'),
      suspect('knife-guards', 'rounded guards hold nothing to cut against'),
      suspect('hold-downs', 'a knife that lifts off its guard folds the straw'),
      suspect('knife-drive-belt', 'a slipping knife belt loses strokes'),
      suspect('knife-register', 'a knife out of register does not meet its guards'),
    ],
  },
  {
    id: 'losses-over-back',
    noticed: 'Grain lost over the back',
    words: ['losses', 'grain over the back', 'grain lost', 'loss high'],
    suspects: [
      suspect('fan-drive-belt', 'a fan that sags lets the mat lie'),
      suspect('concave-level', 'an unlevel concave threshes on one side'),
      suspect('rasp-bar-height', 'worn bars do not thresh it out'),
      suspect('chaffer-teeth', 'closed or bent teeth carry grain over'),
      suspect('tailings-chain', 'tailings that do not return are lost'),
    ],
  },
  {
    id: 'slow-unloading',
    noticed: 'Unloading slow or stopped',
    words: ['unload', 'auger stop', 'tank slow'],
    suspects: [
      suspect('unload-shear-bolts', 'a sheared bolt stops it'),
      suspect('unload-belt-tension', 'a slack belt slips under a full tank'),
      suspect('unload-gears', 'worn bevel gears jump'),
    ],
  },
  {
    id: 'burning-smell',
    noticed: 'Smell of burning or smoke',
    words: ['smell', 'smoke', 'burning', 'hot belt'],
    suspects: [
      suspect(
        'chaff-near-heat',
        'chaff packed near heat is how a combine burns: stop and look now',
      ),
      suspect('belt-condition-left', 'a slipping belt glazes and smokes'),
      suspect('belt-condition-right', 'a slipping belt glazes and smokes'),
      suspect('shoe-dirt', 'packed dirt rubs itself hot'),
      suspect('fan-bearing', 'a dry bearing turns blue'),
    ],
  },
  {
    id: 'auger-thump',
    noticed: 'Header auger thumps or feeds unevenly',
    words: ['auger thump', 'bunch', 'feeds uneven', 'uneven feed', 'lumps'],
    suspects: [
      suspect('auger-fingers', 'missing fingers feed in lumps'),
      suspect('finger-timing', 'fingers that let go late carry crop round'),
      suspect('auger-strippers', 'a wide stripper lets crop wrap'),
      suspect('auger-floor', 'an auger too high lets crop lie'),
      suspect('draper-tension', 'a slack draper slips and bunches'),
    ],
  },
];
