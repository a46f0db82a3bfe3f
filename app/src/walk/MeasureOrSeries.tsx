import type { CheckOf } from '@green-tally/core/contracts';
import type { EntryProps } from './entries';
import { MeasureEntry } from './MeasureEntry';
import { SeriesEntry } from './series/SeriesEntry';

/**
 * A measure at one place has the pad alone; at several, or with a travel to read, it is taken in
 * one pass.
 */
export function MeasureOrSeries(props: EntryProps<CheckOf<'measure'>>) {
  const { places, takeUp } = props.check;
  return places.length > 1 || takeUp ? <SeriesEntry {...props} /> : <MeasureEntry {...props} />;
}
