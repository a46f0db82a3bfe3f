import { Check, SpecSheet } from '../contracts';

/*
 * The machines one practises on: nobody's, with figures of nobody's. Each has the same parts to play,
 * under the names they have on a machine of its kind.
 */

/** What a check is there for in a case. */
export type Role =
  'tension' | 'chainTension' | 'belt' | 'pair' | 'gap' | 'chain' | 'knives' | 'look';

export const MACHINE_KINDS = [
  'rotary',
  'twinRotor',
  'strawWalker',
  'beltRotary',
  'draper',
  'auger',
  'rowCrop',
  'rigid',
] as const;
export type MachineKind = (typeof MACHINE_KINDS)[number];

interface Names {
  readonly title: string;
  readonly on: 'combine' | 'header';
  readonly of: Readonly<Record<Role, string>>;
  readonly seen: readonly [string, string];
  readonly counted: string;
  readonly total: number;
}

const CHOPPER = { counted: 'knives', total: 40 } as const;
const SECTIONS = { counted: 'sections', total: 36 } as const;

export const KINDS: Readonly<Record<MachineKind, Names>> = {
  rotary: {
    ...CHOPPER,
    title: 'Rotary combine',
    on: 'combine',
    of: {
      tension: 'Feeder chain tension',
      chainTension: 'Clean-grain elevator chain tension',
      belt: 'Fan drive belt',
      pair: 'Feeder chain stretch',
      gap: 'Concave to rotor clearance',
      chain: 'Unloading auger drive chain',
      knives: 'Chopper knives',
      look: 'Elevator boot and door',
    },
    seen: ['a seam rubbed thin', 'grain beside the door'],
  },
  twinRotor: {
    ...CHOPPER,
    title: 'Twin-rotor combine',
    on: 'combine',
    of: {
      tension: 'Feeder chain tension',
      chainTension: 'Return elevator chain tension',
      belt: 'Left rotor drive belt',
      pair: 'Feeder chain stretch',
      gap: 'Concave to rotors clearance',
      chain: 'Tank cross auger drive chain',
      knives: 'Chopper knives',
      look: 'Rotor gearbox seals',
    },
    seen: ['a film of oil', 'oil dripping'],
  },
  strawWalker: {
    ...CHOPPER,
    title: 'Straw-walker combine',
    on: 'combine',
    of: {
      tension: 'Feeder chain tension',
      chainTension: 'Return elevator chain tension',
      belt: 'Walker drive belt',
      pair: 'Feeder chain stretch',
      gap: 'Concave to drum clearance',
      chain: 'Clean-grain elevator chain',
      knives: 'Chopper knives',
      look: 'Walker crank bearings',
    },
    seen: ['a bearing warm to the hand', 'a bearing that rocks'],
  },
  beltRotary: {
    ...CHOPPER,
    title: 'Belt-conveyor rotary combine',
    on: 'combine',
    of: {
      tension: 'Conveyor belt tension',
      chainTension: 'Clean-grain elevator chain tension',
      belt: 'Rotor drive belt',
      pair: 'Conveyor drive chain stretch',
      gap: 'Concave to rotor clearance',
      chain: 'Unloading auger drive chain',
      knives: 'Chopper knives',
      look: 'Conveyor belt splice',
    },
    seen: ['a few threads loose', 'a lacing hook pulled'],
  },
  draper: {
    ...SECTIONS,
    title: 'Draper header',
    on: 'header',
    of: {
      tension: 'Side draper tension',
      chainTension: 'Centre draper chain tension',
      belt: 'Knife drive belt',
      pair: 'Reel drive chain stretch',
      gap: 'Reel tines to knife clearance',
      chain: 'Centre draper drive chain',
      knives: 'Knife sections',
      look: 'Draper slats and splice',
    },
    seen: ['a slat bent', 'a slat broken through'],
  },
  auger: {
    ...SECTIONS,
    title: 'Flex auger header',
    on: 'header',
    of: {
      tension: 'Knife drive tensioner',
      chainTension: 'Auger drive chain tension',
      belt: 'Knife drive belt',
      pair: 'Reel drive chain stretch',
      gap: 'Auger to floor clearance',
      chain: 'Auger drive chain',
      knives: 'Knife sections',
      look: 'Retracting fingers and guides',
    },
    seen: ['a guide worn oval', 'a finger broken off inside'],
  },
  rowCrop: {
    counted: 'knives',
    total: 24,
    title: 'Row-crop head',
    on: 'header',
    of: {
      tension: 'Gathering chain tension',
      chainTension: 'Cross auger chain tension',
      belt: 'Stalk chopper drive belt',
      pair: 'Gathering chain stretch',
      gap: 'Deck plate opening',
      chain: 'Cross auger drive chain',
      knives: 'Stalk chopper knives',
      look: 'Row unit gearbox seals',
    },
    seen: ['a film of oil', 'oil dripping'],
  },
  rigid: {
    ...SECTIONS,
    title: 'Rigid cutting header',
    on: 'header',
    of: {
      tension: 'Knife drive tensioner',
      chainTension: 'Reel drive chain tension',
      belt: 'Knife drive belt',
      pair: 'Reel drive chain stretch',
      gap: 'Auger to stripper clearance',
      chain: 'Auger drive chain',
      knives: 'Knife sections',
      look: 'Crop dividers and skids',
    },
    seen: ['a skid worn thin', 'a skid worn through'],
  },
};

/** What every check of the practice machine has in common. */
const costs = (stopHours: number, collateral: number) => ({
  stopHours,
  collateral,
  fieldMinutes: 90,
});
const takeUp = (total: number) => ({
  ...{ total, reserve: 10, strandsPerTravel: 2, pitch: 38.4, loopPitches: 94 },
  ...{ limitPercent: 2.6, resolution: 1 },
});
const MARK = {
  kind: 'mark',
  method: 'tip-to-tip',
  measures: 'where the indicator stands, and the slot left',
  gauge: { length: 60, short: 0, past: 3 },
  words: {
    short: 'indicator short of the end of its gauge',
    at: 'indicator level with the end',
    past: 'indicator past the end',
  },
  maxSideDifference: 6,
  tool: { name: 'Rule', resolution: 1 },
  runsToSettle: true,
} as const;
const TAPE = { name: 'Tape', resolution: 1 };
const RULE = { name: 'Steel rule', resolution: 0.5 };

const PARTS_OF: Readonly<Record<Role, object>> = {
  tension: {
    ...MARK,
    places: ['left', 'right'],
    takeUp: takeUp(45),
    position: 'Raised, on its stops',
    how: 'See where the indicator stands at each side, then how much of the slot is left.',
    why: 'Too loose climbs its sprockets, too tight eats bearings; a slot used up means a chain worn out.',
    labour: { measure: 4, adjust: 20, shorten: 45, replace: 150 },
    costs: costs(6, 400),
  },
  chainTension: {
    ...MARK,
    places: ['tensioner'],
    takeUp: takeUp(40),
    position: 'Raised, on its stops',
    how: 'See where the indicator stands, then how much of the slot is left. After adjusting run it a minute and look again.',
    why: 'It settles with the first turns.',
    labour: { measure: 4, adjust: 15, shorten: 40, replace: 110 },
    costs: costs(4, 250),
  },
  belt: {
    kind: 'measure',
    method: 'belt-width',
    measures: 'width at the top',
    places: ['belt'],
    lookAlone: true,
    limit: { type: 'wear', nominal: 38, limit: 35 },
    wearRate: { perHour: 0.0012, sd: 0.0004 },
    tool: RULE,
    position: 'Shields open, stopped',
    how: 'Turn it by hand; measure the width where it is narrowest.',
    why: 'A narrow belt sinks into its sheave and slips, and looks no different.',
    labour: { measure: 5, replace: 60 },
    costs: costs(5, 100),
  },
  pair: {
    kind: 'series',
    method: 'chain-pitches',
    measures: 'length over 10 pitches',
    places: ['left strand', 'right strand'],
    limit: { type: 'elongation', pitch: 38.4, pitches: 10, limitPercent: 2.5 },
    outOfFamily: 4,
    wearRate: { perHour: 0.0009, sd: 0.0004 },
    tool: TAPE,
    position: 'Raised, on its stops',
    how: 'Pull the strand straight; measure from pin to pin over ten pitches, both strands.',
    why: 'Strands that differ pull the slats askew.',
    labour: { measure: 4, replace: 80 },
    costs: costs(8, 900),
  },
  gap: {
    kind: 'measure',
    method: 'clearance',
    measures: 'smallest clearance',
    places: ['narrowest'],
    limit: { type: 'band', low: 8, nominal: 10, high: 12 },
    tool: { name: 'Feeler gauge', resolution: 0.1 },
    position: 'Lowered to its working place',
    how: 'Set it to its working place first: raised it hangs differently.',
    why: 'Too near touches, too far leaves crop.',
    labour: { measure: 5, adjust: 25 },
    costs: costs(3, 600),
  },
  chain: {
    kind: 'measure',
    method: 'chain-pitches',
    measures: 'length over 10 pitches',
    places: ['slack side'],
    limit: { type: 'elongation', pitch: 19.05, pitches: 10, limitPercent: 2 },
    tool: TAPE,
    position: 'Shields open, stopped',
    how: 'Pull it straight; measure from pin to pin. With a tape read it three times, or take a caliper.',
    why: 'Beyond the limit it rides up its teeth.',
    labour: { measure: 5, replace: 50 },
    costs: costs(4, 300),
  },
  knives: {
    kind: 'count',
    method: 'knife-count',
    measures: 'missing and worn',
    places: ['all'],
    renew: 'opposite',
    tool: { name: 'Eye', resolution: 1 },
    position: 'Shields open, stopped',
    how: 'Count what is missing, damaged, worn on one edge, worn on both.',
    why: 'One missing shakes the shaft.',
    labour: { measure: 6, turn: 40, replace: 30 },
    costs: costs(3, 500),
  },
  look: {
    kind: 'condition',
    method: 'look',
    measures: 'its condition',
    places: ['all of it'],
    tool: { name: 'Eye', resolution: 1 },
    position: 'Shields open, stopped',
    how: 'Wipe it clean and look all around it, with a lamp.',
    why: 'What drips today stands still tomorrow.',
    labour: { measure: 4, replace: 70 },
    costs: costs(5, 800),
  },
};

const ROLES = Object.keys(PARTS_OF) as readonly Role[];

/** Days until a part is there, by its role: some are on the shelf. */
export const LEAD_DAYS: Readonly<Record<Role, number>> = {
  tension: 0,
  chainTension: 0,
  belt: 0,
  pair: 1,
  gap: 0,
  chain: 0,
  knives: 0,
  look: 1,
};

/** What a part costs, crowns of nobody's. */
export const PART_PRICES: Readonly<Record<Role, number>> = {
  ...{ tension: 520, chainTension: 260, belt: 140, pair: 480 },
  ...{ gap: 0, chain: 90, knives: 60, look: 210 },
};

export const partOf = (role: Role): string => `PR-${role}`;

/** One machine is practised on at a time: its sheet has one name, whatever its kind. */
export const SHEET_NAME = 'Practice machine';

/** The sheet of a practice machine: eight checks, one of each role; a check's id is its role. */
export function practiceSheet(kind: MachineKind): SpecSheet {
  const { title, on, of, seen, counted, total } = KINDS[kind];
  const checks = ROLES.map((role, i) =>
    Check.parse({
      ...{ id: idOf(role), component: of[role], on, station: i + 1, stationName: title },
      ...PARTS_OF[role],
      ...(role === 'knives' ? { counted, total, turnFrom: Math.round(total / 4) } : {}),
      ...(role === 'look' ? { looksFor: seen } : {}),
      parts: role === 'gap' ? [] : [{ number: partOf(role), name: of[role], each: 1 }],
      ifLeft: `It stops the machine in harvest.`,
      safety: ['Engine off, key out, all has stopped before you reach in.'],
      source: 'Practice: figures of nobody',
    }),
  );
  return SpecSheet.parse({
    ...{
      model: SHEET_NAME,
      maker: 'Practice',
      machine: on,
      revision: 1,
      checks,
    },
    moves: { usual: 4, table: [] },
  });
}

const idOf = (role: Role): string => role.toLowerCase();
const ROLE_OF = new Map(ROLES.map((role) => [idOf(role), role]));

/** The role of a check of a practice machine. */
export function roleOf(checkId: string): Role {
  const role = ROLE_OF.get(checkId);
  if (!role) throw new Error(`${checkId} is no check of a practice machine`);
  return role;
}
