import { useLocalSearchParams } from 'expo-router';
import { WithMachine } from '../machine/WithMachine';
import { HeadRow, later, Notice, Screen } from '../ui';
import { backToMachine } from './backToMachine';

const WalkEnd = later('the end of the walk', async () => (await import('./underWay')).WalkEnd);

/** The end of the newest walk of a machine: to be signed for, or as it was. */
export function WalkEndScreen() {
  const { machineId } = useLocalSearchParams<{ machineId: string }>();
  return (
    <WithMachine id={machineId} what="the end of this walk">
      {({ file, standing }) =>
        standing.walk ? (
          <WalkEnd file={file} standing={standing} walk={standing.walk} />
        ) : (
          <Screen title="No walk">
            <HeadRow back={backToMachine(file)} />
            <Notice
              alone
              title={`${file.machine.serial} was not walked this season`}
              text="Begin a walk on its page; what it came to stands here."
            />
          </Screen>
        )
      }
    </WithMachine>
  );
}
