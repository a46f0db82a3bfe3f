import { z } from 'zod';
import { ShortText } from './common';

/**
 * How a machine can stand, fact by fact. Those of `SETTINGS` belong to the operator: they are put
 * back as they were found.
 */
export const POSITION_FACTS = {
  feeder: ['level', 'raised', 'lowered'],
  header: ['ground', 'working', 'raised', 'stands', 'off'],
  drum: ['low', 'high'],
  drive: ['slowest', 'fastest', 'farSheaveClosed'],
  rotor: ['slowest', 'fastest'],
  tube: ['in', 'out'],
  reel: ['down', 'raised'],
  shields: ['open', 'closed'],
  engine: ['cold', 'rested', 'warm'],
  run: ['stopped', 'turnedByHand', 'running'],
} as const;
export const PositionFact = z.enum([
  'feeder',
  'header',
  'drum',
  'drive',
  'rotor',
  'tube',
  'reel',
  'shields',
  'engine',
  'run',
]);
export type PositionFact = z.infer<typeof PositionFact>;

/** Facts that the operator had set some way: what they were is noted and put back. */
export const SETTINGS = ['drum', 'drive', 'rotor', 'tube', 'reel'] as const;
export type SettingFact = (typeof SETTINGS)[number];

const fact = <F extends PositionFact>(name: F) => z.enum(POSITION_FACTS[name]).optional();

/** The facts of one position. What is not named may be any way. */
export const PositionFacts = z
  .strictObject({
    feeder: fact('feeder'),
    header: fact('header'),
    drum: fact('drum'),
    drive: fact('drive'),
    rotor: fact('rotor'),
    tube: fact('tube'),
    reel: fact('reel'),
    shields: fact('shields'),
    engine: fact('engine'),
    run: fact('run'),
  })
  .superRefine((facts, ctx) => {
    for (const [a, av, b, bv, why] of IMPOSSIBLE)
      if (facts[a] === av && facts[b] === bv)
        ctx.addIssue({ code: 'custom', path: [b], message: why });
  });
export type PositionFacts = z.infer<typeof PositionFacts>;

/** What cannot be at once, and what is dangerous. */
const IMPOSSIBLE: readonly (readonly [PositionFact, string, PositionFact, string, string])[] = [
  [
    'feeder',
    'level',
    'header',
    'ground',
    'a header off the ground: a level feeder stands on its lock',
  ],
  ['feeder', 'raised', 'header', 'ground', 'a header raised with its feeder'],
  ['feeder', 'raised', 'header', 'working', 'a header raised with its feeder'],
  ['feeder', 'lowered', 'header', 'raised', 'a header on the ground or in working position'],
  ['header', 'raised', 'run', 'running', 'a machine that stands still while a header is raised'],
  ['shields', 'open', 'run', 'running', 'shields closed while it runs'],
  ['engine', 'cold', 'run', 'running', 'an engine that is warm once it runs'],
];

/** A position of a sheet, by the name its checks use. */
export const Position = z.object({ name: ShortText, facts: PositionFacts });
export type Position = z.infer<typeof Position>;

/** What settings were found at, before the machine was moved for a walk. */
export const AsFound = z.strictObject({
  drum: z.enum(POSITION_FACTS.drum).optional(),
  drive: z.enum(['slowest', 'fastest', 'between']).optional(),
  rotor: z.enum(['slowest', 'fastest', 'between']).optional(),
  tube: z.enum(POSITION_FACTS.tube).optional(),
  reel: z.enum(POSITION_FACTS.reel).optional(),
});
export type AsFound = z.infer<typeof AsFound>;
