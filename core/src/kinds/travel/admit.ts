import { takeUpOf, type Check, type FieldTrouble, type ValueOf } from '../../contracts';

/** More travel left than there is, or travel where there is no adjuster. */
export function admitTravel(check: Check, { left }: ValueOf<'travel'>): FieldTrouble[] {
  const takeUp = takeUpOf(check);
  if (!takeUp)
    return [{ field: 'value.kind', message: `${check.component} has no adjuster travel to read.` }];
  if (left <= takeUp.total + takeUp.resolution) return [];
  const message = `${left} mm is more than the whole travel, ${takeUp.total} mm. Read the slot again.`;
  return [{ field: 'value.left', message }];
}
