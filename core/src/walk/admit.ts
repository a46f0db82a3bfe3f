import { addDays } from 'date-fns/addDays';
import { differenceInMinutes } from 'date-fns/differenceInMinutes';
import { formatISO } from 'date-fns/formatISO';
import { parseISO } from 'date-fns/parseISO';
import type { Check, Day, FieldTrouble, Machine, Reading, SpecSheet } from '../contracts';
import { atPlace, kindOf } from '../kinds';
import { sentence } from '../verdict';
import { checksFor } from './checks';
import { meterTroubles, type MeterMark } from './meter';

/** What day it is, and what the meter of the machine was read at, where that is at hand. */
export interface When {
  readonly today: Day;
  /** the moment it is, where readings come as they are taken; a file's rows may say the day alone */
  readonly now?: string | undefined;
  readonly marks?: readonly MeterMark[];
}

/**
 * Whether a well-formed reading can belong to this machine: the same rule on the phone, at the API
 * and for files.
 * @returns the troubles, empty when it may be stored
 */
export function admissionTroubles(
  reading: Reading,
  machine: Machine,
  sheets: readonly SpecSheet[],
  when: When,
): FieldTrouble[] {
  return admission(machine, sheets)(reading, when);
}

/** {@link admissionTroubles} for many readings of one machine: its checks are told once. */
export function admission(
  machine: Machine,
  sheets: readonly SpecSheet[],
): (reading: Reading, when: When) => FieldTrouble[] {
  const checks = checksFor(machine, sheets);
  const byId = new Map([...checks].reverse().map((c) => [c.id, c]));
  return (reading, when) => {
    const found = byId.get(reading.checkId);
    return found
      ? troublesOf(reading, found, { machine, when })
      : [{ field: 'checkId', message: noSuchCheck(reading.checkId, machine, checks) }];
  };
}

function troublesOf(
  reading: Reading,
  found: Check,
  { machine, when }: { readonly machine: Machine; readonly when: When },
): FieldTrouble[] {
  const check = atPlace(found, reading.place);
  return [
    ...placeTroubles(reading, check),
    ...whenTroubles(reading, machine, when),
    ...valueTroubles(reading, check),
    ...challenges(reading, check),
  ];
}

/** So many are named: a file may ask for twenty thousand that are not there. */
const TOLD = 12;

/** Says which checks a machine has, when one was named that it has not. */
export function noSuchCheck(
  checkId: string,
  { model, serial, header }: Machine,
  checks: readonly Check[],
): string {
  const name = `${model} ${serial}${header ? ` with ${header.model}` : ''}`;
  const ids = checks.map((c) => c.id);
  const more = ids.length > TOLD ? ` and ${ids.length - TOLD} more` : '';
  const known = ids.length
    ? `${ids.slice(0, TOLD).join(', ')}${more}`
    : 'none, for want of a spec sheet';
  return `${name} has no check "${checkId}". It has: ${known}.`;
}

function placeTroubles({ place }: Reading, { component, places }: Check): FieldTrouble[] {
  if (places.includes(place)) return [];
  const message = `"${place}" is not a place of ${component}. Use one of: ${places.join(', ')}.`;
  return [{ field: 'place', message }];
}

/** The day first: on a day that cannot be the meter says nothing. */
function whenTroubles(
  reading: Reading,
  machine: Machine,
  { today, now, marks = [] }: When,
): FieldTrouble[] {
  const ofDay = dateTroubles(reading, machine, today);
  const wrongDay = ofDay.length ? ofDay : aheadTroubles(reading.takenAt, now);
  // one that only strikes read no meter
  return wrongDay.length || reading.value.kind === 'strike'
    ? wrongDay
    : meterTroubles(reading, machine, marks);
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

/** Clocks that are set by themselves agree within seconds; a phone's own may be some minutes off. min */
const CLOCK_SLACK = 15;

/** What is taken lies in the past, as far as clocks can say so. */
export function aheadTroubles(
  at: string,
  now: string | undefined,
  field = 'takenAt',
): FieldTrouble[] {
  if (now === undefined || differenceInMinutes(parseISO(at), parseISO(now)) <= CLOCK_SLACK)
    return [];
  const message = `${at.slice(0, 16).replace('T', ' ')} UTC lies ahead: it is ${now.slice(11, 16)} UTC on ${now.slice(0, 10)}. Set the clock of the device.`;
  return [{ field, message }];
}

function valueTroubles({ value, strikes }: Reading, check: Check): FieldTrouble[] {
  const kind = kindOf(check);
  if (value.kind === 'skip' || value.kind === 'renewal') return [];
  if (value.kind === 'strike')
    return strikes
      ? []
      : [{ field: 'strikes', message: 'Say which reading is struck: its id is missing.' }];
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
