import { useRef, useState } from 'react';
import { StyleSheet, TextInput, View } from 'react-native';
import { factorOf, type BenchField } from '@green-tally/core/bench';
import { printNumber } from '@green-tally/core/units';
import {
  Body,
  FONT,
  Press,
  Quiet,
  RADIUS,
  SPACE,
  Strong,
  STROKE,
  Tap,
  TARGET,
  usePalette,
} from '../ui';

interface FieldEntryProps {
  readonly id: string;
  readonly field: BenchField;
  readonly text: string;
  /** its value, in the core's own unit, where it can be read */
  readonly value: number | undefined;
  readonly trouble: string | undefined;
  readonly onText: (text: string) => void;
}

/** So many pixels dragged are one step. */
const PX_A_STEP = 6;

/** One figure of a bench: typed, or dragged by its name. */
export function FieldEntry({ id, field, text, value, trouble, onText }: FieldEntryProps) {
  const palette = usePalette();
  const [focused, setFocused] = useState(false);
  const [choosing, setChoosing] = useState(false);
  const from = useRef<{ x: number; value: number } | undefined>(undefined);
  const own = value === undefined ? undefined : value / factorOf(field);
  const put = (next: number) => {
    const { low, high, step } = field;
    const kept = Math.min(high, Math.max(low, next));
    onText(printNumber(Math.round(kept / step) * step, 4));
  };
  const move = (steps: number) => put((own ?? middleOf(field)) + steps * field.step);
  const drag: object = {
    onPointerDown: (e: PointerEvent) => {
      from.current = { x: e.clientX, value: own ?? middleOf(field) };
      (e.currentTarget as HTMLElement).setPointerCapture?.(e.pointerId);
    },
    onPointerMove: (e: PointerEvent) => {
      const start = from.current;
      if (!start) return;
      const steps = Math.round((e.clientX - start.x) / PX_A_STEP);
      if (steps) put(start.value + steps * field.step);
    },
    onPointerUp: () => (from.current = undefined),
    onPointerCancel: () => (from.current = undefined),
    onKeyDown: (e: KeyboardEvent) => {
      const steps = { ArrowRight: 1, ArrowUp: 1, ArrowLeft: -1, ArrowDown: -1 }[e.key];
      if (!steps) return;
      e.preventDefault();
      move(e.shiftKey ? 10 * steps : steps);
    },
  };
  return (
    <View style={styles.entry} testID={`field ${id}`}>
      <View style={styles.row}>
        <View
          {...drag}
          role="slider"
          tabIndex={0}
          aria-label={`${field.label}: drag, or arrow keys`}
          aria-valuenow={own ?? field.low}
          aria-valuemin={field.low}
          aria-valuemax={field.high}
          aria-valuetext={`${text || 'empty'} ${field.unit}`}
          style={[styles.name, touch, { borderColor: palette.line, backgroundColor: palette.tray }]}
        >
          <Strong>{field.label}</Strong>
          <Quiet>{`↔ ${field.symbol}`}</Quiet>
        </View>
        <View
          style={[
            styles.frame,
            {
              borderColor: trouble ? palette.rust : focused ? palette.blue : palette.quiet,
              backgroundColor: palette.card,
            },
          ]}
        >
          <TextInput
            aria-label={field.unit ? `${field.label}, ${field.unit}` : field.label}
            aria-invalid={trouble !== undefined}
            value={text}
            onChangeText={onText}
            onFocus={() => setFocused(true)}
            onBlur={() => setFocused(false)}
            inputMode={field.whole ? 'numeric' : 'decimal'}
            maxLength={40}
            placeholder={field.usual ? `as ${field.usual}` : ''}
            placeholderTextColor={palette.quiet}
            style={[styles.input, { color: palette.ink }]}
          />
          <Quiet>{field.unit}</Quiet>
        </View>
        {field.offers ? (
          <Tap
            label={`Choose for ${field.label}`}
            expanded={choosing}
            onPress={() => setChoosing(!choosing)}
            style={[styles.offer, { borderColor: palette.line, backgroundColor: palette.card }]}
          >
            <Strong>{choosing ? '▴' : '▾'}</Strong>
          </Tap>
        ) : null}
      </View>
      <Below trouble={trouble} hint={field.hint} />
      {choosing ? (
        <View style={styles.offers}>
          {field.offers?.map((offer) => (
            <Press
              key={offer.title}
              small
              title={`${offer.title} · ${offer.text}`}
              onPress={() => {
                onText(offer.text);
                setChoosing(false);
              }}
            />
          ))}
        </View>
      ) : null}
    </View>
  );
}

/** What is wrong with it, or else what helps to enter it. */
function Below({ trouble, hint }: { trouble: string | undefined; hint: string | undefined }) {
  if (trouble)
    return (
      <Body tone="rust" live>
        {trouble}
      </Body>
    );
  return hint ? <Quiet>{hint}</Quiet> : null;
}

/** Where dragging begins while nothing is entered. */
const middleOf = ({ usual, low, high }: BenchField): number =>
  Number(usual) || Math.min(high, Math.max(low, low * 10));

/** The page scrolls by a finger that goes up or down on it, and not by one that goes sideways. */
const touch: object = { touchAction: 'pan-y', cursor: 'ew-resize', userSelect: 'none' };

const styles = StyleSheet.create({
  entry: { gap: SPACE.xs },
  row: { flexDirection: 'row', alignItems: 'stretch', gap: SPACE.s },
  name: {
    flex: 1,
    minHeight: TARGET.glove,
    borderWidth: STROKE.thin,
    borderRadius: RADIUS.m,
    paddingHorizontal: SPACE.m,
    paddingVertical: SPACE.xs,
    justifyContent: 'center',
  },
  frame: {
    width: 148,
    flexDirection: 'row',
    alignItems: 'center',
    borderWidth: STROKE.thin,
    borderRadius: RADIUS.m,
    paddingHorizontal: SPACE.s,
    gap: SPACE.xs,
  },
  input: {
    flex: 1,
    minWidth: 0,
    minHeight: TARGET.glove - 2 * STROKE.thin,
    fontFamily: FONT.semi,
    fontSize: 20,
    outlineWidth: 0,
  },
  offer: {
    width: TARGET.glove,
    minHeight: TARGET.glove,
    borderWidth: STROKE.thin,
    borderRadius: RADIUS.m,
    alignItems: 'center',
    justifyContent: 'center',
  },
  offers: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.xs },
});
