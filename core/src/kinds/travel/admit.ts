import { typedTroubles } from '../typed';
import { takeUpOf, type Check, type FieldTrouble, type ValueOf } from '../../contracts';

/** More travel left than there is, more links out than a chain can spare, or travel where there is no adjuster. */
export function admitTravel(
  check: Check,
  { left, linksOut, typed, unit }: ValueOf<'travel'>,
): FieldTrouble[] {
  const takeUp = takeUpOf(check);
  if (!takeUp)
    return [{ field: 'value.kind', message: `${check.component} has no adjuster travel to read.` }];
  if (linksOut > takeUp.loopPitches / 4) {
    const message = `${linksOut} links out of a loop of ${takeUp.loopPitches} pitches cannot be. Count them again.`;
    return [{ field: 'value.linksOut', message }];
  }
  const written = typedTroubles(
    { text: typed, value: left, unit },
    { dimension: 'length', field: 'value.typed' },
  );
  if (left <= takeUp.total + takeUp.resolution) return written;
  const message = `${left} mm is more than the whole travel, ${takeUp.total} mm. Read the slot again.`;
  return [{ field: 'value.left', message }];
}
