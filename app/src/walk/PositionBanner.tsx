import { format } from 'date-fns/format';
import { StyleSheet, View } from 'react-native';
import { useState } from 'react';
import { AsFound, PositionFact, type Check, type PositionFacts } from '@green-tally/core/contracts';
import { FACT_WORDS, factWords, FOUND_AT, settingsToNote } from '@green-tally/core/walk';
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
  TYPE,
  usePalette,
} from '../ui';

interface PositionBannerProps {
  readonly check: Check;
  /** the position fact by fact, where the sheet tells them */
  readonly facts?: PositionFacts | undefined;
  /** settings as they were found before, in this walk */
  readonly asFound: AsFound;
  /** when it was confirmed, "" when not */
  readonly confirmedAt: string;
  /** with the settings that were found before it was moved */
  readonly onConfirm: (found: AsFound) => void;
  readonly onMoved: () => void;
}

/**
 * How the machine must stand: confirmed once, void when it was moved. A reading in another position
 * is void.
 */
export function PositionBanner(props: PositionBannerProps) {
  const { check, confirmedAt, onMoved } = props;
  const palette = usePalette();
  if (!confirmedAt) return <SetLikeThis {...props} />;
  return (
    <View style={[styles.set, { backgroundColor: palette.pineTint }]} testID="position">
      <Quiet style={styles.words}>
        {`${check.position} · confirmed ${format(new Date(confirmedAt), 'HH:mm')}`}
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

function SetLikeThis({ check, facts, asFound, onConfirm }: PositionBannerProps) {
  const [found, setFound] = useState<AsFound>({});
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
      <Strong>Set the machine like this</Strong>
      <Body style={TYPE.said}>{`${check.position}.`}</Body>
      {facts ? <Quiet>{factsText(facts)}</Quiet> : null}
      {check.safety.map((s) => (
        <Quiet key={s}>{s}</Quiet>
      ))}
      <Press
        fill="pine"
        title={
          unsaid[0] ? `First say how the ${nameOf(unsaid[0])} was found` : 'It stands like this'
        }
        testID="confirm position"
        disabled={unsaid.length > 0}
        onPress={() => onConfirm(found)}
      />
    </Card>
  );
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
  moved: { justifyContent: 'center', paddingHorizontal: SPACE.xs },
});
