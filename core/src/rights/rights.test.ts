import type { Role } from '../contracts';
import { inBranch, mayDo, RIGHTS, type Right } from './index';

/** Who may do what, written out once more: one who widens a right has to say so here. */
const MATRIX: Readonly<Record<Right, Readonly<Record<Role, boolean>>>> = {
  look: { technician: true, planner: true, admin: true },
  takeReadings: { technician: true, planner: true, admin: true },
  acceptWork: { technician: true, planner: true, admin: true },
  planVisits: { technician: false, planner: true, admin: true },
  keepMachines: { technician: false, planner: true, admin: true },
  importReadings: { technician: false, planner: true, admin: true },
  keepSheets: { technician: false, planner: true, admin: true },
  keepParts: { technician: false, planner: true, admin: true },
  keepCosts: { technician: false, planner: true, admin: true },
  keepPeople: { technician: false, planner: false, admin: true },
};

const ROLES: readonly Role[] = ['technician', 'planner', 'admin'];

describe('who may do what', () => {
  const cases = (Object.keys(RIGHTS) as Right[]).flatMap((right) =>
    ROLES.map((role) => [role, right, MATRIX[right][role]] as const),
  );
  test.each(cases)('%s, %s: %s', (role, right, may) => expect(mayDo(role, right)).toBe(may));

  test('an admin may do everything, and whoever may do more may look', () => {
    for (const right of Object.keys(RIGHTS) as Right[]) expect(mayDo('admin', right)).toBe(true);
    for (const role of ROLES) expect(mayDo(role, 'look')).toBe(true);
  });
});

describe('whose machines', () => {
  test.each([
    ['technician', 'Upper Larkmoor', 'Upper Larkmoor', true],
    ['technician', 'Upper Larkmoor', 'Sedge Ferry', false],
    ['planner', 'Sedge Ferry', 'Upper Larkmoor', false],
    ['planner', 'Sedge Ferry', 'Sedge Ferry', true],
    ['admin', 'Sedge Ferry', 'Upper Larkmoor', true],
  ] as const)('a %s of %s writes to one of %s: %s', (role, branch, machineBranch, may) =>
    expect(inBranch({ role, branch }, machineBranch)).toBe(may),
  );
});
