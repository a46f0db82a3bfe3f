import type { MachineFile } from '@green-tally/core/contracts';
import { suspectsFor, symptomsIn } from '@green-tally/core/symptoms';
import { checksFor } from '@green-tally/core/walk';

/** Checks that an operator's words point to, by their ids. */
export function suspectsOf(words: string, { machine, sheets }: MachineFile): string[] {
  const checks = checksFor(machine, sheets);
  const said = words.toLowerCase();
  // what is called by its name is meant
  const named = checks.filter((c) => said.includes(c.component.toLowerCase())).map((c) => c.id);
  const suspects = suspectsFor(
    symptomsIn(words).map((s) => s.id),
    checks,
  ).map((s) => s.check.id);
  return [...new Set([...named, ...suspects])];
}
