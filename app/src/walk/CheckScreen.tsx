import { useLocalSearchParams } from 'expo-router';
import type { Check, MachineFile } from '@green-tally/core/contracts';
import type { Standing } from '@green-tally/core/plan';
import { checksFor } from '@green-tally/core/walk';
import { SyncLine } from '../session/SyncLine';
import { WithMachine, type Known } from '../machine/WithMachine';
import { Go, HeadRow, Notice, Screen, Strong } from '../ui';
import { CheckInWalk } from './CheckInWalk';
import { CheckTitle, WhyCard } from './CheckParts';
import { DecideOtherwise } from './DecideOtherwise';
import { PhotoStrip } from './photos';
import { RenewalCard } from './RenewalCard';
import { SheetsHere } from './schoolsHere';
import { VerdictCard } from './VerdictCard';

/** One check of a machine: in its walk, or what was last read of it when none is under way. */
export function CheckScreen() {
  const { machineId, checkId } = useLocalSearchParams<{ machineId: string; checkId: string }>();
  return (
    <WithMachine id={machineId} what="this check">
      {(known) => <OneCheck {...known} checkId={checkId} />}
    </WithMachine>
  );
}

function OneCheck({ file, standing, checkId }: Known & { readonly checkId: string }) {
  const check = checksFor(file.machine, file.sheets).find((c) => c.id === checkId);
  if (!check)
    return (
      <Screen title="No such check">
        <HeadRow back={backToMachine(file)} />
        <Notice
          alone
          title={`${file.machine.serial} has no such check`}
          text="Its spec sheet may have changed."
        />
      </Screen>
    );
  const open = standing.walk && !standing.walk.finishedAt ? standing.walk : undefined;
  // a check that the short walk under way leaves out is only looked at
  const walk = open && (open.checks === null || open.checks.includes(check.id)) ? open : undefined;
  return (
    <SheetsHere.Provider value={file.sheets}>
      {walk ? (
        <CheckInWalk key={check.id} file={file} standing={standing} check={check} walk={walk} />
      ) : (
        <OutsideWalk file={file} standing={standing} check={check} />
      )}
    </SheetsHere.Provider>
  );
}

const backToMachine = ({ machine }: MachineFile) => ({
  to: `/machine/${machine.id}` as const,
  title: `${machine.model} · ${machine.serial}`,
  label: 'Back to the machine',
});

interface OutsideWalkProps {
  readonly file: MachineFile;
  readonly standing: Standing;
  readonly check: Check;
}

function OutsideWalk({ file, standing, check }: OutsideWalkProps) {
  const verdict = standing.verdicts.find((v) => v.check.id === check.id);
  return (
    <Screen title={check.component} testID="outside a walk">
      <HeadRow back={backToMachine(file)}>
        <SyncLine />
      </HeadRow>
      <CheckTitle check={check} />
      {verdict ? (
        <VerdictCard
          verdict={verdict}
          facts={standing.facts}
          otherwise={<DecideOtherwise file={file} standing={standing} verdict={verdict} />}
        />
      ) : (
        <Notice title="Not measured yet" text={check.how} />
      )}
      <Go to={`/walk/${file.machine.id}?only=${check.id}`} label="Start a short walk to measure it">
        <Strong tone="pine">Start a short walk to measure it ›</Strong>
      </Go>
      <PhotoStrip file={file} check={check} walk={undefined} />
      <RenewalCard file={file} check={check} />
      <WhyCard check={check} />
    </Screen>
  );
}
