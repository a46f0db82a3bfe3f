import { useLocalSearchParams } from 'expo-router';
import { troubleText, useMachine } from '../store';
import { Waiting } from '../ui';
import { MakeSafeGate } from './MakeSafeGate';
import { WalkOverview } from './WalkOverview';

/** A walk: the make-safe gate first, then the checks in order. */
export function WalkScreen() {
  const { machineId } = useLocalSearchParams<{ machineId: string }>();
  const { file, standing, error, isLoading, again } = useMachine(machineId);
  if (!file || !standing)
    return (
      <Waiting
        what="this walk"
        trouble={isLoading ? undefined : troubleText(error)}
        again={again}
      />
    );
  const { walk } = standing;
  return walk && !walk.finishedAt ? (
    <WalkOverview file={file} standing={standing} walk={walk} />
  ) : (
    <MakeSafeGate file={file} />
  );
}
