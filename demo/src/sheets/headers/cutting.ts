import { both, every, part, type SheetWriter, tool } from '../build';
import type { Follows } from '../schools';
import { knifeDrives } from './knifeDrives';
import { ON_GROUND, RAISED, SIDE } from './positions';
import { reel } from './reel';

/** What sets one cutting platform apart from another. */
export interface Platform {
  readonly sections: number;
  readonly knifeDrive: 'belt' | 'wobble';
  /** two knives that meet in the middle */
  readonly overlapping: boolean;
  readonly follows: Follows;
}

/** What every cutting platform has: knife, guards, reel. */
export function cutting(w: SheetWriter, platform: Platform): SheetWriter {
  const { sections, overlapping } = platform;
  w.add('count', 'knife-sections', {
    component: 'Knife sections',
    measures: 'chipped, broken, there',
    position: RAISED,
    method: 'section-guard',
    counted: 'sections',
    total: sections,
    renew: 'each',
    how: 'Along the bar from end to end; turn the drive by hand once.',
    why: 'A chipped section tears.',
    ifLeft: 'Ragged cut and a loaded knife drive.',
    parts: part('LM-9101', 'Section with bolts', 1, undefined, { soldIn: 10 }),
    mind: ['header', 'knives'],
    put: { replace: 5 },
    minutes: 8,
  })
    .add('condition', 'knife-guards', {
      component: 'Knife guards',
      measures: 'edges, line',
      position: RAISED,
      method: 'section-guard',
      looksFor: ['edge rounded', 'bent', 'out of line', 'lip broken'],
      marked: 'adjust',
      how: 'Sight along the bar from each end.',
      why: 'One guard out of line bends the knife at every stroke.',
      ifLeft: 'The knife breaks.',
      parts: part('LM-9105', 'Double guard'),
      mind: ['header', 'knives'],
      put: { adjust: 20, replace: 10 },
    })
    .add('series', 'knife-guard-clearance', {
      component: 'Knife to guard',
      measures: 'clearance at the point',
      position: RAISED,
      method: 'clearance',
      places: ['left third', 'middle', 'right third'],
      ...w.fine,
      tool: tool('feeler'),
      limit: { type: 'band', low: w.thou(0.1), high: w.thou(0.8) },
      outOfFamily: 0.4,
      how: 'Feelers between section and guard at the stroke’s end.',
      why: 'Wide it folds straw, tight it runs hot.',
      ifLeft: 'Ragged cut.',
      mind: ['header', 'knives'],
      put: { adjust: 25 },
    })
    .add('series', 'hold-downs', {
      component: 'Knife hold-downs',
      measures: 'clearance, across the bar',
      position: RAISED,
      method: 'hold-down',
      places: ['1', '2', '3', '4', '5', '6', '7', '8'],
      ...w.fine,
      tool: tool('feeler'),
      limit: { type: 'band', low: w.thou(0.1), high: w.thou(0.6) },
      outOfFamily: 0.3,
      how: 'Feelers between hold-down and section.',
      why: 'A knife that lifts folds the straw.',
      ifLeft: 'Ragged cut and broken sections.',
      parts: part('LM-9110', 'Hold-down'),
      mind: ['header', 'knives'],
      put: { adjust: 30 },
      minutes: 10,
    })
    .add('measure', 'knife-head', {
      component: 'Knife head',
      measures: 'play in its bearing',
      position: SIDE,
      method: 'play',
      ...w.fine,
      tool: tool('feeler'),
      limit: { type: 'wear', nominal: w.thou(0.1), limit: w.thou(0.7), wornSide: 'larger' },
      wearRate: { perHour: 0.0008, sd: 0.0003 },
      how: 'Push and pull the knife by hand.',
      why: 'Play here is doubled at the last section.',
      ifLeft: 'The knife head breaks.',
      parts: part('LM-9120', 'Knife-head bearing'),
      mind: ['knives'],
      put: { replace: 40 },
    })
    .add('condition', 'knife-register', {
      component: 'Knife register',
      measures: 'sections centred at the stroke’s ends',
      position: SIDE,
      method: 'section-guard',
      looksFor: ['out of register'],
      marked: 'adjust',
      damaged: 'adjust',
      how: 'Turn to both ends by hand; the section stands in the middle of its guard.',
      why: 'Out of register it cuts on one side only.',
      ifLeft: 'Ragged cut.',
      mind: ['knives'],
      put: { adjust: 30 },
    });
  if (overlapping)
    w.add('measure', 'hold-down-overlap', {
      component: 'Hold-down at the knives’ overlap',
      measures: 'clearance',
      position: RAISED,
      method: 'hold-down',
      ...w.fine,
      tool: tool('feeler'),
      limit: { type: 'band', low: w.thou(0.5), high: w.thou(1.2) },
      how: 'Feelers where the two knives overlap.',
      why: 'A larger figure where two knives overlap.',
      ifLeft: 'The knives clash.',
      mind: ['header', 'knives'],
      put: { adjust: 20 },
    });
  knifeLine(w);
  reel(w);
  knifeDrives(w, platform);
  return w;
}

/** What holds the knife in line, and what is carried for it. */
function knifeLine(w: SheetWriter): void {
  w.add('gonogo', 'knife-head-aligned', {
    component: 'Knife head',
    measures: 'in line, with the head gauge',
    position: SIDE,
    gauge: 'Head gauge',
    good: 'fits',
    otherwise: 'adjust',
    how: 'Turn to mid-stroke by hand, lay the gauge over head and first section.',
    why: 'A head out of line bends the knife at every stroke.',
    ifLeft: 'The head breaks behind its first rivet.',
    mind: ['knives'],
    put: { adjust: 25 },
    knockOns: [{ check: 'knife-register', why: 'the head was moved' }],
  })
    .add('condition', 'knife-head-pressure', {
      component: 'Knife head',
      measures: 'light pressure on the guards, centred',
      position: SIDE,
      method: 'section-guard',
      looksFor: ['presses hard', 'stands off', 'out of centre'],
      marked: 'adjust',
      damaged: 'adjust',
      how: 'Turn to mid-stroke by hand: the head lies on the first guards with light pressure only, and in their middle.',
      why: 'Pressed hard it runs blue, standing off it lifts the first sections.',
      ifLeft: 'A broken head in the first week.',
      mind: ['knives'],
      put: { adjust: 25 },
      knockOns: [{ check: 'knife-register', why: 'the head was moved' }],
    })
    .add('series', 'guard-fingers', {
      component: 'Guard fingers, by kind',
      measures: 'lip to knife, at each kind',
      position: RAISED,
      method: 'section-guard',
      places: ['standard', 'short at the ends', 'stub at the drive'],
      ...w.fine,
      tool: tool('feeler'),
      limit: { type: 'band', low: w.thou(0.1), high: w.thou(0.8) },
      perPlace: {
        'stub at the drive': {
          limit: { type: 'band', low: w.thou(0.2), high: w.thou(1) },
          parts: part('LM-9107', 'Stub guard'),
        },
        'short at the ends': { parts: part('LM-9106', 'Short guard') },
      },
      outOfFamily: 0.6,
      how: 'Three kinds of guards: standard along the bar, short at the ends, stubs at the drive. Feelers at the worst of each.',
      why: 'They look alike and are not: a standard one at the drive strikes the head.',
      ifLeft: 'A broken head, or a ragged end.',
      parts: part('LM-9105', 'Double guard', 1, undefined, { soldIn: 2 }),
      mind: ['header', 'knives'],
      put: { adjust: 15, replace: 10 },
    })
    .add('series', 'knife-arm-bolts', {
      component: 'Knife arm bolts',
      measures: 'torque',
      position: SIDE,
      method: 'torque',
      places: ['arm', 'head'],
      quantity: 'torque',
      unit: w.ruled.unit === 'in' ? 'lbf·ft' : 'N·m',
      style: 'plain',
      tool: tool('wrench'),
      limit: { type: 'band', low: 110, high: 140 },
      drift: { perHour: -0.03, sd: 0.015 },
      outOfFamily: 20,
      how: 'Each bolt with the wrench, the lowest of each place.',
      why: 'They take every stroke of the knife.',
      ifLeft: 'The arm lets go of the knife.',
      parts: part('LM-9122', 'Arm bolt, used once'),
      mind: ['knives'],
      put: { adjust: 10 },
      interval: every(50, 365, 10),
    })
    .add('condition', 'vertical-knives', {
      component: 'Vertical knives',
      measures: 'sections, guards and drive, where fitted',
      position: RAISED,
      places: both,
      looksFor: ['section chipped', 'drive loose', 'guard of the blade missing'],
      marked: 'adjust',
      damaged: 'replace',
      how: 'Each side: sections and drive; its guard is on whenever nobody works at it.',
      why: 'They cut at the height of a face.',
      ifLeft: 'Tangled crop at the divider.',
      parts: part('LM-9124', 'Vertical knife section'),
      mind: ['header', 'knives', 'guards'],
      put: { adjust: 15, replace: 25 },
    })
    .add('count', 'spare-sections', {
      component: 'Spare sections aboard',
      measures: 'in their box, with bolts',
      position: ON_GROUND,
      counted: 'spare sections',
      total: 6,
      renew: 'each',
      how: 'Open the box on the frame and count.',
      why: 'A section changed in the field is ten minutes; without one it is a morning.',
      ifLeft: 'A morning lost for a section.',
      parts: part('LM-9101', 'Section with bolts', 1, undefined, { soldIn: 10 }),
      put: { replace: 1 },
    });
}
