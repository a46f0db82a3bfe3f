import { useLocalSearchParams } from 'expo-router';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { benchTexts, takeUpWork, type Bench } from '@green-tally/core/bench';
import { checksFor } from '@green-tally/core/walk';
import { WithMachine, type Known } from '../machine/WithMachine';
import { SyncLine } from '../session/SyncLine';
import { useTextDraft } from '../store';
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
  Title,
  useWide,
} from '../ui';
import { Columns } from '../ui/Columns';
import { AddPlan, type OfCheck } from './AddPlan';
import { Drawing } from './drawings/Drawing';
import { FieldEntry } from './FieldEntry';
import { KnivesCard } from './knives/KnivesCard';
import { ListenCard } from './listen/ListenCard';
import { ResultLine } from './ResultLine';
import { TakeToCheck } from './TakeToCheck';
import { benchNamed, useBench, type OnBench } from './useBench';

/** One calculator of the bench: open empty, or from a check of a machine with its figures. */
export function BenchScreen() {
  const { bench: id, machine, check } = useLocalSearchParams<Record<string, string>>();
  const bench = benchNamed(id ?? '');
  if (!bench)
    return (
      <Screen title="No such bench">
        <HeadRow back={{ to: '/bench', title: 'Bench', label: 'Back to the bench' }} />
        <Notice alone title="There is no such calculator" text="All of them are on the bench." />
      </Screen>
    );
  if (!machine || !check) return <Calculator bench={bench} id={bench.id} />;
  return (
    <WithMachine id={machine} what="the check">
      {(known) => <FromCheck bench={bench} known={known} checkId={check} />}
    </WithMachine>
  );
}

interface FromCheckProps {
  readonly bench: Bench;
  readonly known: Known;
  readonly checkId: string;
}

function FromCheck({ bench, known, checkId }: FromCheckProps) {
  const { file } = known;
  const check = checksFor(file.machine, file.sheets).find((c) => c.id === checkId);
  const [first] = useState(() => (check ? benchTexts(check, file.readings) : {}));
  if (!check)
    return (
      <Screen title="No such check">
        <HeadRow back={{ to: '/bench', title: 'Bench', label: 'Back to the bench' }} />
        <Notice
          alone
          title={`${file.machine.serial} has no such check`}
          text="Its spec sheet may have changed."
        />
      </Screen>
    );
  return (
    <Calculator
      bench={bench}
      id={`${bench.id}|${file.machine.id}|${check.id}`}
      first={first}
      of={{ known, check }}
    />
  );
}

interface CalculatorProps {
  readonly bench: Bench;
  /** under which its figures are kept here */
  readonly id: string;
  readonly first?: Readonly<Record<string, string>>;
  readonly of?: OfCheck | undefined;
}

const NOTHING = {};

function Calculator({ bench, id, first = NOTHING, of }: CalculatorProps) {
  const wide = useWide();
  const { show: asked } = useLocalSearchParams<Record<string, string>>();
  const [kept, choose] = useTextDraft(`bench|${id}|section`);
  const on = useBench(bench, id, first);
  const named = (name: string | undefined) => bench.sections.find((s) => s.id === name);
  const section = named(kept) ?? named(asked) ?? bench.sections[0];
  if (!section) return null;
  return (
    <Screen
      testID="bench"
      title={bench.title}
      full={wide}
      footer={of ? <TakeToCheck {...of} bench={bench} on={on} /> : undefined}
    >
      <Head of={of} />
      <Title>{bench.title}</Title>
      {bench.sections.length > 1 ? (
        <Choice
          label="What to work out"
          value={section.id}
          onChange={choose}
          options={bench.sections.map((s) => ({ value: s.id, title: s.short }))}
        />
      ) : null}
      <OneSection bench={bench} section={section} on={on} of={of} />
      <Quiet>
        The maker’s manual and the spec sheet go before anything reckoned here. Make the machine
        safe before you reach in.
      </Quiet>
    </Screen>
  );
}

/** The way back: to the check it came from, or to all of the bench. */
function Head({ of }: Pick<CalculatorProps, 'of'>) {
  if (!of)
    return (
      <HeadRow back={{ to: '/bench', title: 'Bench', label: 'Back to the bench' }}>
        <SyncLine />
      </HeadRow>
    );
  const { machine } = of.known.file;
  return (
    <HeadRow
      back={{
        to: `/walk/${machine.id}/${of.check.id}`,
        title: of.check.component,
        label: 'Back to the check',
      }}
    >
      <Quiet>{`${machine.model} · ${machine.serial}`}</Quiet>
      <SyncLine />
    </HeadRow>
  );
}

interface OneSectionProps {
  readonly bench: Bench;
  readonly section: Bench['sections'][number];
  readonly on: OnBench;
  /** undefined: opened by itself, of no check; what an example shows is nobody's */
  readonly of: OfCheck | undefined;
}

/** Drawing, figures and results: one below the other, or beside each other where there is room. */
function OneSection({ bench, section, on, of }: OneSectionProps) {
  const { texts, outcome, type } = on;
  const made = outcome.sections[section.id];
  const [headline, ...rest] = made?.results ?? [];
  const seen = (
    <Card>
      <Heading>{section.title}</Heading>
      <Quiet>{section.about}</Quiet>
      {bench.id === 'knives' ? null : (
        <Drawing bench={bench.id} section={section.id} outcome={outcome} />
      )}
      {made?.lacks ? (
        <>
          <Body testID="lacks" live>
            {made.lacks}
          </Body>
          {of ? null : (
            <Press small title="Show an example" testID="example" onPress={on.example} />
          )}
        </>
      ) : null}
      {headline ? <ResultLine result={headline} /> : null}
    </Card>
  );
  const entered = (
    <View style={styles.fields}>
      {section.fields.map((field) => {
        const about = bench.fields[field];
        return about ? (
          <FieldEntry
            key={field}
            id={field}
            field={about}
            text={texts[field] ?? ''}
            value={outcome.values[field]}
            trouble={outcome.troubles[field]}
            onText={(text) => type(field, text)}
          />
        ) : null;
      })}
    </View>
  );
  const others = rest.length ? (
    <Card>
      {rest.map((r) => (
        <ResultLine key={r.label} result={r} />
      ))}
    </Card>
  ) : null;
  const own = <Own bench={bench} section={section} on={on} of={of} />;
  const ends = <ShareOrClear link={on.link} clear={on.clear} />;
  if (!useWide())
    return (
      <>
        {seen}
        {own}
        {entered}
        {others}
        {ends}
      </>
    );
  return (
    <Columns
      left={
        <>
          {seen}
          {own}
          {others}
        </>
      }
      right={
        <>
          {entered}
          {ends}
        </>
      }
    />
  );
}

/** What one calculator has beside its figures: the rotor, the listening, the plan's way into work. */
function Own({ bench, section, on, of }: OneSectionProps) {
  const { texts, outcome, type } = on;
  const lacks = outcome.sections[section.id]?.lacks ?? '';
  if (bench.id === 'knives')
    return <KnivesCard texts={texts} outcome={outcome} lacks={lacks} type={type} of={of} />;
  if (bench.id === 'belt' && section.id === 'note')
    return (
      <ListenCard
        tone={outcome.values['note']}
        onNote={(text) => {
          type('tension', '');
          type('note', text);
        }}
      />
    );
  return of && section.id === 'takeUp' ? (
    <AddPlan {...of} plan={takeUpWork(texts, outcome)} />
  ) : null;
}

/** A link that shows somebody else the same; and back to the beginning. */
function ShareOrClear({ link, clear }: Pick<OnBench, 'link' | 'clear'>) {
  const [shown, setShown] = useState('');
  return (
    <>
      <Buttons>
        <Press
          small
          title="Link to this"
          testID="share bench"
          onPress={() => {
            setShown(link);
            void globalThis.navigator?.clipboard?.writeText(link).catch(() => undefined);
          }}
        />
        <Press small title="Start anew" testID="clear bench" onPress={clear} />
      </Buttons>
      {shown ? (
        <Card testID="bench link">
          <Quiet>Copied where this browser allows it. It holds the figures and nothing else:</Quiet>
          <Body>{shown}</Body>
        </Card>
      ) : null}
    </>
  );
}

const styles = StyleSheet.create({
  fields: { gap: SPACE.m },
});
