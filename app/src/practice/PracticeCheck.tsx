import { useRouter } from 'expo-router';
import { createElement, useState, type ReactNode } from 'react';
import { View } from 'react-native';
import type { Check, Reading } from '@green-tally/core/contracts';
import {
  FINE_MINUTES,
  handOf,
  RUN_MINUTES,
  sightOf,
  toolFor,
  verdictIn,
  walkOf,
  type Choice as Decided,
} from '@green-tally/core/practice';
import { readsTo } from '@green-tally/core/units';
import {
  Body,
  Buttons,
  Card,
  Choice,
  HeadRow,
  Heading,
  Notice,
  Press,
  Quiet,
  Screen,
  SPACE,
  Strong,
  Title,
} from '../ui';
import { entryOf } from '../walk/entryOf';
import type { EntryProps } from '../walk/entries';
import { VerdictCard } from '../walk/VerdictCard';
import { CHOICE_WORDS } from './words';
import type { Practising } from './usePractice';

interface PracticeCheckProps {
  readonly on: Practising;
  readonly check: Check;
}

/** One check of the practice machine: the machine set, tools that read, the same entry as in a walk, the verdict, and a decision. */
export function PracticeCheck({ on, check }: PracticeCheckProps) {
  const { game, play } = on;
  const own = play.readings.filter((r) => r.checkId === check.id);
  const [reading, setReading] = useState<{ from: number; state: Reading['state'] } | undefined>(
    own.length ? undefined : { from: 0, state: 'asFound' },
  );
  const [fine, setFine] = useState(false);
  const verdict = own.length ? verdictIn(game, play, check) : undefined;
  const head = (
    <HeadRow back={{ to: '/practice', title: 'Practice', label: 'Back to all checks' }}>
      <Quiet testID="practice minutes">{`${play.minutes} of ${game.minutes} min`}</Quiet>
    </HeadRow>
  );
  const about = (
    <>
      <Title>{check.component}</Title>
      <Quiet>{check.how}</Quiet>
    </>
  );
  if (!reading)
    return (
      <Screen
        testID="practice check"
        title={check.component}
        head={head}
        footer={<Decide on={on} check={check} />}
      >
        {about}
        {verdict ? <VerdictCard verdict={verdict} facts={game.facts} /> : null}
        <Buttons>
          <Press
            small
            title="Read again"
            testID="read again"
            onPress={() => setReading({ from: play.readings.length, state: 'asFound' })}
          />
          {check.kind === 'mark' ? (
            <Press
              small
              title={`Adjust it now, ${check.labour.adjust} min`}
              testID="adjust now"
              onPress={() => {
                on.adjust(check);
                setReading({ from: play.readings.length, state: 'asLeft' });
              }}
            />
          ) : null}
        </Buttons>
      </Screen>
    );
  const { from, state } = reading;
  const used = toolFor(check, fine);
  const entry: EntryProps = {
    check: used ? { ...check, tool: used } : check,
    file: { ...game.file, readings: [...game.history, ...play.readings] },
    walk: { ...game.file.walks[0], ...walkOf() } as EntryProps['walk'],
    ...{ state, verdict, linksOut: 0 },
    places: check.places,
    readings: play.readings.slice(from).filter((r) => r.checkId === check.id && r.state === state),
    draftKey: `practice|${game.spec.seed}|${check.id}|${state}`,
    onTake: async (taken) => {
      on.take(check, taken, { fine, state });
      return true;
    },
    onDone: () => setReading(undefined),
    frame: (body, footer) => (
      <Screen testID="practice check" title={check.component} head={head} footer={footer}>
        {about}
        <Setting on={on} check={check} />
        {state === 'asLeft' ? (
          <Notice
            tone="blue"
            title="Adjusted: now as left"
            text="An adjuster moves after the first run. Everyone clear, doors shut, run it a minute, make safe again, then look."
            {...(play.run[check.id]
              ? {}
              : { action: { title: `Run it, ${RUN_MINUTES} min`, onPress: () => on.run(check) } })}
          />
        ) : null}
        <Instrument on={on} check={check} fine={fine} onFine={setFine} />
        {body}
        {own.length ? (
          <Press small title="See the verdict" onPress={() => setReading(undefined)} />
        ) : null}
      </Screen>
    ),
  };
  return createElement(entryOf(check), entry);
}

/** The machine brought to where the check wants it, or said to stand there. */
function Setting({ on, check }: PracticeCheckProps) {
  const { play, game, stand } = on;
  const said = play.said === check.position;
  return (
    <Card edge={said ? 'line' : 'blue'} testID="practice position">
      <Strong>{`The machine: ${check.position.toLowerCase()}`}</Strong>
      {said ? (
        <Quiet>It stands so, as you said.</Quiet>
      ) : (
        <Buttons>
          <Press title="It stands so" testID="say stood" onPress={() => stand(check, false)} />
          <Press
            fill="blue"
            title={`Set it, ${game.sheet.moves.usual} min`}
            testID="set machine"
            onPress={() => stand(check, true)}
          />
        </Buttons>
      )}
    </Card>
  );
}

interface InstrumentProps extends PracticeCheckProps {
  readonly fine: boolean;
  readonly onFine: (fine: boolean) => void;
}

/** The tool in the hand, and what it shows or the eye sees at each place. */
function Instrument({ on, check, fine, onFine }: InstrumentProps) {
  const [seen, setSeen] = useState<Readonly<Record<string, string>>>({});
  const { game, play } = on;
  const measured = check.kind === 'measure' || check.kind === 'series';
  const count =
    play.readings.length + (play.adjusted[check.id] ?? 0) * 1000 + (play.run[check.id] ? 500 : 0);
  const look = (place: string): ReactNode => {
    const shown = seen[`${place}|${count}|${fine}|${play.set}`];
    return (
      <View key={place} style={{ gap: SPACE.xs }}>
        <Press
          small
          title={`${measured ? 'Measure' : 'Look at'} ${check.places.length > 1 ? `the ${place}` : 'it'}`}
          testID={`sight ${place}`}
          onPress={() =>
            setSeen({
              ...seen,
              [`${place}|${count}|${fine}|${play.set}`]: sightOf(
                game,
                check,
                place,
                handOf(play, check, place, fine),
              ).words,
            })
          }
        />
        {shown ? (
          <Body live testID={`seen ${place}`}>
            {shown}
          </Body>
        ) : null}
      </View>
    );
  };
  return (
    <Card testID="instrument">
      <Heading>{measured ? 'The tool in your hand' : 'What is to be seen'}</Heading>
      {measured && check.limit.type !== 'band' ? (
        <Choice
          label="Tool"
          value={fine ? 'fine' : 'usual'}
          onChange={(v) => onFine(v === 'fine')}
          options={[
            {
              value: 'usual',
              title: `${check.tool.name}, ${readsTo(check.tool.resolution, check)}`,
            },
            { value: 'fine', title: `Caliper, ${FINE_MINUTES} min more` },
          ]}
        />
      ) : null}
      {check.places.map(look)}
      <Quiet>Enter below what it shows.</Quiet>
    </Card>
  );
}

/** What is decided: the verdict advises, the hand decides. */
function Decide({ on, check }: PracticeCheckProps) {
  const router = useRouter();
  const chosen = on.play.decided[check.id];
  const offered: readonly Decided[] = ['leave', ...ACTIONS.filter((a) => check.labour[a] > 0)];
  return (
    <>
      <Choice
        label="You decide"
        value={chosen}
        onChange={(choice) => on.decide(check, choice)}
        options={offered.map((value) => ({ value, title: CHOICE_WORDS[value] }))}
      />
      <Press
        fill={chosen ? 'pine' : undefined}
        title="On to the others"
        testID="practice next"
        onPress={() => router.navigate('/practice')}
      />
    </>
  );
}

const ACTIONS = ['adjust', 'shorten', 'turn', 'replace'] as const;
