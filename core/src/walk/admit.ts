import { parseISO, formatISO, addDays } from 'date-fns';
import type { Check, Day, Machine, Reading, ReadingKind, SpecSheet } from '../contracts';
import { checksFor } from './checks';

/** What is wrong with one field of a reading, and the remedy. */
export interface FieldTrouble {
  readonly field: string;
  readonly message: string;
}

/** Kinds of value each kind of check takes, beside a skip. */
const TAKES: Readonly<Record<Check['kind'], readonly ReadingKind[]>> = {
  measure: ['measure', 'look', 'travel'],
  series: ['measure', 'look', 'travel'],
  mark: ['mark', 'travel'],
  feel: ['feel', 'travel'],
  count: ['count'],
};

/**
 * Whether a well-formed reading can belong to this machine: the same rule on the phone, at the API and for files.
 * @returns the troubles, empty when it may be stored
 */
export function admissionTroubles(reading: Reading, machine: Machine, sheets: readonly SpecSheet[], today: Day): FieldTrouble[] {
  const checks = checksFor(machine, sheets);
  const check = checks.find((c) => c.id === reading.checkId);
  if (!check) {
    return [{ field: 'checkId', message: `${machine.model} ${machine.serial}${machine.header ? ` with ${machine.header.model}` : ''} has no check "${reading.checkId}". It has: ${checks.map((c) => c.id).join(', ') || 'none, for want of a spec sheet'}.` }];
  }
  const troubles: FieldTrouble[] = [];
  const wrong = (field: string, message: string) => troubles.push({ field, message });
  if (!check.places.includes(reading.place)) wrong('place', `"${reading.place}" is not a place of ${check.component}. Use one of: ${check.places.join(', ')}.`);
  const takenOn = reading.takenAt.slice(0, 10);
  if (takenOn < machine.builtOn) wrong('takenAt', `${takenOn} lies before ${machine.serial} was built, ${machine.builtOn}. Check the date.`);
  if (takenOn > formatISO(addDays(parseISO(today), 1), { representation: 'date' })) wrong('takenAt', `${takenOn} lies in the future; today is ${today}. Check the date.`);
  const { value } = reading;
  if (value.kind !== 'skip' && !TAKES[check.kind].includes(value.kind)) wrong('value.kind', `${check.component} takes ${TAKES[check.kind].join(' or ')}, not ${value.kind}.`);
  else if (value.kind === 'travel' && check.kind !== 'count') {
    if (!check.takeUp) wrong('value.kind', `${check.component} has no adjuster travel to read.`);
    else if (value.left > check.takeUp.total + check.takeUp.resolution) wrong('value.left', `${value.left} mm is more than the whole travel, ${check.takeUp.total} mm. Read the slot again.`);
  } else if (value.kind === 'count' && check.kind === 'count') {
    const all = value.missing + value.damaged + value.oneEdge + value.bothEdges;
    if (all > check.total) wrong('value', `${all} knives counted, but there are ${check.total}. Count each knife once.`);
  }
  return troubles;
}
