import type { BoardWork, MachineFile } from '../contracts';
import { checksFor } from '../walk';
import type { Standing } from './standing';

/** The shortest visit there is, h: work without minutes of its own, a task, still takes one. */
export const LEAST_HOURS = 0.25;

/**
 * The accepted work of a machine that is not done, visit by visit, and that without a visit: what a
 * board is made of.
 */
export function visitWork(file: MachineFile, standing: Standing): BoardWork[] {
  const checks = new Map(checksFor(file.machine, file.sheets).map((c) => [c.id, c]));
  const positions = new Map(file.sheets.flatMap((s) => s.positions.map((p) => [p.name, p.facts])));
  const groups = new Map<string | null, Standing['work'][number][]>();
  for (const item of standing.work) {
    // worked on, it waits for a reading, not for a visit
    if (item.done || item.asksReading) continue;
    const key = item.visit?.id ?? null;
    groups.set(key, [...(groups.get(key) ?? []), item]);
  }
  return [...groups].map(([visitId, items]) => {
    const stands = items.flatMap((item) => {
      const facts = positions.get(checks.get(item.checkId)?.position ?? '');
      return Object.entries(facts ?? {}).map(([fact, how]) => `${fact}:${how}`);
    });
    return {
      visitId,
      workIds: items.map((i) => i.id),
      hours: Math.max(LEAST_HOURS, standing.labourOf(items).hours),
      work: items.map(({ checkId, decision }) => ({
        component: checks.get(checkId)?.component ?? checkId,
        decision,
      })),
      stands: [...new Set(stands)].sort(),
    };
  });
}
