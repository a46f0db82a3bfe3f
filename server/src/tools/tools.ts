import type { OwnTool, Person } from '@green-tally/core/contracts';
import { OwnToolRow } from '../db';
import { invalidField, NotFound } from '../errors';

const toTool = (row: OwnToolRow): OwnTool => ({
  id: row.id,
  name: row.name,
  quantity: row.quantity,
  resolution: row.resolution,
  ...(row.uncertainty === null ? {} : { uncertainty: row.uncertainty }),
  calibratedOn: row.calibratedOn,
  everyMonths: row.everyMonths,
});

/** A person's own tools, by name. */
export async function listTools({ id }: Pick<Person, 'id'>): Promise<OwnTool[]> {
  const rows = await OwnToolRow.findAll({
    where: { personId: id },
    order: [
      ['name', 'ASC'],
      ['id', 'ASC'],
    ],
  });
  return rows.map(toTool);
}

/**
 * Keeps a tool of a person's own: new, or as it is now.
 * @throws Invalid when it was calibrated on a day to come; NotFound when it is somebody else's
 */
export async function keepTool(
  tool: OwnTool,
  person: Pick<Person, 'id'>,
  today: string,
): Promise<OwnTool> {
  if (tool.calibratedOn !== null && tool.calibratedOn > today)
    throw invalidField('calibratedOn', 'That day is yet to come.', `a day up to ${today}`);
  const values = { ...tool, uncertainty: tool.uncertainty ?? null };
  const [row, made] = await OwnToolRow.findOrCreate({
    where: { id: tool.id },
    defaults: { ...values, personId: person.id },
  });
  if (row.personId !== person.id) throw new NotFound('tool');
  return toTool(made ? row : await row.update(values));
}

/** Takes a tool off a person’s list. @throws NotFound when it is not theirs */
export async function dropTool(id: string, person: Pick<Person, 'id'>): Promise<void> {
  const gone = await OwnToolRow.destroy({ where: { id, personId: person.id } });
  if (!gone) throw new NotFound('tool');
}
