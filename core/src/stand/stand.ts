import type { Check, PositionFacts, Tick } from '../contracts';

/** What has to be made safe before a machine is reached into, each its own few lines to confirm. */
export const SAFETY = {
  stop: {
    title: 'It was running: make it safe again',
    lines: ['Engine stopped, all motion run down.', 'Key out and kept on you. Isolator off.'],
  },
  run: {
    title: 'It has to run',
    lines: [
      'Everyone clear and in sight; who stands at the controls is agreed.',
      'Doors and shields shut, tools out. Nobody reaches in while it runs.',
    ],
  },
  runFirst: {
    title: 'It runs first, then it is made safe again',
    lines: [
      'Everyone clear and in sight, doors and shields shut: then run it.',
      'Engine stopped, all motion run down, key out and kept on you.',
    ],
  },
  lift: {
    title: 'Something heavy is above',
    lines: ['Lift stops latched, and let down until they carry. Nobody under it before.'],
  },
  reel: {
    title: 'The reel is above',
    lines: ['Reel stops set at both ends, and let down until they carry.'],
  },
  stands: {
    title: 'The header stands by itself',
    lines: ['Stands pinned on firm ground; it cannot tip or roll when pulled at.'],
  },
  byHand: {
    title: 'It is turned by hand',
    lines: ['Said before it is turned. No fingers between what meets; one person turns.'],
  },
  hot: {
    title: 'It is hot',
    lines: ['Gloves on. Hot oil, coolant and exhaust; nothing under pressure is opened.'],
  },
  knives: {
    title: 'Knives are near',
    lines: ['Cut-proof gloves on. What can turn is wedged or held.'],
  },
} as const satisfies Readonly<
  Record<string, { readonly title: string; readonly lines: readonly string[] }>
>;
export type SafetyId = keyof typeof SAFETY;
const SAFETY_IDS = Object.keys(SAFETY) as readonly SafetyId[];

/** How a machine stands in a walk, as somebody confirmed it. */
export interface Stand {
  readonly position: string;
  readonly at: string;
  readonly by: string;
  /** what was made safe for it */
  readonly safe: readonly SafetyId[];
}

const START = 'stand|';

/** What ticks of a position in a walk name. */
export const standKey = (walkId: string, position: string): string =>
  `${START}${walkId}|${position}`;

/** What a tick of a position keeps of what was made safe for it. */
export const safeNote = (safe: readonly SafetyId[]): string => safe.join(', ');

/**
 * How the machine stands by what was confirmed last in this walk, on whatever phone; undefined when
 * it was moved since, or never confirmed. A machine stands one way at a time: what is confirmed ends
 * what was before.
 */
export function standIn(ticks: readonly Tick[], walkId: string): Stand | undefined {
  const start = standKey(walkId, '');
  let last: Tick | undefined;
  for (const tick of ticks)
    if (tick.key.startsWith(start) && (!last || later(tick, last))) last = tick;
  if (!last?.done) return undefined;
  const said = last.note.split(', ');
  return {
    position: last.key.slice(start.length),
    at: last.at,
    by: last.by,
    safe: SAFETY_IDS.filter((id) => said.includes(id)),
  };
}

const later = (a: Tick, b: Tick): boolean => a.at > b.at || (a.at === b.at && a.id > b.id);

const KNIVES: readonly Check['method'][] = ['section-guard', 'knife-edge', 'knife-count'];

/** Facts that can only be changed by running the machine, and by which they are told. */
const BY_RUNNING = ['drive', 'rotor', 'tube'] as const;

/** Where a machine stands or is to stand, with its facts where the sheet tells them. */
interface Standing {
  readonly stand: Stand | undefined;
  readonly facts: PositionFacts | undefined;
}

/**
 * What has to be made safe, and confirmed, before a check is taken: at each change of the machine's
 * state, and near knives. Nothing when the machine stands for this check already.
 * @param to facts of the check's position, where its sheet tells them
 */
export function safetyAsked(
  check: Pick<Check, 'position' | 'method'>,
  to: PositionFacts | undefined,
  { stand, facts: from }: Standing,
): readonly SafetyId[] {
  const here = stand?.position === check.position;
  const asked = here ? new Set<SafetyId>() : ofChange(to ?? {}, from ?? {});
  if (KNIVES.includes(check.method) && !(here && stand.safe.includes('knives')))
    asked.add('knives');
  return SAFETY_IDS.filter((id) => asked.has(id));
}

function ofChange(to: PositionFacts, from: PositionFacts): Set<SafetyId> {
  const asked = new Set<SafetyId>();
  const runs = to.run === 'running';
  if (runs) asked.add('run');
  else if (needsRunning(to, from)) asked.add('runFirst');
  else if (from.run === 'running') asked.add('stop');
  if (isUp(to) && !isUp(from)) asked.add('lift');
  if (to.reel === 'raised' && from.reel !== 'raised') asked.add('reel');
  if (to.header === 'stands' && from.header !== 'stands') asked.add('stands');
  if (to.run === 'turnedByHand' && from.run !== 'turnedByHand') asked.add('byHand');
  if (to.engine === 'warm') asked.add('hot');
  return asked;
}

const needsRunning = (to: PositionFacts, from: PositionFacts): boolean =>
  (to.engine === 'warm' && from.engine !== 'warm') ||
  BY_RUNNING.some((fact) => to[fact] !== undefined && to[fact] !== from[fact]);

const isUp = ({ feeder, header }: PositionFacts): boolean =>
  header === 'raised' || feeder === 'raised' || feeder === 'level';
