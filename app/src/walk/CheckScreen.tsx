import { useMemo } from 'react';
import { useLocalSearchParams } from 'expo-router';
import { checksFor } from '@green-tally/core/walk';
import { WithMachine, type Known } from '../machine/WithMachine';
import { HeadRow, later, Notice, Screen } from '../ui';
import { backToMachine } from './backToMachine';
import { SheetsHere } from './schoolsHere';

/** One check of a machine: in its walk, or what was last read of it when none is under way. */
export function CheckScreen() {
  const { machineId, checkId } = useLocalSearchParams<{ machineId: string; checkId: string }>();
  return (
    <WithMachine id={machineId} what="this check">
      {(known) => <OneCheck {...known} checkId={checkId} />}
    </WithMachine>
  );
}

const CheckAndNext = later('this check', async () => (await import('./underWay')).CheckAndNext);
const OutsideWalk = later('this check', async () => (await import('./underWay')).OutsideWalk);

function OneCheck({ file, standing, checkId }: Known & { readonly checkId: string }) {
  const { machine, sheets } = file;
  const checks = useMemo(() => checksFor(machine, sheets), [machine, sheets]);
  const check = checks.find((c) => c.id === checkId);
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
        <CheckAndNext file={file} standing={standing} check={check} checks={checks} walk={walk} />
      ) : (
        <OutsideWalk file={file} standing={standing} check={check} />
      )}
    </SheetsHere.Provider>
  );
}
