import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import {
  caseText,
  DIFFICULTIES,
  KINDS,
  MACHINE_KINDS,
  TRAPS,
  type CaseSpec,
  type MachineKind,
  type Trap,
} from '@green-tally/core/practice';
import {
  Body,
  Buttons,
  Card,
  Chip,
  Choice,
  HeadRow,
  Heading,
  Press,
  Quiet,
  Row,
  Screen,
  SPACE,
  Strong,
  Title,
} from '../ui';
import { Stepper } from '../ui/Stepper';
import { SyncLine } from '../session/SyncLine';
import { dayWords } from '../yard/words';
import type { Score } from './usePractice';
import { DIFFICULTY_WORDS, TRAP_WORDS } from './words';

interface StartProps {
  readonly scores: readonly Score[];
  readonly onBegin: (spec: CaseSpec) => void;
}

/** What is practised on, how hard, and a case of one's own for others. */
export function Start({ scores, onBegin }: StartProps) {
  const [kind, setKind] = useState<MachineKind>('rotary');
  const [difficulty, setDifficulty] = useState<CaseSpec['difficulty']>('first');
  const [own, setOwn] = useState(false);
  const [traps, setTraps] = useState<readonly Trap[]>([]);
  const [days, setDays] = useState(2);
  const [hours, setHours] = useState(4);
  const [link, setLink] = useState('');
  const spec = (): CaseSpec => ({
    ...{
      seed: Math.floor(Math.random() * 1_000_000),
      kind,
      difficulty,
      days: Math.max(1, days),
      hours: Math.max(2, hours),
    },
    ...(own ? { traps: [...traps] } : {}),
  });
  const share = () => {
    const made = `${globalThis.location?.origin ?? ''}/practice?case=${caseText(spec())}`;
    setLink(made);
    void globalThis.navigator?.clipboard?.writeText(made).catch(() => undefined);
  };
  return (
    <Screen testID="practice" title="Practice">
      <HeadRow back={{ to: '/more', title: 'More', label: 'Back to all settings' }}>
        <SyncLine />
      </HeadRow>
      <Title>Practice</Title>
      <Body>
        A machine whose true wear is hidden. Measure it, decide, plan the work; then see what was
        right, what was missed and what it would have cost. Nothing of it is real and nothing is
        sent.
      </Body>
      <Choice
        label="Machine"
        value={kind}
        onChange={setKind}
        options={MACHINE_KINDS.map((value) => ({ value, title: KINDS[value].title }))}
      />
      <Choice
        label="How hard"
        value={difficulty}
        onChange={setDifficulty}
        tall
        options={DIFFICULTIES.map((value) => ({ value, ...DIFFICULTY_WORDS[value] }))}
      />
      <Press fill="pine" title="Begin" testID="begin practice" onPress={() => onBegin(spec())} />
      <Card testID="own case">
        <Heading>A case of your own, for others</Heading>
        <Quiet>
          Choose what lies in wait and how long there is for the work; the link brings the same
          machine to everybody.
        </Quiet>
        <Chip
          title="Choose the traps myself"
          on={own}
          onPress={() => setOwn(!own)}
          testID="own traps"
        />
        {own ? (
          <Row gap={SPACE.s}>
            {TRAPS.map((trap) => (
              <Chip
                key={trap}
                title={TRAP_WORDS[trap]}
                on={traps.includes(trap)}
                onPress={() =>
                  setTraps(
                    traps.includes(trap) ? traps.filter((t) => t !== trap) : [...traps, trap],
                  )
                }
              />
            ))}
          </Row>
        ) : null}
        <Stepper
          label="Days for the work"
          value={days}
          onChange={(n) => setDays(Math.max(1, n))}
          max={3}
        />
        <Stepper
          label="Hours a day"
          value={hours}
          onChange={(n) => setHours(Math.max(2, n))}
          max={10}
        />
        <Buttons>
          <Press small title="Link to this case" testID="share case" onPress={share} />
        </Buttons>
        {link ? <Body testID="case link">{link}</Body> : null}
      </Card>
      <Scores scores={scores} />
    </Screen>
  );
}

/** Earlier tries on this device, newest first. */
function Scores({ scores }: { scores: readonly Score[] }) {
  if (!scores.length) return null;
  const best = Math.max(...scores.map((s) => s.score));
  return (
    <Card testID="scores">
      <Heading>{`Your tries: best ${best} of 100`}</Heading>
      {scores.map((s) => (
        <View key={s.at} style={styles.score}>
          <Strong>{`${s.score}`}</Strong>
          <Quiet>
            {`${KINDS[s.kind].title}, ${DIFFICULTY_WORDS[s.difficulty].title.toLowerCase()}, ${dayWords(s.at.slice(0, 10))}, ${s.fell === 0 ? 'no trap' : s.fell === 1 ? '1 trap' : `${s.fell} traps`}`}
          </Quiet>
        </View>
      ))}
    </Card>
  );
}

const styles = StyleSheet.create({
  score: { flexDirection: 'row', gap: SPACE.m, alignItems: 'baseline' },
});
