import type { Check, MachineFile, OwnerAnswer, Tick, WorkItem } from '@green-tally/core/contracts';
import { deferKey, ownerKey, standingOf, type Until } from '@green-tally/core/plan';
import { random } from '@green-tally/core/random';
import { checksFor } from '@green-tally/core/walk';
import { minutesFor } from '@green-tally/core/work';
import { demoId } from './ids';

/** What was said of work that nobody has accepted: put off, or what the owner answered. */
const SAID: Readonly<
  Record<
    string,
    Readonly<
      Record<
        string,
        { readonly until?: Until; readonly answer?: OwnerAnswer; readonly note: string }
      >
    >
  >
> = {
  T104: { 'gathering-chain': { answer: 'yes', note: 'By phone, before the 20th if it can be.' } },
  T113: { 'electric-clutch-gap': { answer: 'notNow', note: 'Will see after the lentils.' } },
  T082: {
    'tine-height': { until: { on: '2026-07-20' }, note: 'Set anew anyway when the crop changes.' },
  },
  B050: { 'paired-belts-tension': { answer: 'callMe', note: 'Wants to hear what belts cost.' } },
};

/** Ticks for what was said of work on the day before. */
export function saidOfWork(file: MachineFile, today: string): Tick[] {
  const { machine } = file;
  const said = SAID[machine.serial];
  if (!said) return [];
  return standingOf(file, today).proposed.flatMap(({ checkId, subjects }) => {
    const about = said[checkId];
    if (!about) return [];
    const { until = null, answer = null, note } = about;
    return subjects.map((subject) => {
      const key = until ? deferKey(subject) : ownerKey(subject);
      return {
        id: demoId(`tick ${machine.serial} ${key}`),
        machineId: machine.id,
        key,
        done: true,
        at: '2026-06-08T14:10:00.000Z',
        by: 'Rhea Aldane',
        note,
        until,
        answer,
      };
    });
  });
}

/** Work that was done before today, and not read as left since. */
const WORKED: Readonly<Record<string, string>> = { T095: 'upper-clutch-belt' };

/** What was done of accepted work lately. */
export const workedLately = (serial: string, item: WorkItem, hours: number): WorkItem =>
  WORKED[serial] === item.checkId
    ? {
        ...item,
        worked: [
          {
            id: demoId(`worked ${serial} ${item.checkId}`),
            at: '2026-06-08T16:40:00.000Z',
            by: 'Ines Marrow',
            hands: ['Ines Marrow'],
            minutes: Math.max(10, Math.round(item.minutes * 1.3)),
            parts: item.parts.map(({ number, name, quantity }) => ({ number, name, quantity })),
            hours,
            note: '',
            strikes: null,
          },
        ],
      }
    : item;

/** The work of earlier years: each part that was renewed then, who did it, and how long it took. */
export function doneBefore({ machine, sheets, readings }: MachineFile, year: string): WorkItem[] {
  const checks = new Map(checksFor(machine, sheets).map((c) => [c.id, c]));
  const rounds = new Map<string, MachineFile['readings'][number][]>();
  for (const r of readings)
    if (r.renewed && r.state === 'asLeft' && r.takenAt < year) {
      const key = `${r.checkId} ${r.walkId ?? r.takenAt.slice(0, 10)}`;
      rounds.set(key, [...(rounds.get(key) ?? []), r]);
    }
  return [...rounds].flatMap(([key, own]) => {
    const [first] = own;
    const check = checks.get(first?.checkId ?? '');
    return first && check ? [itemOf(check, key, own, first)] : [];
  });
}

function itemOf(
  check: Check,
  key: string,
  own: MachineFile['readings'],
  first: MachineFile['readings'][number],
): WorkItem {
  const places = [...new Set(own.map((r) => r.place))];
  const minutes = minutesFor(check, 'replace') * (check.labourPer === 'check' ? 1 : places.length);
  const id = demoId(`work ${first.machineId} ${key}`);
  const dice = random(Number.parseInt(id.slice(-6), 16));
  return {
    id,
    machineId: first.machineId,
    checkId: check.id,
    from: 'verdict',
    task: null,
    decision: 'replace',
    places,
    reason: 'Renewed before that harvest.',
    minutes,
    cover: check.labour.cover ?? null,
    parts: [],
    mates: [],
    learnt: null,
    proposed: null,
    worked: [
      {
        id: demoId(`worked ${first.machineId} ${key}`),
        at: first.takenAt,
        by: first.by,
        hands: [first.by],
        minutes: Math.max(5, Math.round(minutes * (1.1 + 0.3 * dice.next()))),
        parts: [],
        hours: first.hours,
        note: '',
        strikes: null,
      },
    ],
    acceptedBy: 'Rhea Aldane',
    acceptedAt: new Date(Date.parse(first.takenAt) - 3_600_000).toISOString(),
    withdrawnAt: null,
  };
}
