import { troubleText } from '../store';
import { Notice, Screen, Waiting } from '../ui';
import { DeskScreen } from './DeskScreen';
import { useBoard } from './hooks';

/** The planner's desk, once all that stands on it has come. */
export function DeskPlace() {
  const { data: page, error, again } = useBoard();
  if (!page)
    return (
      <Waiting
        what="the board"
        trouble={error ? troubleText(error) : undefined}
        again={again}
        full
      />
    );
  if (!page.technicians.length)
    return (
      <Screen testID="board" title="Board" full>
        <Notice
          alone
          title={`No technician works for ${page.branch} yet`}
          text="An admin adds people under More; then their hours and skills are said, and visits can be planned."
        />
      </Screen>
    );
  return <DeskScreen page={page} again={again} />;
}
