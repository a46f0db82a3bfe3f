import { SpecSheet, type NewSheet, type Starter } from '@green-tally/core/contracts';
import { copyOf, limitProgress, limitRows, starterOf } from '@green-tally/core/figures';
import { Conflict, NotFound } from '../errors';
import { SheetRow, type Database } from '../db';
import beltConveyor from '../../starters/belt-conveyor.json';
import draper from '../../starters/draper.json';
import flexAuger from '../../starters/flex-auger.json';
import rigid from '../../starters/rigid.json';
import rotary from '../../starters/rotary.json';
import rowCrop from '../../starters/row-crop.json';
import walker from '../../starters/walker.json';
import { specDetail, storeSheet, type Doing } from './revisions';

const FILES = [rotary, walker, beltConveyor, draper, flexAuger, rowCrop, rigid];

interface Shipped {
  readonly id: string;
  readonly name: string;
  readonly sheet: SpecSheet;
}

let read: readonly Shipped[] | undefined;
/** The sheets that are shipped to begin with. */
const shipped = (): readonly Shipped[] =>
  (read ??= FILES.map(({ id, name, sheet }) => ({ id, name, sheet: SpecSheet.parse(sheet) })));

/** What there is to begin with. */
export const listStarters = (): Starter[] =>
  shipped().map(({ id, name, sheet }) => ({
    id,
    name,
    machine: sheet.machine,
    checks: sheet.checks.length,
    figures: limitProgress(limitRows(sheet)).all,
  }));

/**
 * A sheet for a new model: from a starter, or from another model's with or without its figures.
 * @throws Conflict when the model has a sheet; NotFound when there is nothing to begin from
 */
export async function newSheet(db: Database, wish: NewSheet, doing: Doing): Promise<SpecSheet> {
  if (await SheetRow.count({ where: { model: wish.model } }))
    throw new Conflict(
      'There is one already',
      `${wish.model} has a sheet. Open it, or give the new one another name.`,
      [{ field: 'model', message: 'wanted a model that has no sheet yet' }],
    );
  const sheet = await begun(wish);
  await storeSheet(db, sheet, doing);
  return sheet;
}

async function begun({ from, ...model }: NewSheet): Promise<SpecSheet> {
  if ('starter' in from) {
    const starter = shipped().find((s) => s.id === from.starter);
    if (!starter) throw new NotFound('starter');
    return { ...starterOf(starter.sheet, model), remark: `From the starter: ${starter.name}.` };
  }
  const { sheet } = await specDetail(from.model);
  return from.figures
    ? copyOf(sheet, model)
    : { ...starterOf(sheet, model), remark: `From ${sheet.model}, without its figures.` };
}
