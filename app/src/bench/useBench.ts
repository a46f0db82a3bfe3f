import { useLocalSearchParams, useRouter } from 'expo-router';
import { useEffect, useMemo } from 'react';
import { z } from 'zod';
import {
  BENCHES,
  benchQuery,
  exampleTexts,
  firstTexts,
  textsOfQuery,
  workOut,
  type Bench,
  type BenchOutcome,
  type BenchTexts,
} from '@green-tally/core/bench';
import { useDraft } from '../store';

const Texts = z.record(z.string(), z.string());

/** A bench as it stands on this device. */
export interface OnBench {
  readonly texts: BenchTexts;
  readonly outcome: BenchOutcome;
  readonly type: (field: string, text: string) => void;
  /** back to what stands there before anybody types */
  readonly clear: () => void;
  /** figures of nobody's machine, to see what it does */
  readonly example: () => void;
  /** the address that shows somebody else the same */
  readonly link: string;
}

/** The bench of a path, or undefined where there is none of that name. */
export const benchNamed = (id: string): Bench | undefined => BENCHES.find((b) => b.id === id);

/**
 * What is entered on a bench: kept on this device over a reload, each check's apart; a link brings
 * its own and then lets go of the address, so that what is typed after it stays.
 * @param first what it opens with from a check
 */
export function useBench(bench: Bench, key: string, first: BenchTexts): OnBench {
  const router = useRouter();
  const params = useLocalSearchParams();
  const usual = useMemo(
    () => ({
      ...firstTexts(bench),
      ...first,
    }),
    [bench, first],
  );
  const [texts, setTexts] = useDraft<BenchTexts>(`bench|${key}`, Texts, usual);
  const brought = textsOfQuery(bench, params);
  const bringing = Object.keys(brought).length > 0;
  useEffect(() => {
    if (!bringing) return;
    setTexts({ ...usual, ...brought });
    router.setParams(Object.fromEntries(Object.keys(brought).map((id) => [id, undefined])));
    // eslint-disable-next-line react-hooks/exhaustive-deps -- once for each link that is opened
  }, [bringing]);
  const outcome = useMemo(() => workOut(bench, texts), [bench, texts]);
  const query = new URLSearchParams(benchQuery(bench, texts)).toString();
  const at = `/bench/${bench.id}`;
  return {
    texts,
    outcome,
    type: (field, text) => setTexts((now) => ({ ...usual, ...now, [field]: text })),
    clear: () => setTexts(usual),
    example: () => setTexts(exampleTexts(bench)),
    link: `${globalThis.location?.origin ?? ''}${at}${query ? `?${query}` : ''}`,
  };
}
