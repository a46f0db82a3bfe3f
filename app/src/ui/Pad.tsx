import { TextInput, View } from 'react-native';
import { Tap } from './Tap';
import { FONT, usePalette } from './theme';
import { Quiet, Strong } from './Words';

interface PadProps {
  /** what is being entered: "reading 1 · Caliper C3 ±0.1" */
  readonly label: string;
  /** as typed so far */
  readonly text: string;
  readonly unit: string;
  /** units that can be typed in; one only: no unit key */
  readonly units: readonly string[];
  /** keys for the ruler's fractions */
  readonly fractions?: boolean;
  readonly onText: (text: string) => void;
  readonly onUnit: (unit: string) => void;
  /** what is wrong with what was typed; the typing stays */
  readonly trouble?: string | undefined;
  readonly onEnter?: () => void;
  /** takes the keyboard at once: where there is one */
  readonly autoFocus?: boolean;
  /** extra keys below the fractions, at most three */
  readonly extras?: readonly { readonly title: string; readonly onPress: () => void }[];
}

const ROWS = [
  ['1', '2', '3', '/32'],
  ['4', '5', '6', '/16'],
  ['7', '8', '9', '/8'],
  ['.', '0', '⌫', '/4'],
] as const;

/**
 * What a key does to the text. A fraction key ends a numerator: "1 3" then /8 is 1 3/8; on an empty pad it begins one of 1.
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

/** The pad: digits, the ruler's fractions, unit; each key 56 px. The keyboard types into it as well. */
export function Pad({
  label,
  text,
  unit,
  units,
  fractions = true,
  onText,
  onUnit,
  trouble,
  onEnter,
  autoFocus = false,
  extras = [],
}: PadProps) {
  const palette = usePalette();
  const key = (name: string, title: string, onPress: () => void, soft = false) => (
    <Tap
      key={name}
      label={name}
      onPress={onPress}
      testID={`key ${title}`}
      style={{
        flex: 1,
        minHeight: 56,
        borderRadius: 12,
        borderWidth: 2,
        borderColor: palette.line,
        backgroundColor: soft ? palette.pineTint : palette.card,
        alignItems: 'center',
        justifyContent: 'center',
        paddingHorizontal: 2,
      }}
    >
      <Strong
        style={{
          fontFamily: FONT.bold,
          fontSize: title.length > 3 ? 16 : soft ? 18 : 24,
          textAlign: 'center',
        }}
      >
        {title}
      </Strong>
    </Tap>
  );
  const other = units[(units.indexOf(unit) + 1) % units.length];
  const unitTitle = other === 'in' ? 'inch' : (other ?? unit);
  const side = [
    ...(other && other !== unit ? [{ title: unitTitle, onPress: () => onUnit(other) }] : []),
    ...(fractions ? [{ title: 'space', onPress: () => onText(pressKey(text, ' ')) }] : []),
    ...extras,
  ].slice(0, 4);
  const names: Readonly<Record<string, string>> = {
    '⌫': 'delete',
    '.': 'decimal point',
    [unitTitle]: `unit is ${unit}, change`,
  };
  return (
    <View style={{ gap: 8 }}>
      <View
        style={{
          borderWidth: 3,
          borderColor: trouble ? palette.rust : palette.pine,
          borderRadius: 14,
          backgroundColor: palette.card,
          paddingHorizontal: 14,
          minHeight: 60,
          flexDirection: 'row',
          alignItems: 'center',
          gap: 8,
        }}
      >
        <Quiet style={{ flex: 1 }}>{label}</Quiet>
        <TextInput
          testID="pad text"
          aria-label={`${label}, in ${unit}`}
          value={text}
          onChangeText={onText}
          onSubmitEditing={() => onEnter?.()}
          submitBehavior="submit"
          inputMode="none"
          autoFocus={autoFocus}
          maxLength={24}
          placeholder="–"
          placeholderTextColor={palette.quiet}
          style={{
            fontFamily: FONT.bold,
            fontSize: 34,
            color: palette.ink,
            textAlign: 'right',
            flex: 1,
            minWidth: 110,
            minHeight: 52,
            fontVariant: ['tabular-nums'],
          }}
        />
        <Strong>{unit}</Strong>
      </View>
      {trouble ? (
        <View role="alert">
          <Strong tone="rust" testID="pad trouble">
            {trouble}
          </Strong>
        </View>
      ) : null}
      {ROWS.map((row, i) => (
        <View key={row[0]} style={{ flexDirection: 'row', gap: 8 }}>
          {row
            .filter((k) => fractions || !k.startsWith('/'))
            .map((k) =>
              key(
                k.startsWith('/') ? `fraction 1${k}` : (names[k] ?? k),
                k.startsWith('/') ? `1${k}` : k,
                () => onText(pressKey(text, k)),
                k.startsWith('/'),
              ),
            )}
          {side[i] ? (
            key(names[side[i].title] ?? side[i].title, side[i].title, side[i].onPress)
          ) : (
            <View style={{ flex: 1 }} />
          )}
        </View>
      ))}
    </View>
  );
}
