import { SpecSheet } from '@green-tally/core/contracts';
import { combineSheet } from './combine';
import { auger, draper, rigid, rowCrop } from './headers';
import { COMBINES } from './models';

/**
 * The demo's sheets as their book writes them, by file name. `npm run specs` writes the files; a
 * test holds the two alike.
 */
export function demoSheets(): Readonly<Record<string, SpecSheet>> {
  return Object.fromEntries(
    [...COMBINES.map(combineSheet), draper(), rowCrop(), auger(), rigid()].map((sheet) => [
      sheet.model.toLowerCase().replace(' ', ''),
      SpecSheet.parse(sheet),
    ]),
  );
}
