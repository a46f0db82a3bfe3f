import { v7 as uuidv7 } from 'uuid';
import { byPlan, doesLess, type BenchPlan } from '@green-tally/core/bench';
import type { Check } from '@green-tally/core/contracts';
import { accepted, proposeWork } from '@green-tally/core/work';
import type { Known } from '../machine/WithMachine';
import { put, useAction, useClock, useSession } from '../store';
import { Go, Notice, Press, Quiet, Strong } from '../ui';
import { minutesWords } from '../walk/walkWords';

/** The check a bench was opened from. */
export interface OfCheck {
  readonly known: Known;
  readonly check: Check;
}

interface AddPlanProps extends OfCheck {
  /** undefined: nothing that could be done */
  readonly plan: BenchPlan | undefined;
}

/** A plan of the bench taken into work: what the check's verdict calls for, done so. */
export function AddPlan({ known: { file, standing }, check, plan }: AddPlanProps) {
  const clock = useClock();
  const { data: session } = useSession();
  const verdict = standing.verdicts.find((v) => v.check.id === check.id);
  const proposal =
    verdict && proposeWork(verdict, { others: standing.verdicts, times: file.times });
  const made = plan && proposal ? byPlan(proposal, check, plan) : undefined;
  const add = useAction(async () => {
    if (!made) return;
    const by = {
      id: uuidv7(),
      machineId: file.machine.id,
      acceptedBy: session?.person?.name ?? '',
      acceptedAt: clock().toISOString(),
    };
    await put([{ kind: 'work', body: accepted(made.work, { ...by, proposed: made.proposed }) }]);
  });
  if (!plan) return null;
  if (standing.work.some((w) => w.checkId === check.id && !w.done))
    return (
      <Go to={`/work/${file.machine.id}`} label="In work: look at it" testID="plan in work">
        <Strong tone="pine">In work ›</Strong>
      </Go>
    );
  if (!made || !verdict)
    return (
      <Quiet testID="no work of it">
        The check calls for no work as it was read last: take what was found to it first.
      </Quiet>
    );
  const less = doesLess(verdict, file.readings, plan);
  if (less) return <Quiet testID="plan does less">{less}</Quiet>;
  return (
    <>
      <Press
        small
        title={`Add to work: ${DOES[plan.decision]}, ${minutesWords(made.work.minutes)}`}
        testID="add plan"
        loading={add.busy}
        onPress={() => void add.run()}
      />
      {add.trouble ? <Notice tone="rust" title="Not kept" text={add.trouble} /> : null}
    </>
  );
}

const DOES: Readonly<Record<BenchPlan['decision'], string>> = {
  adjust: 'adjust',
  shorten: 'shorten',
  turn: 'turn and swap',
  replace: 'renew',
};
