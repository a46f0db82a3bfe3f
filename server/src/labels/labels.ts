import { Op } from 'sequelize';
import { labelCode, type LabelKind } from '@green-tally/core/labels';
import type { Person } from '@green-tally/core/contracts';
import { checksFor } from '@green-tally/core/walk';
import { listCards, type Cards } from '../cards/cards';
import { machineFileOf, MachineRow } from '../db';
import { invalidField, NotFound } from '../errors';
import type { Label } from '../papers/labels';
import { machineToSee } from '../people/sight';

/** Which labels are wanted. */
export interface LabelsAsked {
  readonly kind: LabelKind;
  /** of one machine; of all of the person's branch where nothing is said */
  readonly machine: string | undefined;
  /** address of this place */
  readonly origin: string;
}

/** No sheet is printed for more machines at once. */
const MOST = 500;

/** What stands on the labels that are wanted. @throws NotFound, Forbidden */
export async function labelsOf(
  cards: Cards,
  { kind, machine, origin }: LabelsAsked,
  person: Person,
): Promise<Label[]> {
  if (kind === 'station' && !machine)
    throw invalidField('machine', 'Labels of stations are printed for one machine.', 'a machine');
  if (machine) await machineToSee(machine, person);
  const rows = await MachineRow.findAll({
    where: machine ? { id: machine } : { branch: { [Op.eq]: person.branch } },
    order: [['serial', 'ASC']],
    limit: MOST,
  });
  const labels: Label[] = [];
  for (const row of rows) {
    const plain = { name: row.serial, lines: [row.model, row.customer] };
    const code = (id: string, station?: number) =>
      labelCode(origin, { kind, id, ...(station ? { station } : {}) });
    if (kind === 'machine') labels.push({ ...plain, code: code(row.id) });
    else if (kind === 'walk')
      labels.push({ ...plain, lines: [row.model, 'its walk'], code: code(row.id) });
    else if (kind === 'header') {
      if (row.header)
        labels.push({
          name: row.header.serial,
          lines: [row.header.model, `on ${row.serial}`],
          code: code(row.id),
        });
    } else if (kind === 'card') {
      const link = (await listCards(cards, row.id, person)).find((c) => !c.revokedAt);
      if (link)
        labels.push({ ...plain, lines: [row.model, 'for the operator'], code: code(link.key) });
    } else
      labels.push(
        ...(await stationsOf(row.id, row.serial)).map((s) => ({
          name: row.serial,
          lines: s.lines,
          code: code(row.id, s.station),
        })),
      );
  }
  if (!labels.length) throw new NotFound('label');
  return labels;
}

/** Stations of a machine, front to back. */
async function stationsOf(
  id: string,
  serial: string,
): Promise<{ station: number; lines: string[] }[]> {
  const read = await machineFileOf(id);
  const named = new Map<number, string>();
  for (const { station, stationName } of read ? checksFor(read.file.machine, read.file.sheets) : [])
    named.set(station, named.get(station) ?? stationName);
  return [...named]
    .sort(([a], [b]) => a - b)
    .map(([station, name]) => ({ station, lines: [`${station} ${name}`, serial] }));
}
