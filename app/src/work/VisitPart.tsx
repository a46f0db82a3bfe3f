import type { MachineFile } from '@green-tally/core/contracts';
import type { Standing } from '@green-tally/core/plan';
import { mayDo } from '@green-tally/core/rights';
import { useSession } from '../store';
import { later, Quiet } from '../ui';
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
  if (mayDo(session.person.role, 'planVisits'))
    return (
      <VisitForm file={file} visit={visit} hours={standing.labour.hours} onChanged={onChanged} />
    );
  return (
    <Quiet>
      {visit
        ? `Visit: ${weekdayWords(visit.startsOn)}, ${visit.technician}.`
        : 'A planner sets the visit.'}
    </Quiet>
  );
}
