import { useLocalSearchParams } from 'expo-router';
import type { ReactNode } from 'react';
import type { SpecDetail } from '@green-tally/core/contracts';
import { troubleText, useSpec } from '../store';
import { Waiting } from '../ui';

interface WithSheetProps {
  /** made anew for another model or revision */
  readonly children: (detail: SpecDetail) => ReactNode;
}

/** The sheet that the address names, in the revision it names, else the newest. */
export function WithSheet({ children }: WithSheetProps) {
  const { model = '', revision } = useLocalSearchParams<{ model: string; revision?: string }>();
  const { data, error, isLoading, again } = useSpec(model, revision);
  return data ? (
    children(data)
  ) : (
    <Waiting
      what={`the sheet of ${model}`}
      trouble={isLoading ? undefined : troubleText(error)}
      again={again}
    />
  );
}
