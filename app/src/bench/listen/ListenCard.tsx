import { useEffect, useRef, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import Svg, { Line, Path } from 'react-native-svg';
import {
  ENOUGH_PLUCKS,
  heardWords,
  PICTURE_STEP,
  PICTURE_TO,
  pluckedTogether,
  type Heard,
} from '@green-tally/core/note';
import { printNumber } from '@green-tally/core/units';
import { useAction } from '../../store';
import {
  Body,
  Buttons,
  Card,
  Heading,
  Notice,
  Press,
  Quiet,
  SPACE,
  Strong,
  usePalette,
} from '../../ui';
import { ChoosePress } from '../../ui/FilePress';
import { Label } from '../../schematics/dimensions';
import { openEar, openMicrophone, playTone, samplesOf, type Ear } from './ear';
import type { Next } from './moments';

interface ListenCardProps {
  /** what the tone of the speaker is to be, Hz */
  readonly tone: number | undefined;
  readonly onNote: (text: string) => void;
}

/** A note is believed from here on, and is the same within so much. */
const SURE = 0.5;
const SAME_WITHIN = 0.01;

/** The note, where it is believed, Hz. */
const sureOf = ({ note, clipped }: Heard): number | undefined =>
  note.heard && !clipped && note.confidence >= SURE ? note.frequency : undefined;

/** Pluck the span: its note by the microphone, or from a recording. Nothing of it leaves this device. */
export function ListenCard({ tone, onNote }: ListenCardProps) {
  const [heard, setHeard] = useState<Heard>();
  const [plucks, setPlucks] = useState<readonly number[]>([]);
  const [open, setOpen] = useState(false);
  const ear = useRef<Ear | undefined>(undefined);
  const close = useRef<(() => void) | undefined>(undefined);
  const stop = () => {
    close.current?.();
    close.current = undefined;
    setOpen(false);
  };
  useEffect(
    () => () => {
      close.current?.();
      ear.current?.end();
    },
    [],
  );
  const look = async (samples: Float32Array, rate: number): Promise<Heard> => {
    const found = await (ear.current ??= openEar()).listen(samples, rate);
    setHeard(found);
    return found;
  };
  const add = (frequency: number) => setPlucks((before) => [...before, frequency].slice(-5));
  // a pluck is in what is listened to several times: one that is heard once only was none
  const last = useRef(0);
  const hear = async (samples: Float32Array, rate: number): Promise<Next> => {
    const found = await look(samples, rate);
    const before = last.current;
    last.current = sureOf(found) ?? 0;
    if (found.clipped) return 'after';
    if (!last.current) return 'on';
    if (Math.abs(before / last.current - 1) > SAME_WITHIN) return 'again';
    add(last.current);
    last.current = 0;
    return 'after';
  };
  const listening = useAction(async () => {
    setHeard(undefined);
    close.current = (await openMicrophone(hear)).close;
    setOpen(true);
  });
  const reading = useAction(async (file: Blob) => {
    setHeard(undefined);
    const { samples, rate } = await samplesOf(file);
    const note = sureOf(await look(samples, rate));
    if (note !== undefined) add(note);
  });
  const sounding = useAction(async () => playTone(tone ?? 42));
  const together = pluckedTogether(plucks);
  const trouble = listening.trouble || reading.trouble || sounding.trouble;
  return (
    <Card testID="listen">
      <Heading>Listen for the note</Heading>
      <Quiet>
        Engine off, key out. Pluck the middle of the free span like a string, three times. The sound
        stays on this device.
      </Quiet>
      <Picture heard={heard} />
      {trouble ? <Notice tone="rust" title="Not heard" text={trouble} /> : null}
      {heard ? (
        <Body live testID="heard">
          {heardWords(heard)}
        </Body>
      ) : open ? (
        <Body live testID="heard">
          Listening. Pluck.
        </Body>
      ) : null}
      {together ? (
        <View style={styles.together} testID="plucks">
          <Strong>{plucks.map((f) => `${printNumber(f, 1)} Hz`).join(', ')}</Strong>
          <Body {...(together.agree ? {} : { tone: 'rust' as const })}>
            {togetherWords(plucks)}
          </Body>
        </View>
      ) : null}
      <Buttons>
        {open ? (
          <Press title="Stop" testID="stop listening" onPress={stop} />
        ) : (
          <Press
            fill="blue"
            title="Listen"
            testID="listen now"
            loading={listening.busy}
            onPress={() => void listening.run()}
          />
        )}
        <ChoosePress
          title="A recording"
          label="Recording of a pluck"
          testID="recording"
          accept="audio/*,.wav"
          busy={reading.busy}
          onChoose={(file) => void reading.run(file)}
        />
      </Buttons>
      {together ? (
        <Buttons>
          <Press small title="Forget these" testID="forget plucks" onPress={() => setPlucks([])} />
          <Press
            fill="pine"
            title={`Use ${printNumber(together.frequency, 1)} Hz`}
            testID="use note"
            onPress={() => {
              stop();
              onNote(printNumber(together.frequency, 1));
            }}
          />
        </Buttons>
      ) : null}
      <Press
        small
        title={`Sound ${printNumber(tone ?? 42, 1)} Hz, to try this device`}
        testID="sound tone"
        onPress={() => void sounding.run()}
      />
    </Card>
  );
}

/** Several plucks together, in words. */
function togetherWords(plucks: readonly number[]): string {
  const together = pluckedTogether(plucks);
  if (!together) return '';
  const { frequency, spread, enough, agree } = together;
  const middle = `Median ${printNumber(frequency, 1)} Hz, ${printNumber(spread, 1)} Hz apart.`;
  if (!agree) return `${middle} They do not agree: pluck the same span again, or forget these.`;
  return enough ? middle : `${middle} ${ENOUGH_PLUCKS - plucks.length} more to be sure.`;
}

const [WIDTH, HEIGHT] = [360, 130];

/** What is heard: how loud at each frequency. */
function Picture({ heard }: { heard: Heard | undefined }) {
  const palette = usePalette();
  const x = (f: number) => 10 + (340 * f) / PICTURE_TO;
  const y = (level: number) => 100 - 84 * level;
  const line = (heard?.picture ?? [])
    .map(
      (level, i) => `${i ? 'L' : 'M'} ${x(i * PICTURE_STEP + 1).toFixed(1)} ${y(level).toFixed(1)}`,
    )
    .join(' ');
  const note = heard?.note.heard ? heard.note.frequency : undefined;
  return (
    <View
      role="img"
      aria-label={
        heard
          ? `How loud it is from 0 to ${PICTURE_TO} Hz. ${heardWords(heard)}`
          : 'Nothing heard yet'
      }
      style={styles.picture}
    >
      <Svg width="100%" height="100%" viewBox={`0 0 ${WIDTH} ${HEIGHT}`} aria-hidden>
        {note === undefined ? null : (
          <Line x1={x(note)} x2={x(note)} y1={8} y2={100} stroke={palette.blue} strokeWidth={4} />
        )}
        <Line x1={10} x2={350} y1={100} y2={100} stroke={palette.ink} strokeWidth={2} />
        {line ? <Path d={line} stroke={palette.pine} strokeWidth={2.5} fill="none" /> : null}
        {[0, 50, 100, 150, 200].map((f) => (
          <Label
            key={f}
            x={x(f)}
            y={122}
            text={f ? `${f}` : '0 Hz'}
            anchor={f ? 'middle' : 'start'}
            palette={palette}
          />
        ))}
      </Svg>
    </View>
  );
}

const styles = StyleSheet.create({
  picture: { width: '100%', maxWidth: 520, alignSelf: 'center', aspectRatio: WIDTH / HEIGHT },
  together: { gap: SPACE.xs },
});
