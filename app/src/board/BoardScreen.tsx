import { later, useWide } from '../ui';
import { DaysScreen } from './DaysScreen';

// a phone never loads what is dragged
const DeskPlace = later('the board', async () => (await import('./planning')).DeskPlace);

/** The board: on a wide screen the planner's desk, on a phone the days of one or of all. */
export function BoardScreen() {
  const wide = useWide();
  return wide ? <DeskPlace /> : <DaysScreen />;
}
