import { useState } from 'react';
import { View } from 'react-native';
import { z } from 'zod';
import type { CheckOf } from '@green-tally/core/contracts';
import { useDraft } from '../store';
import { Card, Heading, Press, Quiet, Strong } from '../ui';
import { Stepper } from '../ui/Stepper';
import type { EntryProps } from './entries';
import { Schematic } from '../schematics/Schematic';

const WHAT = [
  ['missing', 'Missing'],
  ['damaged', 'Bent or cracked'],
  ['oneEdge', 'Worn on one edge'],
  ['bothEdges', 'Worn on both edges'],
] as const;
type Key = (typeof WHAT)[number][0];
const count = z.number().int().nonnegative();
const Counts = z.object({
  missing: count,
  damaged: count,
  oneEdge: count,
  bothEdges: count,
});
const NONE = { missing: 0, damaged: 0, oneEdge: 0, bothEdges: 0 };

/**
 * Counts out of a set, place by place; each one is counted once, under the worst that is wrong with
 * it.
 */
export function CountEntry({
  check,
  places,
  readings,
  draftKey,
  onTake,
  onDone,
  frame,
}: EntryProps<CheckOf<'count'>>) {
  const unread = places.filter((p) => !readings.some((r) => r.place === p));
  const place = unread[0] ?? places[0] ?? '';
  const [counts, setCounts] = useDraft(`${draftKey}|count`, Counts, NONE);
  const [sure, setSure] = useState(false);
  const asked = check.turnFrom === undefined ? WHAT.slice(0, 2) : WHAT;
  const sum = WHAT.reduce((s, [key]) => s + counts[key], 0);
  const change = (key: Key, value: number) => {
    setCounts((now) => ({ ...now, [key]: value }));
    setSure(false);
  };
  const judge = async () => {
    if (sum === 0 && !sure) return setSure(true);
    const last = unread.length <= 1;
    if (!(await onTake([{ place, value: { kind: 'count', ...counts } }], last))) return;
    setCounts(NONE);
    setSure(false);
    if (last) onDone();
  };
  const most = check.total ?? MOST;
  const all = check.total === undefined ? 'All' : `All ${check.total}`;
  const body = (
    <>
      <Schematic check={check} />
      <Card>
        {places.length > 1 ? (
          <Heading>{`${place} · ${places.indexOf(place) + 1} of ${places.length}`}</Heading>
        ) : null}
        {asked.map(([key, label]) => (
          <Stepper
            key={key}
            label={label}
            value={counts[key]}
            onChange={(v) => change(key, v)}
            max={counts[key] + most - sum}
          />
        ))}
        <Quiet>{`${check.total === undefined ? '' : `${check.total - sum} of ${check.total} ${check.counted} sound. `}Count each one once, under the worst that is wrong with it.`}</Quiet>
      </Card>
    </>
  );
  return (
    <>
      {frame(
        body,
        <>
          {sure && sum === 0 ? (
            <View role="alert">
              <Strong>{`${all} seen, none missing${check.turnFrom === undefined ? ' or bent' : ', bent or worn'}? Tap again to say so.`}</Strong>
            </View>
          ) : null}
          <Press
            fill="pine"
            title={sure && sum === 0 ? `Yes, ${all.toLowerCase()} are sound` : 'Judge it'}
            testID="judge"
            onPress={() => void judge()}
          />
        </>,
      )}
    </>
  );
}

/** No set has more, where the sheet does not say. */
const MOST = 500;
