import type { MarkCheck } from '../../contracts';
import { NOT_MEASURED, shown, type MachineFacts, type Seen, type Shown } from '../kind';
import { withTravel } from '../travel/judge';
import { judgeTensionAlone, tensionOfMark } from '../travel/tension';

/** An indicator against its mark, together with the travel left where there is an adjuster. */
export function judgeMark(check: MarkCheck, seen: Seen, facts: MachineFacts): Shown {
  const { value } = seen.main;
  if (value.kind !== 'mark') return shown([NOT_MEASURED]);
  const tension = tensionOfMark(check, value);
  return check.takeUp
    ? withTravel(check, { seen, facts, own: shown([]), tension })
    : shown([judgeTensionAlone(tension, check.setsItself)]);
}
