import { useLocalSearchParams, useRouter } from 'expo-router';
import { z } from 'zod';
import { benchFor, isMeasured } from '@green-tally/core/benchFor';
import {
  countsOf,
  factorOf,
  hangingOnBench,
  type Bench,
  type BenchOutcome,
} from '@green-tally/core/bench';
import type { Check } from '@green-tally/core/contracts';
import { printNumber } from '@green-tally/core/units';
import type { Known } from '../machine/WithMachine';
import { useDraft, useTextDraft } from '../store';
import { Press, Quiet } from '../ui';
import type { OnBench } from './useBench';

interface TakeToCheckProps {
  readonly known: Known;
  readonly check: Check;
  readonly bench: Bench;
  readonly on: OnBench;
}

/** What was found goes back to the check it came from: into its pad, where it is judged. */
export function TakeToCheck({ known, check, bench, on }: TakeToCheckProps) {
  const entry = useEntryOf(known, check);
  const [, setCounts] = useDraft<object>(`${entry.draft}|count`, Counts, {});
  const found = check.kind === 'count' ? countedOf(on) : readingOf(check, bench, on.outcome);
  return (
    <TakeBack
      found={found && `${found.text}${found.unit}`}
      entry={entry}
      onTake={() => {
        if (found?.counts) setCounts(found.counts);
        else if (found) entry.setText(found.text);
        entry.back();
      }}
    />
  );
}

/** The entry of a check in the walk that is open, from beside it. */
export function useEntryOf({ standing, file }: Known, check: Check) {
  const router = useRouter();
  const { state } = useLocalSearchParams<{ state?: string }>();
  const { walk } = standing;
  const open = walk && !walk.finishedAt ? walk.id : '';
  const draft = `draft|${open}|${check.id}|${state ?? 'asFound'}`;
  const pad = isMeasured(check) && (check.places.length > 1 || check.takeUp) ? 'measure' : 'pad';
  const [, setText] = useTextDraft(`${draft}|${pad}`);
  const back = () => router.replace(`/walk/${file.machine.id}/${check.id}`);
  /** the walk that is open, empty where none is; and whether a reading is being taken */
  return { open, taking: Boolean(open && state), draft, setText, back };
}

interface TakeBackProps {
  /** what would be taken, in words; nothing while there is none */
  readonly found: string | undefined;
  readonly entry: Pick<ReturnType<typeof useEntryOf>, 'open' | 'taking' | 'back'>;
  readonly busy?: boolean;
  readonly onTake: () => void;
}

/** The way back to the check, with what was found where it is wanted. */
export function TakeBack({ found, entry, busy = false, onTake }: TakeBackProps) {
  const { open, taking, back } = entry;
  if (!found || !taking)
    return (
      <>
        {found && !open ? (
          <Quiet>A reading is taken in a walk: begin one to take this back.</Quiet>
        ) : null}
        <Press title="Back to the check" onPress={back} />
      </>
    );
  return (
    <Press
      fill="pine"
      title={`Take ${found} to the check`}
      testID="take to check"
      loading={busy}
      onPress={onTake}
    />
  );
}

const Counts = z.record(z.string(), z.number());

/** What goes back to a check: what stands in its pad, or what was counted. */
interface Found {
  readonly text: string;
  readonly unit: string;
  readonly counts?: ReturnType<typeof countsOf>;
}

/** What was tapped on the rotor, as the check counts it. */
function countedOf({ texts, outcome }: OnBench): Found | undefined {
  const states = hangingOnBench(texts, outcome)?.states;
  if (!states) return undefined;
  const counts = countsOf(states);
  const bad = Object.values(counts).reduce((a, b) => a + b, 0);
  return { text: `${bad} of ${states.length}`, unit: '', counts };
}

/** What stands on the bench as the check's reading, in the check's unit; undefined where it is none. */
function readingOf(check: Check, bench: Bench, { values }: BenchOutcome): Found | undefined {
  const id = benchFor(check)?.field;
  const field = id ? bench.fields[id] : undefined;
  const value = id ? values[id] : undefined;
  if (!field || value === undefined || !('unit' in check)) return undefined;
  return {
    text: printNumber(value / factorOf({ ...field, unit: check.unit }), 3),
    unit: check.unit,
  };
}
