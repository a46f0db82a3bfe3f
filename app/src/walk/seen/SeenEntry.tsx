import { useState } from 'react';
import { View } from 'react-native';
import { z } from 'zod';
import { atPlace, wantWords } from '@green-tally/core/kinds';
import { Schematic } from '../../schematics/Schematic';
import { useDraft } from '../../store';
import { Card, Choice, Heading, Press, Strong } from '../../ui';
import type { EntryProps } from '../entries';
import { condition } from './condition';
import { gonogo } from './gonogo';
import { level } from './level';
import { NOTHING_SEEN, Seen, type SeenCheck, type SeenCheckKind, type SeenKind } from './seenKind';
import { service } from './service';
import { setting } from './setting';

/** The compiler lists here what a new kind needs. */
const SEEN: { readonly [K in SeenCheckKind]: SeenKind<K> } = {
  gonogo,
  condition,
  level,
  setting,
  service,
};

const seenKindOf = <K extends SeenCheckKind>(check: { readonly kind: K }): SeenKind<K> =>
  SEEN[check.kind];

const SeenPlaces = z.record(z.string(), Seen);

/**
 * What is seen rather than measured: a gauge that fits, a condition, a level, a setting, a service
 * done; place by place, or all alike with one tap.
 */
export function SeenEntry(props: EntryProps<SeenCheck>) {
  const { check, file, places, draftKey, onTake, onDone, frame } = props;
  const kind = seenKindOf(check);
  const [seen, setSeen] = useDraft(`${draftKey}|seen`, SeenPlaces, {});
  const [troubles, setTroubles] = useState<Readonly<Record<string, string>>>({});
  const at = (place: string): Seen => seen[place] ?? NOTHING_SEEN;
  const answers = kind.answers(check);
  const usual = answers.find((a) => a.value === kind.usual(check, file.machine));
  const change = (next: Readonly<Record<string, Seen>>) => {
    setSeen((now) => ({ ...now, ...next }));
    setTroubles({});
  };
  const judge = async () => {
    const read = places.map((place) => ({
      place,
      entered: answers.some((a) => a.value === at(place).choice)
        ? kind.value(atPlace(check, place), at(place))
        : { trouble: 'Choose one.' },
    }));
    const wrong = read.flatMap(({ place, entered }) =>
      'trouble' in entered ? [[place, entered.trouble] as const] : [],
    );
    setTroubles(Object.fromEntries(wrong));
    if (wrong.length) return;
    const taken = read.flatMap(({ place, entered }) =>
      'value' in entered ? [{ place, value: entered.value }] : [],
    );
    if (!(await onTake(taken))) return;
    setSeen({});
    onDone();
  };
  const allAlike = (choice: string) =>
    change(
      Object.fromEntries(
        places.map((p) => [p, at(p).choice ? at(p) : { ...NOTHING_SEEN, choice }]),
      ),
    );
  const body = (
    <>
      <Schematic check={check} />
      {kind.Wanted ? <kind.Wanted check={check} machine={file.machine} /> : null}
      {places.length > 1 && usual ? (
        <Press
          title={`All ${places.length}: ${usual.title.toLowerCase()}`}
          testID="all alike"
          onPress={() => allAlike(usual.value)}
        />
      ) : null}
      {places.map((place) => (
        <Card key={place} testID={`seen ${place}`}>
          {places.length > 1 ? <Heading>{place}</Heading> : null}
          {check.perPlace?.[place] ? (
            <Strong>{`Here: ${wantWords(atPlace(check, place))}`}</Strong>
          ) : null}
          <Choice
            label={kind.question}
            value={at(place).choice === '' ? undefined : at(place).choice}
            onChange={(choice: string) => change({ [place]: { ...at(place), choice } })}
            options={answers}
            tall={places.length === 1}
          />
          {kind.More ? (
            <kind.More
              check={atPlace(check, place)}
              seen={at(place)}
              of={places.length > 1 ? ` (${place})` : ''}
              onChange={(part) => change({ [place]: { ...at(place), ...part } })}
            />
          ) : null}
          {troubles[place] ? (
            <View role="alert">
              <Strong tone="rust">{troubles[place]}</Strong>
            </View>
          ) : null}
        </Card>
      ))}
    </>
  );
  const footer = <Press fill="pine" title="Judge it" testID="judge" onPress={() => void judge()} />;
  return <>{frame(body, footer)}</>;
}
