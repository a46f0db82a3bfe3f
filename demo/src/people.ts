import type { Role } from '@green-tally/core/contracts';

/** The invented dealership. Every name here is made up. */
export const BRANCHES = ['Upper Larkmoor', 'Sedge Ford'] as const;

export interface DemoPerson {
  readonly name: string;
  readonly signIn: string;
  readonly role: Role;
  readonly branch: (typeof BRANCHES)[number];
}

/** All demo people share one password, shown on the demo's sign-in page. */
export const DEMO_PASSWORD = 'before-harvest';

export const DEMO_PEOPLE: readonly DemoPerson[] = [
  { name: 'Ines Marrow', signIn: 'ines', role: 'technician', branch: 'Upper Larkmoor' },
  { name: 'Tobin Vale', signIn: 'tobin', role: 'technician', branch: 'Upper Larkmoor' },
  { name: 'Odd Fenwright', signIn: 'odd', role: 'technician', branch: 'Upper Larkmoor' },
  { name: 'Bram Tolley', signIn: 'bram', role: 'technician', branch: 'Upper Larkmoor' },
  { name: 'Sana Quill', signIn: 'sana', role: 'technician', branch: 'Sedge Ford' },
  { name: 'Wick Harlen', signIn: 'wick', role: 'technician', branch: 'Sedge Ford' },
  { name: 'Rhea Aldane', signIn: 'rhea', role: 'planner', branch: 'Upper Larkmoor' },
  { name: 'Corin Wade', signIn: 'corin', role: 'planner', branch: 'Sedge Ford' },
  { name: 'Maud Ellery', signIn: 'maud', role: 'admin', branch: 'Upper Larkmoor' },
];
