import { useEffect, useRef } from 'react';
import { StyleSheet, TextInput, View } from 'react-native';
import { useHand } from './hand';
import { entersFocused, isTyped } from './keys';
import { Tap } from './Tap';
import { FONT, usePalette } from './theme';
import { ENTRY, RADIUS, SPACE, STROKE, TARGET } from './tokens';
import { Quiet, Strong } from './Words';

/** A key of the pad beside the digits. */
export interface PadKey {
  readonly title: string;
  readonly onPress: () => void;
  /** said by screen readers when the title alone does not tell */
  readonly label?: string;
  readonly disabled?: boolean;
}

interface PadProps {
  /** what is being entered: "reading 1 · Caliper C3 ±0.1" */
  readonly label: string;
  readonly labelID?: string;
  /** as typed so far */
  readonly text: string;
  readonly unit: string;
  /** units that can be typed in; one only: no unit key */
  readonly units: readonly string[];
  readonly onText: (text: string) => void;
  readonly onUnit: (unit: string) => void;
  /** what is wrong with what was typed; the typing stays */
  readonly trouble?: string | undefined;
  readonly onEnter?: () => void;
  /** takes the keyboard at once: where there is one */
  readonly autoFocus?: boolean;
  /** keys beside the digits, at most three */
  readonly extras?: readonly PadKey[];
}

/** The one digit layout: the same digits in the same places in every entry. */
const ROWS = [
  ['1', '2', '3'],
  ['4', '5', '6'],
  ['7', '8', '9'],
  ['.', '0', '⌫'],
] as const;
/** Fractions of the inch rule, one a row. */
const FRACTIONS = ['/32', '/16', '/8', '/4'] as const;

const SAID: Readonly<Record<string, string>> = { '⌫': 'delete', '.': 'decimal point' };

/**
 * What a key does to the text. A fraction key ends a numerator: "1 3" then /8 is 1 3/8; on an empty
 * pad it begins one of 1.
 * @example pressKey('1 3', '/8') // '1 3/8'
 */
export function pressKey(text: string, key: string): string {
  if (key === '⌫') return text.slice(0, -1);
  if (key.startsWith('/')) {
    if (/[./,]/.test(text)) return text;
    return text === '' || text.endsWith(' ') ? `${text}1${key}` : `${text}${key}`;
  }
  return text.length >= 20 ? text : text + key;
}

/**
 * The pad: digits, the inch rule's fractions while inches are typed, the unit; each key 56 px. The
 * keyboard types into it as well.
 */
export function Pad(props: PadProps) {
  const { text, unit, units, onText, onUnit, extras = [] } = props;
  const [hand] = useHand();
  const inches = unit === 'in';
  const other = units[(units.indexOf(unit) + 1) % units.length];
  const side: PadKey[] = [
    ...(other && other !== unit
      ? [
          {
            title: other === 'in' ? 'inch' : other,
            label: `unit is ${unit}, change`,
            onPress: () => onUnit(other),
          },
        ]
      : []),
    ...(inches ? [{ title: 'space', onPress: () => onText(pressKey(text, ' ')) }] : []),
    ...extras,
  ];
  const type = (key: string) => () => onText(pressKey(text, key));
  usePadKeys({
    ...props,
    inches,
    change: other && other !== unit ? () => onUnit(other) : undefined,
  });
  return (
    <View style={styles.pad}>
      <Typed {...props} />
      {ROWS.map((row, i) => {
        const fraction = inches ? FRACTIONS[i] : undefined;
        const beside = side[i];
        return (
          <View key={row[0]} style={[styles.row, hand === 'left' ? styles.forLeft : null]}>
            <View style={styles.digits}>
              {row.map((k) => (
                <Key key={k} title={k} label={SAID[k] ?? k} onPress={type(k)} />
              ))}
            </View>
            {fraction ? (
              <Key
                title={`1${fraction}`}
                label={`fraction 1${fraction}`}
                onPress={type(fraction)}
                soft
              />
            ) : null}
            {beside ? <Key {...beside} /> : <View style={[styles.key, styles.none]} />}
          </View>
        );
      })}
    </View>
  );
}

/** A key that ends what a wedge or a keyboard types, and those that are typed. */
const TYPED = /^[0-9.,]$/;

/**
 * Digits begin a reading wherever the focus is: from a keyboard, or from a caliper that types like
 * one and ends with Enter. `u` changes the unit.
 */
function usePadKeys({
  text,
  onText,
  onEnter,
  inches,
  change,
}: PadProps & { readonly inches: boolean; readonly change: (() => void) | undefined }): void {
  // keys of one moment come faster than the screen is drawn
  const now = useRef(text);
  useEffect(() => {
    now.current = text;
    const write = (event: KeyboardEvent, next: string) => {
      event.preventDefault();
      now.current = next;
      onText(next);
    };
    const onKey = (event: KeyboardEvent) => {
      if (isTyped(event) || entersFocused(event)) return;
      const { key } = event;
      const typed = now.current;
      if (inches && key === '/') write(event, `${typed}/`);
      else if (TYPED.test(key)) write(event, pressKey(typed, key));
      else if (key === 'Backspace') write(event, typed.slice(0, -1));
      else if (key === 'u') change?.();
      else if (key === 'Enter' && typed) onEnter?.();
    };
    globalThis.addEventListener?.('keydown', onKey);
    return () => globalThis.removeEventListener?.('keydown', onKey);
  });
}

/**
 * What was typed, in a text field of its own: keyboards and wedge scanners type into it, a phone
 * shows no second keyboard.
 */
function Typed({ label, labelID, text, unit, onText, trouble, onEnter, autoFocus }: PadProps) {
  const palette = usePalette();
  const field = useRef<TextInput>(null);
  useEffect(() => {
    if (autoFocus) field.current?.focus();
  }, [autoFocus]);
  return (
    <>
      <View
        style={[
          styles.typed,
          {
            borderColor: trouble ? palette.rust : palette.pine,
            backgroundColor: palette.card,
          },
        ]}
      >
        <Quiet style={styles.label} testID={labelID}>
          {label}
        </Quiet>
        <TextInput
          ref={field}
          testID="pad text"
          aria-label={`${label}, in ${unit}`}
          aria-invalid={Boolean(trouble)}
          aria-describedby={trouble ? 'pad-trouble' : undefined}
          value={text}
          onChangeText={onText}
          onSubmitEditing={() => onEnter?.()}
          submitBehavior="submit"
          inputMode="none"
          maxLength={24}
          placeholder="–"
          placeholderTextColor={palette.quiet}
          style={[styles.text, { color: palette.ink }]}
        />
        <Strong>{unit}</Strong>
      </View>
      {trouble ? (
        <View role="alert" nativeID="pad-trouble">
          <Strong tone="rust" testID="pad trouble">
            {trouble}
          </Strong>
        </View>
      ) : null}
    </>
  );
}

function Key({ title, label, onPress, disabled, soft = false }: PadKey & { soft?: boolean }) {
  const palette = usePalette();
  const fontSize = title.length > 2 ? ENTRY.small : soft ? ENTRY.text : ENTRY.key;
  return (
    <Tap
      label={label ?? title}
      testID={`key ${title}`}
      onPress={onPress}
      disabled={disabled ?? false}
      style={[
        styles.key,
        { borderColor: palette.line, backgroundColor: soft ? palette.pineTint : palette.card },
      ]}
    >
      <Strong style={[styles.keyText, { fontSize }]}>{title}</Strong>
    </Tap>
  );
}

const styles = StyleSheet.create({
  pad: { gap: SPACE.s },
  row: { flexDirection: 'row', gap: SPACE.s },
  forLeft: { flexDirection: 'row-reverse' },
  digits: { flex: 3, minWidth: 'auto', flexDirection: 'row', gap: SPACE.s },
  none: { borderColor: 'transparent' },
  typed: {
    borderWidth: STROKE.thick,
    borderRadius: RADIUS.m,
    paddingHorizontal: SPACE.m,
    minHeight: TARGET.glove,
    flexDirection: 'row',
    alignItems: 'center',
    gap: SPACE.s,
  },
  label: { flex: 1 },
  text: {
    fontFamily: FONT.bold,
    fontSize: ENTRY.typed,
    textAlign: 'right',
    flex: 1,
    minWidth: 110,
    minHeight: TARGET.glove,
    fontVariant: ['tabular-nums'],
  },
  key: {
    flex: 1,
    // as wide as its word where letters are large; the digits beside it give way
    minWidth: 'auto',
    minHeight: TARGET.glove,
    borderRadius: RADIUS.m,
    borderWidth: STROKE.thin,
    alignItems: 'center',
    justifyContent: 'center',
    paddingHorizontal: 2,
  },
  keyText: { fontFamily: FONT.bold, textAlign: 'center' },
});
