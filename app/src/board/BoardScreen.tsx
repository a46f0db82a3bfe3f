import { troubleText, useBoard } from '../store';
import { later, Notice, Screen, useWide, Waiting } from '../ui';
import { DaysScreen } from './DaysScreen';

// a phone never loads what is dragged
const DeskScreen = later('the board', async () => (await import('./DeskScreen')).DeskScreen);

/** The board: on a wide screen the planner's desk, on a phone the days of one or of all. */
export function BoardScreen() {
  const wide = useWide();
  return wide ? <Desk /> : <DaysScreen />;
}

function Desk() {
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
