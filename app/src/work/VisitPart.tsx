import type { MachineFile } from '@green-tally/core/contracts';
import type { Standing } from '@green-tally/core/plan';
import { mayDo } from '@green-tally/core/rights';
import { useSession } from '../store';
import { Go, later, Quiet, Strong } from '../ui';
import { weekdayWords } from '../yard/words';

// a technician's phone never loads the form
const VisitForm = later('the visit', async () => (await import('../forms')).VisitForm);

interface VisitPartProps {
  readonly file: MachineFile;
  readonly standing: Standing;
  readonly onChanged: () => void;
}

/** The visit that takes the accepted work: a planner sets it, everybody sees it. */
export function VisitPart({ file, standing, onChanged }: VisitPartProps) {
  const { data: session } = useSession();
  const open = standing.work.filter((w) => !w.done);
  const visit = open.find((w) => w.visit)?.visit;
  if (!open.length || !session?.person) return null;
  const van = visit ? (
    <Go to={`/van?visit=${visit.id}`} label="Van list of this visit" testID="van of visit">
      <Strong tone="pine">Van list: parts, oil, grease, gauges, tools ›</Strong>
    </Go>
  ) : null;
  if (mayDo(session.person.role, 'planVisits'))
    return (
      <>
        <VisitForm file={file} visit={visit} hours={standing.labour.hours} onChanged={onChanged} />
        {van}
      </>
    );
  return (
    <>
      <Quiet>
        {visit
          ? `Visit: ${weekdayWords(visit.startsOn)}, ${visit.technician}.`
          : 'A planner sets the visit.'}
      </Quiet>
      {van}
    </>
  );
}
