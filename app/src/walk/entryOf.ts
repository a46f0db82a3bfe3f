import type { ComponentType } from 'react';
import type { CheckKind, CheckOf } from '@green-tally/core/contracts';
import { CountEntry } from './CountEntry';
import type { EntryProps } from './entries';
import { MeasureOrSeries } from './MeasureOrSeries';
import { SeenEntry } from './seen/SeenEntry';
import { SeriesEntry } from './series/SeriesEntry';
import { TensionEntry } from './TensionEntry';

/** How each kind of check is entered; the compiler lists here what a new kind needs. */
const ENTRIES: { readonly [K in CheckKind]: ComponentType<EntryProps<CheckOf<K>>> } = {
  measure: MeasureOrSeries,
  series: SeriesEntry,
  mark: TensionEntry,
  feel: TensionEntry,
  count: CountEntry,
  gonogo: SeenEntry,
  condition: SeenEntry,
  level: SeenEntry,
  setting: SeenEntry,
  service: SeenEntry,
};

/** The entry of a check's kind. */
export const entryOf = <K extends CheckKind>(
  check: CheckOf<K> & { kind: K },
): ComponentType<EntryProps<CheckOf<K>>> => ENTRIES[check.kind];
