import { createContext, useContext } from 'react';
import type { Check, SpecSheet } from '@green-tally/core/contracts';
import { schoolsOf } from '@green-tally/core/walk';

/** The sheets of the machine that is being looked at. */
export const SheetsHere = createContext<readonly SpecSheet[]>([]);

/** The sheet that a check is of; undefined where none is at hand. */
export function useSheetOf(check: Check): SpecSheet | undefined {
  return useContext(SheetsHere).find(
    (s) => s.machine === check.on && s.checks.some((c) => c.id === check.id),
  );
}

/** Which ways a check follows where good people disagree, by the sheet that is in force here. */
export function useSchools(check: Check): SpecSheet['schools'] {
  const sheet = useSheetOf(check);
  return sheet ? schoolsOf(check, sheet) : [];
}
