import { EXAMPLES, example, INSIDE_EXAMPLES } from '../testing/findings';
import { demoCheck, demoSheet } from '../testing/sheet';
import { drawnWords, wantWords } from '../kinds';
import type { Finding, FindingId, InsideNumbers } from '../findings';
import { DECISION_WORDS, headSentence, sentence } from './index';

/*
 * Every sentence a technician can be told, word for word: one who changes a sentence changes it here
 * and reads it once more. Said of the fan drive belt, whatever it is that was found.
 */
const SAID: Readonly<Record<Exclude<FindingId, 'inside'>, string>> = {
  noLimit: 'No limit yet: enter it from the maker’s manual.',
  damaged: 'Damage seen: cord showing. A damaged one is renewed whatever it measures.',
  knivesLost:
    '1 missing, 1 bent or cracked of 48: renew 4, the 2 opposite mates among them, so that the rotor stays balanced.',
  positionNotConfirmed: 'Not confirmed: feeder level. A reading in another position is void.',
  twoSay:
    'Hanne Vos and Bram Tolley read it differently in this walk: strike the one that is wrong, or read it again together.',
  implausible:
    '83 mm cannot well be: better than new, 38.4 mm at best. Measure again, and look at unit, digits and pitches counted.',
  skipped: 'Not measured: too dark.',
  notMeasured: 'Only the travel left was read: take the top width too.',
  looksFineOnly: 'It looks fine, but it narrows without looking worn: measure its top width.',
  scatter: 'The 3 repeats differ by 1.2 mm, more than the tool explains: take them again.',
  pastLimit: '35.6 mm is at or past the limit of 35 mm, proven beyond ±0.06 mm.',
  limitReached:
    '2.1 % elongation (35.6 mm) lies within ±0.06 mm of the limit of 2.1 % (35 mm) after 1 repeats: it counts as reached.',
  limitWasReached:
    '35.6 mm was at or past the limit of 35 mm on 2025-09-16, at 1,176 h, and nothing renewed is on record since. Renew it, record the new part, or strike that reading.',
  notWorthLeaving:
    '61 % chance to reach the limit before harvest ends, most likely at 1,380 h. Leaving it costs about 2,898 crowns, renewing now instead of later 94: worth it from 2 % on.',
  notWorthLeavingLong:
    '61 % chance to use up its travel before harvest ends, most likely at 1,380 h. No price is known of LM-1: from 50 % on it is shortened.',
  notWorthLeavingSet:
    '61 % chance to leave its band before harvest ends, most likely at 1,380 h. No costs are known: from 50 % on it is set.',
  gaugeOut: 'Wear gauge fits: worn out.',
  bandReplace: '35.6 mm is below 36 mm to 40 mm. It cannot be set: renew it.',
  tensionerFaulty:
    'Short of its mark, and this tensioner sets itself: do not adjust it, find the leak or the tired spring.',
  fluidBad: 'Gear oil is grey: change it and find out why.',
  limitInDoubt:
    '2.1 % elongation (35.6 mm) is within ±0.06 mm of the limit of 2.1 % (35 mm). Take 2 more repeats or measure over 14 pitches.',
  shrunk:
    'Less worn than before: 50 % of the way to the limit against 80 % at 1,100 h. Measure again, or record the new part.',
  stretchedOut:
    '4 mm of the 45 mm travel is left at 1.1 % elongation, limit 2.6 %: taking links out no longer helps.',
  notSettled:
    'Adjusted, but not yet run and looked at again: a manual adjuster moves after the first run.',
  travelMissing: 'Tension is only good if travel is left: give the travel left.',
  falseTension:
    'False tension: the indicator reads right, but 4 mm of the 45 mm travel is left, so the chain is slack. Take out one half link (odd count: needs an offset link, or one removed), then 25 mm of travel.',
  travelGone: 'Loose with 4 mm of travel left, 10 mm wanted in reserve.',
  loose: '3 mm short of its mark, 12 mm of travel left: tighten it.',
  overTight: 'Chain stuck: too tight. That shortens its life and ruins the bearing.',
  play: 'The chain has up-and-down play on the sprocket: take it out.',
  sidesDiffer:
    'Left and right differ by 6 mm of tension, 3 mm allowed: the chain climbs. Adjust both.',
  placesDiffer: 'Front 10 mm and rear 14 mm differ by 4 mm, 2 mm allowed. Level them.',
  bandAdjust: '35.6 mm is below its lowest, 36 mm. Set it.',
  gaugeOff: 'Wear gauge fits: set it.',
  putRight: 'Seen: cord showing. Put it right.',
  otherProduct: 'Grease NLGI 0 was used, the book says Grease NLGI 2: change it.',
  otherFluid:
    'Gear oil GL-4 is in it, Gear oil belongs there: drain it, fill it anew, run it, and read it again.',
  tooMuch: '2 strokes given, never more than 4 strokes: wipe off and run it out.',
  tooLittle: '2 strokes given, 3 strokes wanted.',
  levelLow: 'Low at the sight glass: top up with Gear oil, and look for the leak.',
  levelHigh:
    'High at the sight glass: draw off, and find out what came in or in which position it was filled.',
  settingDiffers: 'Set to high; lentils wants low: stones.',
  serviceDue: 'Due: last done at 1,000 h, every 250 h or 365 days. 1.5 l of Gear oil.',
  bandTurn: '35.6 mm is below its highest, 40 mm. Turn it to its good edge.',
  gaugeTurn: 'Wear gauge fits: this edge is worn, turn it to the good one.',
  edgeSpent: 'Seen: cord showing. This edge is spent, turn it to the good one.',
  oneEdgeWorn: '4 of 48 worn on one edge: turn them, the other edge is good.',
  bandInDoubt:
    '35.6 mm is within ±0.06 mm of the lowest 36 mm. Take 2 more repeats or use a finer tool.',
  reachesLimit:
    'More than 99 % chance to reach the limit before harvest ends (109 h to go). Look again at more than 20,000 h.',
  travelLow:
    'In tension with 4 mm of travel left, 10 mm wanted in reserve. This harvest needs about 7 mm.',
  serviceInSeason: 'Falls due at 1,250 h, before harvest ends: 1.5 l of Gear oil.',
  marked: 'It is marked. Not yet damaged: look again.',
  fewMissing: '2 of 48 knives missing or damaged, 0 may wait.',
  settingNotGiven: "Set to high; the sheet says nothing for lentils. See the maker's manual.",
  earlyRecheck: 'New: it stretches and settles first. Look again at 1,309 h.',
  fittedUnread:
    'A new part was fitted at 1,250 h by the owner and has not been read since: read it.',
  recheckDue: 'It was to be looked at again by now: last read at 1,250 h on 2026-05-20.',
  lapsed:
    'Read on 2025-09-16 at 1,176 h; every 100 h or 365 days: due since 1,276 h. Read it again.',
  notRead: 'Not read yet: right.',
};

const SAID_INSIDE: Readonly<Record<InsideNumbers['shows'], string>> = {
  wear: '2.1 % elongation (35.6 mm), 80 % of the way to the limit of 2.1 % (35 mm).',
  band: '35.6 mm, inside 36 mm to 40 mm.',
  tension: '3 mm past its mark (allowed) with 4 mm of 45 mm travel left.',
  travel: 'In order, 4 mm of the 45 mm travel left.',
  gauge: 'Wear gauge fits, as it should.',
  count: 'All 48 there, 4 worn on one edge.',
  condition: 'Sound.',
  level: 'Right at the sight glass, grey.',
  setting: 'Set to high, as lentils wants.',
  service: 'Done: 2 strokes of Grease NLGI 2.',
};

/** One check of every kind and method: what it wants, and its drawing in words. */
const WANTED: readonly (readonly [id: string, wants: string, drawn: string])[] = [
  [
    'feeder-lift-stop',
    'looked for: pin missing, latch bent, does not seat',
    'Feeder-house lift stop: look for pin missing, latch bent, does not seat.',
  ],
  [
    'pivot-bolts',
    'all 6 pivot bolts',
    'Feeder pivot bolts: 6 pivot bolts, a bad one is renewed with the whole set.',
  ],
  [
    'face-angle',
    '3 ° to 6 °, best 4.5 °',
    'Feeder face, angle with a level: 3 ° to 6 °, best 4.5 °.',
  ],
  [
    'feeder-slide',
    'new 8 mm · limit 4.8 mm',
    'Feeder face slide, wear strip thickness: new 8 mm · limit 4.8 mm.',
  ],
  [
    'tilt-pins',
    'new 0.2 mm · limit 1.2 mm',
    'Tilt pins, play in the bush: new 0.2 mm · limit 1.2 mm.',
  ],
  [
    'conveyor-chain-tension',
    'at its mark, to 3 mm past, slot 45 mm',
    'Feeder conveyor chain: washer level with the end, up to 3 mm past is fine; slot 45 mm long.',
  ],
  [
    'conveyor-tension-hydraulic',
    'looked at, never adjusted',
    'Feeder conveyor tensioner, hydraulic: rod inside its band, up to 5 mm past is fine.',
  ],
  [
    'conveyor-belt-tension',
    'at its mark, to 3 mm past, slot 70 mm',
    'Feeder conveyor belt: eye-bolt between the marks, up to 3 mm past is fine; slot 70 mm long.',
  ],
  [
    'conveyor-chain-elongation',
    'new 414 mm · limit 424.76 mm (2.6 %)',
    'Feeder conveyor chain, strands, length over 10 pitches: new 414 mm · limit 424.8 mm (2.6 %).',
  ],
  [
    'conveyor-sprockets',
    'new 9.5 mm · limit 7.1 mm',
    'Conveyor drive sprockets, tooth thickness at mid-height: new 9.5 mm · limit 7.1 mm.',
  ],
  [
    'wear-strips',
    'new 6.4 mm · limit 3.2 mm',
    'Feeder wear strips, thickness: new 6.4 mm · limit 3.2 mm.',
  ],
  ['drum-height', 'low / high', 'Feeder drum: low, high.'],
  [
    'feeder-drive-chain',
    'at its mark, to 4 mm past, slot 35 mm',
    'Feeder drive chain: moves as the gauge, up to 4 mm past is fine; slot 35 mm long.',
  ],
  [
    'feeder-slip-clutch',
    '1 stroke of Grease NLGI 2',
    'Feeder slip clutch: 1 stroke of Grease NLGI 2.',
  ],
  [
    'variable-belt-width',
    'new 63 mm · limit 58.5 mm',
    'Variable feeder belt, top width: new 63 mm · limit 58.5 mm.',
  ],
  [
    'variable-sheave-gap',
    '2 mm to 6 mm',
    'Variable feeder drive, front sheave, gap, drive at its slowest: 2 mm to 6 mm.',
  ],
  [
    'reverser-oil',
    'right at the upper plug of two; the lower one drains',
    'Feeder reverser: level at the upper plug of two; the lower one drains, Reverser fluid RX 32.',
  ],
  [
    'multi-rib-tension',
    '38 Hz to 46 Hz',
    'Fixed feeder belt, multi-rib, note of the free span: 38 Hz to 46 Hz.',
  ],
  [
    'rasp-bar-height',
    'new 26 mm · limit 19 mm',
    'Rotor rasp bars, height of the bar: new 26 mm · limit 19 mm.',
  ],
  [
    'tine-height',
    'Tine wear guide does not fit',
    'Separator tines: good when the Tine wear guide does not fit.',
  ],
  [
    'eccentric-arms',
    'new 0.1 mm · limit 1 mm',
    'Shoe eccentric arms, play in the bush: new 0.1 mm · limit 1 mm.',
  ],
  [
    'elevator-chain',
    'just slides',
    'Clean-grain elevator chain: slide it on the lower sprocket; slot 60 mm long.',
  ],
  [
    'elevator-chain-elongation',
    'new 457.2 mm · limit 468.63 mm (2.5 %)',
    'Clean-grain elevator chain, length over 12 pitches: new 457.2 mm · limit 468.6 mm (2.5 %).',
  ],
  [
    'elevator-sprocket',
    'new 8 mm · limit 6 mm',
    'Elevator lower sprocket, tooth thickness: new 8 mm · limit 6 mm.',
  ],
  [
    'countershaft-belt-tension',
    'at its mark, to 2 mm past, slot 40 mm',
    'Countershaft belt tensioner: canister closed, up to 2 mm past is fine; slot 40 mm long.',
  ],
  [
    'shoe-belt-tension',
    'at its mark, to 3 mm past, slot 40 mm',
    'Shoe drive belt tensioner: tips together, up to 3 mm past is fine; slot 40 mm long.',
  ],
  [
    'chopper-belt-tension',
    'at its mark, to 3 mm past, slot 45 mm',
    'Chopper belt tensioner: ends flush, up to 3 mm past is fine; slot 45 mm long.',
  ],
  [
    'belt-widths-left',
    'new 22 mm · limit 19.8 mm',
    'Belts on the left, top width: new 22 mm · limit 19.8 mm.',
  ],
  [
    'alternator-belt',
    '40 N to 60 N',
    'Alternator belt, force to press it at mid-span: 40 N to 60 N.',
  ],
  [
    'chopper-knives',
    'all 48 knives',
    'Chopper knives: 48 knives, a bad one is renewed with its opposite mate.',
  ],
  [
    'knife-height',
    'new 60 mm · limit 45 mm',
    'Chopper knives, height left: new 60 mm · limit 45 mm.',
  ],
  ['tyre-pressure', '170 kPa to 240 kPa', 'Tyres, pressure: 170 kPa to 240 kPa.'],
  ['wheel-bolts', '560 N·m to 640 N·m', 'Wheel bolts, torque: 560 N·m to 640 N·m.'],
  [
    'stalk-roll-edges',
    'looked for: rounded, chipped, bolt loose',
    'Stalk rolls: look for rounded, chipped, bolt loose.',
  ],
  [
    'knife-sections',
    'all 124 sections',
    'Knife sections: 124 sections, a bad one is renewed alone.',
  ],
  [
    'knife-guards',
    'looked for: edge rounded, bent, out of line, lip broken',
    'Knife guards: look for edge rounded, bent, out of line, lip broken.',
  ],
  [
    'hold-downs',
    '0.1 mm to 0.6 mm',
    'Knife hold-downs, clearance, across the bar: 0.1 mm to 0.6 mm.',
  ],
  [
    'hold-down-overlap',
    '0.5 mm to 1.2 mm',
    'Hold-down at the knives’ overlap, clearance: 0.5 mm to 1.2 mm.',
  ],
  [
    'draper-tension',
    'at its mark, to 6 mm past, slot 120 mm',
    'Side drapers: pointer inside the band, up to 6 mm past is fine; slot 120 mm long.',
  ],
];

const belt = demoCheck('fan-drive-belt', 'measure');

describe('every finding in words', () => {
  test.each(Object.entries(SAID))('%s', (id, said) =>
    expect(sentence(belt, example(id as FindingId))).toBe(said),
  );
  test.each(Object.entries(SAID_INSIDE))('what holds, shown by %s', (shows, said) => {
    const numbers = INSIDE_EXAMPLES[shows as InsideNumbers['shows']];
    expect(sentence(belt, { id: 'inside', numbers } as Finding)).toBe(said);
  });
  test.each([
    [{ from: 309.2, to: 438.6 }, 'taken as between 309 h and 439 h.'],
    [{ from: 0, to: 0.3 }, 'taken as there since the machine was new.'],
    [{ from: 250.2, to: 250.4 }, 'taken as at 250 h.'],
    [{ from: 0, to: 120 }, 'taken as between 0 h and 120 h.'],
  ])('when a part was fitted, where nobody wrote it down: %j', (age, said) => {
    const { id, numbers } = example('reachesLimit');
    expect(sentence(belt, { id, numbers: { ...numbers, age } } as Finding)).toMatch(
      new RegExp(` When it was fitted is not on record: ${said.replaceAll('.', '\\.')}$`),
    );
  });
  test('what is worth it at almost any chance is not said to be so from nothing on', () => {
    const { id, numbers } = example('notWorthLeaving');
    const { sums } = numbers as { sums: object };
    const cheap = { ...numbers, sums: { ...sums, renew: 5, breakEven: 0.002 } };
    expect(sentence(belt, { id, numbers: cheap } as unknown as Finding)).toMatch(
      /renewing now instead of later 5: worth it from less than 1 % on\.$/,
    );
  });
  test('each is one sentence or more, begun with a capital and ended with a stop', () => {
    for (const id of Object.keys(EXAMPLES) as FindingId[]) {
      expect(sentence(belt, example(id))).toMatch(/^[A-Z0-9].*\.$/);
      expect(sentence(belt, example(id))).not.toMatch(/NaN|undefined|Infinity|\s{2}|null/);
    }
  });
  test('the head sentence is that of the weightiest; of nothing found nothing is said', () => {
    expect(headSentence(belt, [example('loose'), example('inside')])).toBe(SAID.loose);
    expect(headSentence(belt, [])).toBe('');
  });
  test('a decision is said in one word', () => {
    for (const word of Object.values(DECISION_WORDS)) expect(word).toMatch(/^[A-Z][a-z]+$/);
    expect(new Set(Object.values(DECISION_WORDS)).size).toBe(8);
  });
});

describe('what a check wants, and what its drawing shows', () => {
  const sheets = ['ouzel7', 'ouzel5', 'merle12', 'merle10'] as const;
  const checks = sheets.flatMap((s) => demoSheet(s).checks);
  test.each(WANTED)('%s', (id, wants, drawn) => {
    const check = checks.find((c) => c.id === id);
    if (!check) throw new Error(`no check ${id}`);
    expect([wantWords(check), drawnWords(check)]).toEqual([wants, drawn]);
  });
});
