import { useRouter } from 'expo-router';
import { useState, type ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import type { Standing, StandingWork } from '@green-tally/core/plan';
import { labourHours, takenHeavy, type ProposedWork, type WorkPart } from '@green-tally/core/work';
import type { Action } from '../store';
import {
  Card,
  DecisionBadge,
  Heading,
  Notice,
  Press,
  Quiet,
  Row,
  Rule,
  SPACE,
  Strong,
  TickLine,
} from '../ui';
import { SayWhy } from './SayWhy';
import { dayWords, weekdayWords } from '../yard/words';
import { labourText, partLine } from './partWords';

interface WorkItemsProps {
  readonly machineId: string;
  readonly standing: Standing;
  readonly accept: Action<[items: readonly ProposedWork[]]>;
  readonly withdraw: Action<[id: string]>;
  readonly leave: Action<[checkId: string, why: string]>;
  /** what was decided to be left, and why */
  readonly left: readonly { readonly name: string; readonly said: string }[];
}

/** What was decided and waits to be accepted, what is in work, and what has been put right. */
export function WorkItems({ machineId, standing, accept, withdraw, leave, left }: WorkItemsProps) {
  const { proposed, verdicts } = standing;
  const name: NameOf = (checkId) =>
    verdicts.find((v) => v.check.id === checkId)?.check.component ?? checkId;
  const open = standing.work.filter((w) => !w.done);
  const done = standing.work.filter((w) => w.done);
  return (
    <>
      <Proposed items={proposed} name={name} accept={accept} leave={leave} />
      <LeftAlone items={left} />
      <Accepted items={open} name={name} withdraw={withdraw} />
      {!proposed.length && !open.length ? (
        <NoWork machineId={machineId} unknown={standing.walkState === 'none'} />
      ) : null}
      {done.length ? (
        <Card>
          <Heading>Put right</Heading>
          {done.map((w) => (
            <Quiet key={w.id}>
              {`${name(w.checkId)}: ${w.decision}, closed by a reading that holds`}
            </Quiet>
          ))}
        </Card>
      ) : null}
    </>
  );
}

type NameOf = (checkId: string) => string;

interface ProposedProps extends Pick<WorkItemsProps, 'accept' | 'leave'> {
  readonly items: readonly ProposedWork[];
  readonly name: NameOf;
}

function Proposed({ items: proposed, name, accept, leave }: ProposedProps) {
  // numbers of standard parts, by check, for which the heavy one is taken
  const [heavy, setHeavy] = useState<Readonly<Record<string, readonly string[]>>>({});
  if (!proposed.length) return null;
  const items = proposed.map((p) => (heavy[p.checkId] ?? []).reduce(takenHeavy, p));
  const toggle = (checkId: string, number: string) => {
    const chosen = heavy[checkId] ?? [];
    const next = chosen.includes(number) ? chosen.filter((n) => n !== number) : [...chosen, number];
    setHeavy({ ...heavy, [checkId]: next });
  };
  return (
    <Card edge="pine" testID="proposed">
      <Heading>{`Decided, not yet accepted: ${items.length}`}</Heading>
      {items.map((p, i) => (
        <Item key={p.checkId} work={p} name={name(p.checkId)}>
          <HeavyParts
            parts={proposed[i]?.parts ?? []}
            taken={heavy[p.checkId] ?? []}
            onToggle={(number) => toggle(p.checkId, number)}
          />
          <Press
            title="Accept into work"
            label={`Accept into work: ${name(p.checkId)}`}
            disabled={accept.busy}
            onPress={() => void accept.run([p])}
            small
          />
          <SayWhy
            title="Leave it"
            asked={`Why ${name(p.checkId).toLowerCase()} is left`}
            name={name(p.checkId)}
            onSay={(why) => leave.run(p.checkId, why)}
          />
        </Item>
      ))}
      {items.length > 1 ? (
        <Press
          fill="pine"
          title={`Accept all ${items.length}`}
          testID="accept all"
          loading={accept.busy}
          onPress={() => void accept.run(items)}
        />
      ) : null}
    </Card>
  );
}

interface HeavyPartsProps {
  readonly parts: readonly WorkPart[];
  /** numbers of those that the heavy one is taken for */
  readonly taken: readonly string[];
  readonly onToggle: (number: string) => void;
}

/** Where a part has a heavy one beside it, the one who accepts the work chooses. */
function HeavyParts({ parts, taken, onToggle }: HeavyPartsProps) {
  const offered = parts.flatMap(({ number, name, heavy }) =>
    heavy ? [{ number, name, heavy }] : [],
  );
  if (!offered.length) return null;
  return (
    <>
      {offered.map(({ number, name, heavy }) => (
        <TickLine
          key={number}
          testID={`heavy ${number}`}
          line={`${heavy.name}, ${heavy.number}, in the place of ${name}${heavy.together ? `: all ${heavy.together} at once` : ''}`}
          about={heavy.because}
          on={taken.includes(number)}
          onPress={() => onToggle(number)}
        />
      ))}
    </>
  );
}

function LeftAlone({ items }: { items: WorkItemsProps['left'] }) {
  return items.length ? (
    <Card testID="left alone">
      <Heading>{`Left, by decision: ${items.length}`}</Heading>
      {items.map(({ name, said }) => (
        <View key={name}>
          <Strong>{name}</Strong>
          <Quiet>{said}</Quiet>
        </View>
      ))}
      <Quiet>A new reading asks anew.</Quiet>
    </Card>
  ) : null;
}

interface AcceptedProps extends Pick<WorkItemsProps, 'withdraw'> {
  readonly items: readonly StandingWork[];
  readonly name: NameOf;
}

function Accepted({ items, name, withdraw }: AcceptedProps) {
  if (!items.length) return null;
  return (
    <Card testID="accepted">
      <Heading>{`In work: ${items.length}`}</Heading>
      {items.map((w) => (
        <Item key={w.checkId} work={w} name={name(w.checkId)}>
          <Row apart>
            <Quiet style={styles.grows}>
              {`accepted by ${w.acceptedBy}, ${dayWords(w.acceptedAt.slice(0, 10))}${w.visit ? `; visit ${weekdayWords(w.visit.startsOn)}` : ''}`}
            </Quiet>
            <Press
              title="Withdraw"
              label={`Withdraw: ${name(w.checkId)}`}
              disabled={withdraw.busy}
              onPress={() => void withdraw.run(w.id)}
              small
            />
          </Row>
        </Item>
      ))}
    </Card>
  );
}

interface ItemProps {
  readonly work: ProposedWork;
  readonly name: string;
  readonly children: ReactNode;
}

function Item({ work, name, children }: ItemProps) {
  return (
    <View style={styles.item}>
      <Rule />
      <Row apart>
        <Strong style={styles.grows}>{name}</Strong>
        <DecisionBadge decision={work.decision} />
      </Row>
      <Quiet>{work.reason}</Quiet>
      <Quiet>{labourWords(work)}</Quiet>
      {children}
    </View>
  );
}

function labourWords(work: ProposedWork): string {
  const { places, cover, parts } = work;
  const labour = labourText(labourHours([work]));
  return [
    ...(places.length > 1 ? [`${places.length} places`] : []),
    ...(labour ? [`${labour}${cover ? ` with ${cover.name}` : ''}`] : []),
    ...(parts.length ? [parts.map(partLine).join(', ')] : []),
  ].join(' · ');
}

function NoWork({ machineId, unknown }: { machineId: string; unknown: boolean }) {
  const router = useRouter();
  return unknown ? (
    <Notice
      title="No work known"
      text="Nothing was measured this season: walk the machine first."
      action={{ title: 'Start the walk', onPress: () => router.push(`/walk/${machineId}`) }}
    />
  ) : (
    <Notice tone="pine" title="No work due" text="What was measured holds through this harvest." />
  );
}

const styles = StyleSheet.create({ item: { gap: SPACE.s }, grows: { flex: 1 } });
