import { addDays } from 'date-fns/addDays';
import { formatISO } from 'date-fns/formatISO';
import { parseISO } from 'date-fns/parseISO';
import type { Check, Day, FieldTrouble, Machine, Reading, SpecSheet } from '../contracts';
import { atPlace, kindOf } from '../kinds';
import { sentence } from '../verdict';
import { checksFor } from './checks';

/**
 * Whether a well-formed reading can belong to this machine: the same rule on the phone, at the API
 * and for files.
 * @returns the troubles, empty when it may be stored
 */
export function admissionTroubles(
  reading: Reading,
  machine: Machine,
  sheets: readonly SpecSheet[],
  today: Day,
): FieldTrouble[] {
  const checks = checksFor(machine, sheets);
  const found = checks.find((c) => c.id === reading.checkId);
  if (!found) return [{ field: 'checkId', message: noSuchCheck(reading.checkId, machine, checks) }];
  const check = atPlace(found, reading.place);
  return [
    ...placeTroubles(reading, check),
    ...dateTroubles(reading, machine, today),
    ...meterTroubles(reading, machine),
    ...valueTroubles(reading, check),
    ...challenges(reading, check),
  ];
}

/** Says which checks a machine has, when one was named that it has not. */
export function noSuchCheck(
  checkId: string,
  { model, serial, header }: Machine,
  checks: readonly Check[],
): string {
  const name = `${model} ${serial}${header ? ` with ${header.model}` : ''}`;
  const known = checks.map((c) => c.id).join(', ') || 'none, for want of a spec sheet';
  return `${name} has no check "${checkId}". It has: ${known}.`;
}

function placeTroubles({ place }: Reading, { component, places }: Check): FieldTrouble[] {
  if (places.includes(place)) return [];
  const message = `"${place}" is not a place of ${component}. Use one of: ${places.join(', ')}.`;
  return [{ field: 'place', message }];
}

function dateTroubles(
  { takenAt }: Reading,
  { serial, builtOn }: Machine,
  today: Day,
): FieldTrouble[] {
  const takenOn = takenAt.slice(0, 10);
  const tomorrow = formatISO(addDays(parseISO(today), 1), { representation: 'date' });
  const wrong = (message: string) => [{ field: 'takenAt', message }];
  if (takenOn < builtOn)
    return wrong(`${takenOn} lies before ${serial} was built, ${builtOn}. Check the date.`);
  return takenOn > tomorrow
    ? wrong(`${takenOn} lies in the future; today is ${today}. Check the date.`)
    : [];
}

/** What a meter may be misread by, h. */
const METER_SLACK = 1;

/**
 * A meter runs one way: a renewal recorded later lies between the looks before and after it, and not
 * beyond what the machine has worked.
 * @param others what the meter of the machine was read at before and after, where that is at hand
 */
export function meterTroubles(
  { value, hours, takenAt }: Pick<Reading, 'value' | 'hours' | 'takenAt'>,
  machine: Pick<Machine, 'serial' | 'hours'>,
  others: readonly Pick<Reading, 'hours' | 'takenAt'>[] = [],
): FieldTrouble[] {
  if (value.kind !== 'renewal') return [];
  const wrong = (message: string) => [{ field: 'hours', message }];
  if (hours > machine.hours + METER_SLACK)
    return wrong(
      `${machine.serial} has only worked ${machine.hours} h. Read the separator hours again, not the engine hours.`,
    );
  const before = others
    .filter((r) => r.takenAt < takenAt)
    .reduce((m, r) => Math.max(m, r.hours), 0);
  if (hours < before - METER_SLACK)
    return wrong(`The meter stood at ${before} h before that day already. Check hours and day.`);
  const after = others
    .filter((r) => r.takenAt > takenAt)
    .reduce((m, r) => Math.min(m, r.hours), Infinity);
  return hours > after + METER_SLACK
    ? wrong(`The meter stood at ${after} h after that day still. Check hours and day.`)
    : [];
}

function valueTroubles({ value }: Reading, check: Check): FieldTrouble[] {
  const kind = kindOf(check);
  if (value.kind === 'skip' || value.kind === 'renewal') return [];
  if (kind.takes.includes(value.kind)) return kind.admit(check, value);
  const message = `${check.component} takes ${kind.takes.join(' or ')}, not ${value.kind}.`;
  return [{ field: 'value.kind', message }];
}

/**
 * What cannot well be is kept only with a word of why: better than new, or further gone than a part
 * can run.
 */
export function challenges(
  { value, note }: Pick<Reading, 'value' | 'note'>,
  check: Check,
): FieldTrouble[] {
  const numbers = kindOf(check).implausible?.(check, value);
  if (!numbers || note.trim()) return [];
  const message = `${sentence(check, { id: 'implausible', numbers })} If it is so, say why in the note: it is kept, and to be measured again.`;
  return [{ field: value.kind === 'measure' ? 'value.values' : 'value', message }];
}
