import type { z } from 'zod';
import {
  MOST_PAGE_BYTES,
  type NewPage,
  type PageContent,
  type SheetPage,
} from '@green-tally/core/contracts';
import { PageRow, SheetRow } from '../db';
import { invalidField, NotFound } from '../errors';
import type { Doing } from './revisions';

/** What a file begins with, by what it is. */
const BEGINS: readonly (readonly [SheetPage['mime'], readonly number[]])[] = [
  ['application/pdf', [0x25, 0x50, 0x44, 0x46]],
  ['image/png', [0x89, 0x50, 0x4e, 0x47]],
  ['image/jpeg', [0xff, 0xd8, 0xff]],
];

/** What a file is by what it holds; its name is not asked. */
const mimeOf = (data: Buffer): SheetPage['mime'] | undefined =>
  BEGINS.find(([, bytes]) => bytes.every((b, i) => data[i] === b))?.[0];

const toPage = ({ id, model, name, checks, mime, bytes, by, at }: PageRow): SheetPage => ({
  id,
  model,
  name,
  checks: [...checks],
  mime,
  bytes,
  by,
  at: at.toISOString(),
});

/** Pages of a model's sheet, by name; without what they show. @throws NotFound */
export async function listPages(model: string): Promise<SheetPage[]> {
  if (!(await SheetRow.count({ where: { model } }))) throw new NotFound('spec sheet');
  const rows = await PageRow.findAll({
    where: { model },
    attributes: { exclude: ['data'] },
    order: [
      ['name', 'ASC'],
      ['id', 'ASC'],
    ],
  });
  return rows.map(toPage);
}

/**
 * Keeps a page; the same id again is the same page.
 * @throws NotFound; Invalid when it is no picture and no PDF, or is about a check the sheet lacks
 */
export async function keepPage(
  model: string,
  { id, name, checks, data }: z.output<typeof NewPage>,
  { by, at }: Doing,
): Promise<SheetPage> {
  const sheet = await SheetRow.findOne({ where: { model }, order: [['revision', 'DESC']] });
  if (!sheet) throw new NotFound('spec sheet');
  const known = new Set(sheet.document.checks.map((c) => c.id));
  const stranger = checks.find((c) => !known.has(c));
  if (stranger)
    throw invalidField('checks', `${model} has no check "${stranger}".`, 'checks of this sheet');
  const bytes = Buffer.from(data, 'base64');
  const mime = mimeOf(bytes);
  if (!mime)
    throw invalidField('data', 'This is neither a PDF nor a picture.', 'a PDF, PNG or JPEG file');
  if (bytes.length > MOST_PAGE_BYTES)
    throw invalidField('data', 'This file is too large.', 'a file of at most 10 MB');
  const page = { id, model, name, checks, mime, bytes: bytes.length, data: bytes, by, at };
  const [row] = await PageRow.findOrCreate({ where: { id }, defaults: page });
  return toPage(row);
}

/** A page with what it shows. @throws NotFound */
export async function pageContent(id: string): Promise<z.input<typeof PageContent>> {
  const row = await PageRow.findByPk(id);
  if (!row) throw new NotFound('page');
  return { ...toPage(row), data: row.data.toString('base64') };
}

/** Takes a page out. @throws NotFound */
export async function dropPage(id: string): Promise<void> {
  if (!(await PageRow.destroy({ where: { id } }))) throw new NotFound('page');
}
