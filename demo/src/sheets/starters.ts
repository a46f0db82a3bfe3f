import { mkdirSync, writeFileSync } from 'node:fs';
import { resolve } from 'node:path';
import { starterOf } from '@green-tally/core/figures';
import { demoSheets } from './index';

/** The starters, by the kind of machine, and the sheet each is made from. */
const STARTERS = [
  ['rotary', 'ouzel7', 'Rotary combine'],
  ['walker', 'corrie4', 'Straw-walker combine'],
  ['belt-conveyor', 'corrie6', 'Rotary combine with a belt conveyor'],
  ['draper', 'merle10', 'Draper header'],
  ['flex-auger', 'tarn7', 'Flexible auger header'],
  ['row-crop', 'merle12', 'Row-crop header'],
  ['rigid', 'tarn5', 'Rigid cutting header'],
] as const;

const folder = resolve(import.meta.dirname, '../../../server/starters');
const sheets = demoSheets();
mkdirSync(folder, { recursive: true });
for (const [id, file, name] of STARTERS) {
  const sheet = sheets[file];
  if (!sheet) throw new Error(`no sheet ${file}`);
  const starter = starterOf(sheet, { model: name, maker: 'Your maker' });
  writeFileSync(
    resolve(folder, `${id}.json`),
    `${JSON.stringify({ id, name, sheet: starter }, null, 2)}\n`,
  );
  process.stdout.write(`${id}: ${starter.checks.length} checks\n`);
}
