import { format } from 'date-fns/format';
import { StyleSheet, View } from 'react-native';
import { useState } from 'react';
import { AsFound, PositionFact, type Check, type PositionFacts } from '@green-tally/core/contracts';
import { SAFETY, type SafetyId, type Stand } from '@green-tally/core/stand';
import { FACT_WORDS, factWords, FOUND_AT, settingsToNote } from '@green-tally/core/walk';
import { useSession } from '../store';
import {
  Body,
  Card,
  Choice,
  Press,
  Quiet,
  RADIUS,
  SPACE,
  Strong,
  Tap,
  TickLine,
  TYPE,
  usePalette,
} from '../ui';

interface PositionBannerProps {
  readonly check: Check;
  /** the position fact by fact, where the sheet tells them */
  readonly facts?: PositionFacts | undefined;
  /** settings as they were found before, in this walk */
  readonly asFound: AsFound;
  /** how the machine stands, where that is how the check wants it */
  readonly stand: Stand | undefined;
  /** how it stands instead, or stood for another check */
  readonly stood: Stand | undefined;
  /** what has to be made safe first */
  readonly asked: readonly SafetyId[];
  /** with the settings that were found before it was moved */
  readonly onConfirm: (found: AsFound) => void;
  readonly onMoved: () => void;
  readonly busy: boolean;
}

/**
 * How the machine must stand: confirmed once for all checks read so, with what has to be made safe
 * at the change; void when it was moved. A reading in another position is void.
 */
export function PositionBanner(props: PositionBannerProps) {
  const { stand, onMoved } = props;
  const palette = usePalette();
  const { data: session } = useSession();
  if (!stand) return <SetLikeThis {...props} />;
  return (
    <View style={[styles.set, { backgroundColor: palette.pineTint }]} testID="position">
      <Quiet style={styles.words}>
        {`${stand.position} · ${standWords(stand, session?.person?.name)}`}
      </Quiet>
      <Tap
        label="The machine was moved: confirm the position again"
        onPress={onMoved}
        style={styles.moved}
      >
        <Strong tone="pine">moved?</Strong>
      </Tap>
    </View>
  );
}

/** "confirmed 09:12 by Tobin Vale"; by whom only where it was somebody else */
export const standWords = ({ at, by }: Stand, me?: string): string =>
  `confirmed ${format(new Date(at), 'HH:mm')}${by && by !== me ? ` by ${by}` : ''}`;

function SetLikeThis(props: PositionBannerProps) {
  const { check, facts, asFound, stood, asked: safety, onConfirm, busy } = props;
  const [found, setFound] = useState<AsFound>({});
  const [safe, setSafe] = useState<readonly string[]>([]);
  const lines = safety.flatMap((id) => SAFETY[id].lines.map((line) => ({ id, line })));
  const unsafe = lines.filter(({ line }) => !safe.includes(line)).length;
  const here = stood?.position === check.position;
  const asked = settingsToNote(facts, asFound);
  const unsaid = asked.filter((s) => found[s] === undefined);
  return (
    <Card edge="violet" fill="violetTint" testID="position">
      {asked.map((setting) => (
        <Choice
          key={setting}
          label={`${FACT_WORDS[setting].name}: how is it now? It is put back so.`}
          value={found[setting]}
          onChange={(value: string) => setFound(AsFound.parse({ ...found, [setting]: value }))}
          options={FOUND_AT[setting].map((value) => ({
            value,
            title: factWords(setting, value).replace(/^[^:]+: /, ''),
          }))}
        />
      ))}
      <Strong>{here ? 'Before this one' : 'Set the machine like this'}</Strong>
      <Body style={TYPE.said}>{`${check.position}.`}</Body>
      {facts ? <Quiet>{factsText(facts)}</Quiet> : null}
      {stood && !here ? (
        <Quiet>{`Until now: ${stood.position}, ${standWords(stood)}.`}</Quiet>
      ) : null}
      {check.safety.map((s) => (
        <Quiet key={s}>{s}</Quiet>
      ))}
      {safety.map((id) => (
        <View key={id} style={styles.safety} testID={`safety ${id}`}>
          <Strong>{SAFETY[id].title}</Strong>
          {SAFETY[id].lines.map((line, i) => (
            <TickLine
              key={line}
              line={line}
              testID={`safe ${id} ${i}`}
              on={safe.includes(line)}
              onPress={() =>
                setSafe(safe.includes(line) ? safe.filter((l) => l !== line) : [...safe, line])
              }
            />
          ))}
        </View>
      ))}
      <Press
        fill="pine"
        title={confirmTitle(unsaid[0], unsafe)}
        testID="confirm position"
        disabled={unsaid.length > 0 || unsafe > 0}
        loading={busy}
        onPress={() => onConfirm(found)}
      />
    </Card>
  );
}

function confirmTitle(unsaid: keyof AsFound | undefined, unsafe: number): string {
  if (unsaid) return `First say how the ${nameOf(unsaid)} was found`;
  if (unsafe)
    return unsafe === 1 ? 'Confirm the line above first' : `Confirm ${unsafe} lines first`;
  return 'It stands like this';
}

const nameOf = (setting: keyof AsFound): string => FACT_WORDS[setting].name.toLowerCase();

/** "Feeder level, on its lock · Conveyor drum low" */
const factsText = (facts: PositionFacts): string =>
  Object.entries(facts)
    .map(([fact, value]) => factWords(PositionFact.parse(fact), value))
    .join(' · ');

const styles = StyleSheet.create({
  set: {
    borderRadius: RADIUS.m,
    paddingHorizontal: SPACE.m,
    flexDirection: 'row',
    alignItems: 'center',
    gap: SPACE.s,
  },
  words: { flex: 1 },
  safety: { gap: SPACE.s },
  moved: { justifyContent: 'center', paddingHorizontal: SPACE.xs },
});
