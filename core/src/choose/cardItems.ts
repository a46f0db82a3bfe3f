import { MOST_CARD_ITEMS, type CardItem, type Check, type MachineFile } from '../contracts';
import { candidatesFor, type Candidate } from './candidates';
import { dueOf, type Standing } from '../plan';
import { safetyAsked } from '../stand';
import { positionOf } from '../walk';

/**
 * Today's few checks for who drives the machine: of the daily walk, by eye, at rest, as it stands in
 * the field, nothing raised, run, turned or opened for it; what guards people first, then what is due,
 * then what is worth most.
 */
export function cardItems(file: MachineFile, standing: Standing): readonly CardItem[] {
  const due = dueOf(file, standing);
  return candidatesFor('daily', { file, standing, due })
    .filter(({ check }) => isForOperator(check, file))
    .sort((a, b) => rank(b) - rank(a) || b.worth - a.worth || order(a, b))
    .slice(0, MOST_CARD_ITEMS)
    .map(({ check }) => itemOf(check));
}

const rank = ({ must, due }: Candidate): number => (must === 'safety' ? 2 : 0) + (due ? 1 : 0);
const order = (a: Candidate, b: Candidate): number =>
  a.check.station - b.check.station || (a.check.id < b.check.id ? -1 : 1);

/** By eye and without moving, opening or running anything. */
function isForOperator(check: Check, { machine, sheets }: MachineFile): boolean {
  if (check.kind !== 'condition' && check.kind !== 'level') return false;
  if (check.method !== 'look' && check.kind !== 'level') return false;
  const facts = positionOf(check, machine, sheets) ?? {};
  const raised = facts.header === 'raised' || facts.feeder === 'raised' || facts.reel === 'raised';
  const asked = safetyAsked(check, facts, { stand: undefined, facts: undefined });
  return !raised && !check.labour.cover && asked.length === 0;
}

const itemOf = ({ id, component, stationName, measures, how, safety }: Check): CardItem => ({
  checkId: id,
  component,
  stationName,
  asks: measures,
  how,
  safety: [...safety],
});
