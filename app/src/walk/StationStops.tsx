import { useState, type ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import type { CheckVerdict } from '@green-tally/core/verdict';
import type { WalkStop } from '@green-tally/core/walk';
import {
  Body,
  Card,
  DecisionBadge,
  FONT,
  Glyph,
  Go,
  Heading,
  Quiet,
  Row,
  SPACE,
  Strong,
  Tap,
  usePalette,
  useWide,
} from '../ui';

interface StationStopsProps {
  readonly id: string;
  readonly title: string;
  readonly machineId: string;
  readonly walkId: string;
  readonly verdicts: readonly CheckVerdict[];
  /** of one station, or of one position of the machine, in the order of the walk */
  readonly stops: readonly WalkStop[];
  /** who else read a check in this walk, by its id */
  readonly others: ReadonlyMap<string, string>;
  /** id of the check that is next */
  readonly next: string | undefined;
  /** what is searched for, in small letters */
  readonly wanted: string;
  /** it opens and closes */
  readonly folds: boolean;
  /** what stands under its checks while it is open */
  readonly below: ReactNode;
}

/**
 * One part of the walk: folded to its count, or open to its checks. The one with the next check
 * stands open by itself.
 */
export function StationStops(props: StationStopsProps) {
  const { id, title, stops, next, wanted, folds, below, ...about } = props;
  const [toggled, setToggled] = useState(false);
  const found = stops.filter(({ check }) =>
    `${check.id} ${check.component} ${check.measures} ${check.stationName}`
      .toLowerCase()
      .includes(wanted),
  );
  if (!found.length) return null;
  const left = stops.filter((s) => s.state !== 'done').length;
  const openByItself =
    !folds || wanted !== '' || stops.some((s) => s.check.id === next || s.state === 'again');
  const open = toggled !== openByItself;
  const count = `${stops.length - left} of ${stops.length}`;
  const head = (
    <Row apart>
      <Heading style={styles.name}>{title}</Heading>
      <Strong tone={left ? 'quiet' : 'pine'}>{`${count}${open ? '' : ' ›'}`}</Strong>
    </Row>
  );
  return (
    <View style={styles.station}>
      {folds ? (
        <Tap
          testID={`station ${id}`}
          label={`${title}, ${count} done`}
          expanded={open}
          onPress={() => setToggled(!toggled)}
          style={styles.head}
        >
          {head}
        </Tap>
      ) : (
        <View testID={`station ${id}`}>{head}</View>
      )}
      {open
        ? found.map((stop) => (
            <Stop key={stop.check.id} stop={stop} isNext={stop.check.id === next} {...about} />
          ))
        : null}
      {open && !wanted ? below : null}
    </View>
  );
}

const STATE_WORDS: Readonly<Record<WalkStop['state'], string>> = {
  due: 'to do',
  begun: 'begun',
  done: 'done',
  again: 'look again',
};

interface StopProps extends Pick<
  StationStopsProps,
  'machineId' | 'walkId' | 'verdicts' | 'others'
> {
  readonly stop: WalkStop;
  readonly isNext: boolean;
}

function Stop({ stop, isNext, machineId, walkId, verdicts, others }: StopProps) {
  const palette = usePalette();
  const wide = useWide();
  const { check, state, because } = stop;
  const verdict = verdicts.find((v) => v.check.id === check.id);
  const judged = state !== 'begun' && verdict?.places.some((p) => p.round === walkId);
  const edge = isNext ? 'pine' : 'line';
  const other = others.get(check.id);
  return (
    <Go
      testID={`stop ${check.id}`}
      to={`/walk/${machineId}/${check.id}`}
      label={`${check.component}, ${STATE_WORDS[state]}${other ? `, read by ${other}` : ''}`}
    >
      <Card edge={state === 'again' ? 'violet' : edge}>
        <View style={styles.stop}>
          <View style={styles.name}>
            <Strong style={styles.bold}>{check.component}</Strong>
            <Quiet>{other ? `${check.measures} · read by ${other}` : check.measures}</Quiet>
          </View>
          {wide ? <Quiet style={styles.position}>{check.position}</Quiet> : null}
          {judged && verdict ? (
            <DecisionBadge decision={verdict.decision} />
          ) : (
            <Strong tone={state === 'due' ? 'quiet' : 'ink'}>{STATE_WORDS[state]}</Strong>
          )}
        </View>
        {because ? (
          <Row>
            <Glyph decision="remeasure" color={palette.violet} size={20} />
            <Body style={styles.name}>
              {`Look again: ${because.component.toLowerCase()} was worked on, ${because.why}.`}
            </Body>
          </Row>
        ) : null}
      </Card>
    </Go>
  );
}

const styles = StyleSheet.create({
  station: { gap: SPACE.s },
  head: { justifyContent: 'center' },
  stop: { flexDirection: 'row', alignItems: 'center', gap: SPACE.m },
  name: { flex: 1 },
  position: { flex: 1 },
  bold: { fontFamily: FONT.bold },
});
