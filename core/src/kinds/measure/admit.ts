import type { FieldTrouble, MeasuredCheck, ReadingValue } from '../../contracts';
import { admitTravel } from '../travel/admit';
import { typedTroubles } from '../typed';

/** No length on a machine is longer than 50 m, mm. */
const LONGEST = 50_000;

/** A measure that cannot be on a machine, or more travel than the adjuster has. */
export function admitMeasured(check: MeasuredCheck, value: ReadingValue): FieldTrouble[] {
  if (value.kind === 'travel') return admitTravel(check, value);
  if (value.kind !== 'measure') return [];
  const zero = zeroCanBe(check);
  const written = value.typed.flatMap((text, i) =>
    typedTroubles(
      { text, value: value.values[i], unit: value.unit },
      { dimension: check.quantity, field: `value.typed.${i}` },
    ),
  );
  const impossible = value.values.flatMap((v, i) => {
    const wrong = (message: string) => [{ field: `value.values.${i}`, message }];
    if (v === 0 && !zero)
      return wrong(`${check.component}: a reading of 0 cannot be. Measure again.`);
    return check.quantity === 'length' && v > LONGEST
      ? wrong(`${v} mm cannot be on a machine. Check the unit.`)
      : [];
  });
  return [...impossible, ...written];
}

/** Nothing left of a knife or no play at all is a reading; a belt or chain of no length is not. */
function zeroCanBe({ limit }: MeasuredCheck): boolean {
  if (limit.type === 'wear') return limit.nominal === 0 || limit.limit === 0;
  return limit.type === 'band' || limit.type === 'open';
}
