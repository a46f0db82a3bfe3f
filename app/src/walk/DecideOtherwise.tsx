import { v7 as uuidv7 } from 'uuid';
import type { MachineFile } from '@green-tally/core/contracts';
import { needsHand } from '@green-tally/core/findings';
import { isLeft, leaveKey, standsOf, type Standing } from '@green-tally/core/plan';
import { worstPlace, type CheckVerdict } from '@green-tally/core/verdict';
import { accepted as asItem, proposeAnyway } from '@green-tally/core/work';
import { put, useAction, useClock, useSession, useTick } from '../store';
import { Card, Notice, Press, Quiet, Strong } from '../ui';
import { SayWhy } from '../work/SayWhy';
import { dayWords } from '../yard/words';

interface DecideOtherwiseProps {
  readonly file: MachineFile;
  readonly standing: Standing;
  readonly verdict: CheckVerdict;
}

/**
 * What the sums say is not what must be done: a person leaves it, or does it all the same, with a
 * reason that is kept.
 */
export function DecideOtherwise({ file, standing, verdict }: DecideOtherwiseProps) {
  const worst = worstPlace(verdict)?.findings[0]?.id;
  if (worst === 'reachesLimit')
    return <DoItAnyway file={file} standing={standing} verdict={verdict} />;
  return worst && NOT_WORTH.has(worst) ? (
    <LeaveIt file={file} standing={standing} verdict={verdict} />
  ) : null;
}

const NOT_WORTH: ReadonlySet<string> = new Set([
  'notWorthLeaving',
  'notWorthLeavingLong',
  'notWorthLeavingSet',
]);

function LeaveIt({ file, verdict }: DecideOtherwiseProps) {
  const { check, places } = verdict;
  const tick = useTick(file.machine.id);
  const keys = places
    .filter((p) => needsHand(p.decision))
    .map((p) => leaveKey(check.id, p.readingIds));
  const tickAll = useAction(async (done: boolean, why: string) => {
    for (const key of keys) await tick.run(key, done, why);
  });
  const [said] = keys.flatMap((key) => standsOf(file.ticks, key) ?? []);
  return (
    <Card testID="decide otherwise">
      {said && isLeft(verdict, file.ticks) ? (
        <>
          <Strong>{`Left by decision of ${said.by}, ${dayWords(said.at.slice(0, 10))}`}</Strong>
          <Quiet>{`${said.note}. A new reading asks anew.`}</Quiet>
          <Press title="Take it back" onPress={() => void tickAll.run(false, '')} small />
        </>
      ) : (
        <SayWhy
          title="Leave it through harvest"
          asked={`Why ${check.component.toLowerCase()} is left`}
          name={check.component}
          onSay={(why) => tickAll.run(true, why)}
        />
      )}
      {tickAll.trouble ? <Notice tone="rust" title="Not kept" text={tickAll.trouble} /> : null}
    </Card>
  );
}

function DoItAnyway({ file, standing, verdict }: DecideOtherwiseProps) {
  const { check } = verdict;
  const { data: session } = useSession();
  const clock = useClock();
  const add = useAction(async (why: string) => {
    const work = proposeAnyway(verdict, why, file.times);
    if (!work) return;
    await put([
      {
        kind: 'work',
        body: asItem(work, {
          id: uuidv7(),
          machineId: file.machine.id,
          acceptedBy: session?.person?.name ?? '',
          acceptedAt: clock().toISOString(),
        }),
      },
    ]);
  });
  const accepted = standing.work.some((w) => w.checkId === check.id && !w.done);
  return (
    <Card testID="decide otherwise">
      {accepted ? (
        <Strong>In work, by decision of a person.</Strong>
      ) : (
        <SayWhy
          title="Do it before harvest all the same"
          asked={`Why ${check.component.toLowerCase()} is not only watched`}
          name={check.component}
          onSay={(why) => add.run(why)}
        />
      )}
      {add.trouble ? <Notice tone="rust" title="Not kept" text={add.trouble} /> : null}
    </Card>
  );
}
