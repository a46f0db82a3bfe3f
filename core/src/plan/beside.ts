import { format } from 'date-fns/format';
import { parseISO } from 'date-fns/parseISO';
import type { Check, DueLine, MachineFile } from '../contracts';
import { printHours } from '../units';
import { checksFor } from '../walk';
import { workKey, type ProposedWork } from '../work';
import { leftOf } from './answers';
import { setApart, type Apart } from './propose';
import { dueOf, type Standing } from './standing';
import type { Task } from './tasks';

/**
 * Work that no verdict calls for: services, rechecks and tasks that nobody accepted or left; what was
 * put off is apart.
 */
export function besideOf(file: MachineFile, standing: Standing): Apart {
  const { work, proposed, deferred, tasks, facts } = standing;
  const open = work.filter((w) => !w.done);
  const accepted = new Set(open.map(workKey));
  const near = proposeBeside({
    checks: checksFor(file.machine, file.sheets),
    lines: dueOf(file, standing),
    tasks,
    called: new Set([...open, ...proposed, ...deferred.map((d) => d.work)].map((w) => w.checkId)),
  });
  return setApart(
    near.filter((w) => !accepted.has(workKey(w)) && !leftOf(w, file.ticks)),
    file.ticks,
    { today: facts.today ?? '', hours: facts.hours },
  );
}

/** What a proposal beside the verdicts is made from. */
interface BesideFrom {
  readonly checks: readonly Check[];
  /** all that is due on the machine, and will be */
  readonly lines: readonly DueLine[];
  readonly tasks: readonly Task[];
  /** checks that a verdict calls for work on, or that are in work */
  readonly called: ReadonlySet<string>;
}

/**
 * Work that no verdict calls for: services fallen due before harvest, what is watched and to be
 * looked at again before it ends, and tasks that other work has brought along. What is read in the
 * walk anyway is not among it.
 */
function proposeBeside({ checks, lines, tasks, called }: BesideFrom): ProposedWork[] {
  const byId = new Map(checks.map((c) => [c.id, c]));
  const open = new Map(tasks.filter((t) => !t.done).map((t) => [t.key, t]));
  return lines.flatMap((line): ProposedWork[] => {
    const check = byId.get(line.checkId ?? '');
    if (!check) return [];
    if (line.kind === 'task') {
      const task = open.get(line.key);
      return task ? [ofTask(check, task)] : [];
    }
    if (line.kind !== 'service' && line.kind !== 'recheck') return [];
    const far = line.state === 'later' || (line.kind === 'service' && line.state === 'inSeason');
    return far || called.has(check.id) ? [] : [ofLine(check, line, line.kind)];
  });
}

function ofTask(check: Check, { key, text }: Task): ProposedWork {
  return {
    checkId: check.id,
    from: 'task',
    task: { key, text },
    decision: 'due',
    places: [],
    reason: `${text}: ${check.component.toLowerCase()} was worked on.`,
    ...NO_PARTS,
    minutes: 0,
    subjects: [key],
  };
}

function ofLine(check: Check, line: DueLine, from: 'service' | 'recheck'): ProposedWork {
  return {
    checkId: check.id,
    from,
    task: null,
    decision: from === 'service' ? 'due' : 'watch',
    places: [...check.places],
    reason: `${capital(line.what)}${whenWords(line)}.`,
    ...NO_PARTS,
    minutes: check.labour.measure,
    cover: check.labour.cover ?? null,
    subjects: [`${line.key}|${line.last?.on ?? ''}`],
  };
}

const NO_PARTS = { cover: null, parts: [], mates: [], learnt: null };

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

function whenWords({ on, atHours }: DueLine): string {
  const at = atHours === null ? '' : `, at ${printHours(atHours)}`;
  return on === null
    ? at
    : `${at}${at ? ', about ' : ', by '}${format(parseISO(on), 'd MMM yyyy')}`;
}
