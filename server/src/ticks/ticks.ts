import type { Person, Tick } from '@green-tally/core/contracts';
import { mayDo } from '@green-tally/core/rights';
import { lockMachines, machinesChanged, TickRow, toTick, type Database } from '../db';
import { Forbidden, invalidField } from '../errors';
import { machineToChange } from '../machines/machines';

/** What a tick may be of, and whether it has to say why. */
const KINDS: Readonly<Record<string, { readonly why: boolean; readonly planner: boolean }>> = {
  task: { why: false, planner: false },
  close: { why: false, planner: false },
  skip: { why: true, planner: true },
  leave: { why: true, planner: false },
  // put off to a day or an hour, and what the owner said
  defer: { why: true, planner: false },
  owner: { why: false, planner: false },
  // how the machine stands in a walk, and that it was run and made safe again
  stand: { why: false, planner: false },
  ran: { why: false, planner: false },
  // what an operator said has been heard
  heard: { why: false, planner: false },
};

/**
 * Stores ticks, all or none; one that is there already is left as it is, so that sending twice does
 * no harm.
 * @throws what is wrong by field: a key of no kind, a decision without its reason, the same id with
 *   other content
 */
export async function keepTicks(
  db: Database,
  ticks: readonly Tick[],
  person: Person,
): Promise<Tick[]> {
  for (const [i, tick] of ticks.entries()) {
    checkTick(tick, `ticks.${i}`, person);
    await machineToChange(tick.machineId, person);
  }
  return db.transaction(async (transaction) => {
    const ids = ticks.map((t) => t.id);
    // of two with one id at once the second finds the first
    await lockMachines(
      db,
      ticks.map((t) => t.machineId),
      transaction,
    );
    const there = new Map(
      (await TickRow.findAll({ where: { id: ids }, transaction })).map((t) => [t.id, t]),
    );
    for (const [i, tick] of ticks.entries()) {
      const old = there.get(tick.id);
      if (old && !sameTick(old, tick))
        throw invalidField(
          `ticks.${i}.id`,
          'This id is already used for another tick.',
          'an id of its own: what is said anew is a new tick',
        );
    }
    await TickRow.bulkCreate(
      ticks
        .filter((t) => !there.has(t.id))
        .map((t) => ({ ...t, at: new Date(t.at), by: person.name })),
      { transaction, ignoreDuplicates: true },
    );
    await machinesChanged(db, { ids: ticks.map((t) => t.machineId) }, transaction);
    return (await TickRow.findAll({ where: { id: ids }, transaction })).map(toTick);
  });
}

const sameTick = (a: TickRow, b: Tick): boolean =>
  a.machineId === b.machineId && a.key === b.key && a.done === b.done && a.note === b.note;

/** @throws Invalid naming the field; Forbidden where it is not theirs */
function checkTick(tick: Tick, at: string, person: Person): void {
  const [name = '', ...rest] = tick.key.split('|');
  const kind = KINDS[name];
  if (!kind || !rest.length)
    throw invalidField(
      `${at}.key`,
      `"${tick.key}" is not something to tick.`,
      `one of ${Object.keys(KINDS).join(', ')}, and what it belongs to`,
    );
  if (kind.planner && !mayDo(person.role, 'planVisits'))
    throw new Forbidden('Not yours to do', 'Only a planner accepts that a check is left unread.');
  if (!tick.done) return;
  if (name === 'defer' && !tick.until)
    throw invalidField(
      `${at}.until`,
      'To when it is put off is not said.',
      'a day, or an hour of the machine',
    );
  if (name === 'owner' && !tick.answer)
    throw invalidField(`${at}.answer`, 'No answer is said.', 'yes, notNow or callMe');
  if (kind.why && !tick.note.trim())
    throw invalidField(`${at}.note`, 'Why is not said.', 'a word of why');
}
