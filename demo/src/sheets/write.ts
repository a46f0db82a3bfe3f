import { writeFileSync } from 'node:fs';
import { resolve } from 'node:path';
import { printSheet } from '@green-tally/core/sheets';
import { demoSheets } from './index';

for (const [name, sheet] of Object.entries(demoSheets())) {
  const file = resolve(import.meta.dirname, '../../specs', `${name}.json`);
  writeFileSync(file, printSheet(sheet));
  process.stdout.write(`${file}: ${sheet.checks.length} checks\n`);
}
