import type { FeelCheck } from '../../contracts';
import { NOT_MEASURED, shown, type MachineFacts, type Seen, type Shown } from '../kind';
import { withTravel } from '../travel/judge';
import { judgeTensionAlone, tensionOfFeel } from '../travel/tension';

/** How it feels by hand, its play, and the travel left where there is an adjuster. */
export function judgeFeel(check: FeelCheck, seen: Seen, facts: MachineFacts): Shown {
  const { value } = seen.main;
  if (value.kind !== 'feel') return shown([NOT_MEASURED]);
  const tension = tensionOfFeel(check, value);
  const play = value.play ? [{ id: 'play', numbers: { feel: value.feel } } as const] : [];
  return check.takeUp
    ? withTravel(check, { seen, facts, own: shown(play), tension })
    : shown([...play, judgeTensionAlone(tension)]);
}
