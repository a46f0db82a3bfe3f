import { useMemo } from 'react';
import useSWR from 'swr';
import { OwnTools } from '@green-tally/core/contracts';

/** The signed-in person's own tools; kept for when there is no signal. */
export function useTools() {
  const { data, error, isLoading, mutate } = useSWR<unknown, unknown>('/tools');
  const tools = useMemo(
    () => (data === undefined ? undefined : OwnTools.parse(data).tools),
    [data],
  );
  return { tools, error, isLoading, again: () => void mutate() };
}
