import { parseISO, formatISO, addDays } from 'date-fns';
import {
  takeUpOf,
  type Check,
  type Day,
  type Machine,
  type Reading,
  type ReadingKind,
  type SpecSheet,
} from '../contracts';
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
  gonogo: ['gonogo'],
  condition: ['condition'],
  level: ['level'],
  setting: ['setting'],
  service: ['service'],
};

/**
 * Whether a well-formed reading can belong to this machine: the same rule on the phone, at the API and for files.
 * @returns the troubles, empty when it may be stored
 */
export function admissionTroubles(
  reading: Reading,
  machine: Machine,
  sheets: readonly SpecSheet[],
  today: Day,
): FieldTrouble[] {
  const checks = checksFor(machine, sheets);
  const check = checks.find((c) => c.id === reading.checkId);
  if (!check) {
    return [
      {
        field: 'checkId',
        message: `${machine.model} ${machine.serial}${machine.header ? ` with ${machine.header.model}` : ''} has no check "${reading.checkId}". It has: ${checks.map((c) => c.id).join(', ') || 'none, for want of a spec sheet'}.`,
      },
    ];
  }
  const troubles: FieldTrouble[] = [];
  const wrong = (field: string, message: string) => troubles.push({ field, message });
  if (!check.places.includes(reading.place))
    wrong(
      'place',
      `"${reading.place}" is not a place of ${check.component}. Use one of: ${check.places.join(', ')}.`,
    );
  const takenOn = reading.takenAt.slice(0, 10);
  if (takenOn < machine.builtOn)
    wrong(
      'takenAt',
      `${takenOn} lies before ${machine.serial} was built, ${machine.builtOn}. Check the date.`,
    );
  if (takenOn > formatISO(addDays(parseISO(today), 1), { representation: 'date' }))
    wrong('takenAt', `${takenOn} lies in the future; today is ${today}. Check the date.`);
  const { value } = reading;
  if (value.kind !== 'skip' && !TAKES[check.kind].includes(value.kind))
    wrong(
      'value.kind',
      `${check.component} takes ${TAKES[check.kind].join(' or ')}, not ${value.kind}.`,
    );
  else troubles.push(...valueTroubles(check, value));
  return troubles;
}

/** No length on a machine is longer than 50 m, mm. */
const LONGEST = 50_000;

/** What is wrong with a value of the right kind. */
function valueTroubles(check: Check, value: Reading['value']): FieldTrouble[] {
  if (value.kind === 'measure' && (check.kind === 'measure' || check.kind === 'series')) {
    const { limit } = check;
    const zeroCannotBe =
      limit.type === 'elongation' ||
      (limit.type === 'wear' && limit.nominal > 0 && limit.limit > 0);
    return value.values.flatMap((v, i) => {
      if (v === 0 && zeroCannotBe)
        return [
          {
            field: `value.values.${i}`,
            message: `${check.component}: a reading of 0 cannot be. Measure again.`,
          },
        ];
      if (check.quantity === 'length' && v > LONGEST)
        return [
          {
            field: `value.values.${i}`,
            message: `${v} mm cannot be on a machine. Check the unit.`,
          },
        ];
      return [];
    });
  }
  if (value.kind === 'travel') {
    const takeUp = takeUpOf(check);
    if (!takeUp)
      return [
        { field: 'value.kind', message: `${check.component} has no adjuster travel to read.` },
      ];
    if (value.left > takeUp.total + takeUp.resolution)
      return [
        {
          field: 'value.left',
          message: `${value.left} mm is more than the whole travel, ${takeUp.total} mm. Read the slot again.`,
        },
      ];
  }
  if (value.kind === 'count' && check.kind === 'count') {
    const all = value.missing + value.damaged + value.oneEdge + value.bothEdges;
    if (all > check.total)
      return [
        {
          field: 'value',
          message: `${all} ${check.counted} counted, but there are ${check.total}. Count each one once.`,
        },
      ];
  }
  if (
    value.kind === 'setting' &&
    check.kind === 'setting' &&
    !check.options.includes(value.option)
  ) {
    return [
      {
        field: 'value.option',
        message: `"${value.option}" is no option of ${check.component}. Use one of: ${check.options.join(', ')}.`,
      },
    ];
  }
  return [];
}
