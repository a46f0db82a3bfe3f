import type { Machine, SpecSheet } from '../contracts';

/** The checks that apply to a machine: its combine's sheet and that of the header on it, front to back. */
export function checksFor(machine: Pick<Machine, 'model' | 'header'>, sheets: readonly SpecSheet[]): SpecSheet['checks'] {
  const models = [machine.model, machine.header?.model];
  return sheets.filter((s) => models.includes(s.model)).flatMap((s) => s.checks).sort((a, b) => a.station - b.station);
}
