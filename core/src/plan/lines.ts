import type { MachineFile, WorkLine, WorkState } from '../contracts';
import { checksFor } from '../walk';
import type { CheckVerdict } from '../verdict';
import { subjectOf, sumsOf, workKey, type ProposedWork } from '../work';
import { ownerOf } from './answers';
import { besideOf } from './beside';
import type { DeferredWork, StandingWork } from './propose';
import type { Standing } from './standing';

/**
 * All work of a machine with what a person needs to decide it: called for, beside, put off and
 * accepted, in this order, each by station.
 */
export function workLines(file: MachineFile, standing: Standing): WorkLine[] {
  const beside = besideOf(file, standing);
  const lines = lineMaker(file, standing);
  const off = ({ work, until, tick }: DeferredWork) =>
    lines(work, 'putOff', {
      putOff: { until, why: tick.note, by: tick.by, at: tick.at },
    });
  return [
    ...standing.proposed.flatMap((work) => lines(work, 'called')),
    ...beside.proposed.flatMap((work) => lines(work, 'beside')),
    ...[...standing.deferred, ...beside.deferred].flatMap(off),
    ...standing.work
      .filter((w) => !w.done)
      .flatMap((w) => lines(asProposed(w, standing.verdicts), 'accepted', of(w))),
  ].sort((a, b) => RANK[a.state] - RANK[b.state] || a.station - b.station);
}

const RANK: Readonly<Record<WorkState, number>> = { called: 0, beside: 1, putOff: 2, accepted: 3 };

type Own = Partial<Pick<WorkLine, 'putOff' | 'item'>>;

/** How a line is made of some work; none where the machine no longer has its check. */
function lineMaker(file: MachineFile, { verdicts }: Standing) {
  const checks = new Map(checksFor(file.machine, file.sheets).map((c) => [c.id, c]));
  const verdictOf = new Map(verdicts.map((v) => [v.check.id, v]));
  return (work: ProposedWork, state: WorkState, own: Own = {}): WorkLine[] => {
    const check = checks.get(work.checkId);
    if (!check) return [];
    const sums = sumsOf(work, check, verdictOf.get(check.id), file.costs);
    const said = ownerOf(work, file.ticks);
    return [
      {
        key: `${state} ${workKey(work)}`,
        state,
        work,
        component: check.component,
        station: check.station,
        ifLeft: check.ifLeft,
        guardsPeople: check.guardsPeople,
        sums: sums ?? null,
        owner: said ? { answer: said.answer, note: said.note, by: said.by, at: said.at } : null,
        putOff: null,
        item: null,
        ...own,
      },
    ];
  };
}

/** An item as it was proposed; what was answered to what its verdict says now is an answer to it. */
const asProposed = (item: StandingWork, verdicts: readonly CheckVerdict[]): ProposedWork => ({
  checkId: item.checkId,
  from: item.from,
  task: item.task,
  decision: item.decision,
  places: item.places,
  reason: item.reason,
  minutes: item.minutes,
  cover: item.cover,
  parts: item.parts,
  mates: item.mates,
  learnt: item.learnt,
  subjects: [
    `work|${item.id}`,
    ...verdicts
      .filter((v) => v.check.id === item.checkId)
      .flatMap((v) => v.places.filter((p) => item.places.includes(p.place)))
      .map((p) => subjectOf(item.checkId, p.readingIds)),
  ],
});

const of = (w: StandingWork): Own => ({
  item: {
    id: w.id,
    acceptedBy: w.acceptedBy,
    acceptedAt: w.acceptedAt,
    asksReading: w.asksReading,
    visit: w.visit
      ? { id: w.visit.id, startsOn: w.visit.startsOn, technician: w.visit.technician }
      : null,
  },
});
