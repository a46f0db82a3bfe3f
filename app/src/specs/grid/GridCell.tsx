import { useEffect, useRef, useState } from 'react';
import { StyleSheet, TextInput, View, type TextStyle } from 'react-native';
import { FONT, Quiet, RADIUS, SPACE, STROKE, Strong, TARGET, usePalette } from '../../ui';

export interface GridCellProps {
  /** what it is of and what it says, for a screen reader */
  readonly name: string;
  readonly value: string;
  readonly onChange: (text: string) => void;
  readonly trouble: string;
  /** what it says: above it where it stands alone, in it while it is empty */
  readonly asked: string;
  /** said above it on a phone; in a table its column says it */
  readonly labelled?: boolean;
  readonly maxLength?: number;
  /** to the same column so many rows on; whether there is one */
  readonly onStep: (by: number) => boolean;
  /** a block of cells was pasted here; whether it was taken */
  readonly onBlock: (text: string) => boolean;
  readonly register: (input: TextInput | null) => void;
}

/**
 * One cell of a table that is filled in. Enter and the arrows up and down go to the same column of
 * the next row that has it; a block pasted from a spreadsheet fills the cells from here on.
 */
export function GridCell({ name, asked, labelled = false, trouble, ...cell }: GridCellProps) {
  const palette = usePalette();
  const [focused, setFocused] = useState(false);
  const hostRef = useHeard(cell);
  return (
    <View style={labelled ? styles.labelled : null}>
      {labelled ? <Quiet>{asked}</Quiet> : null}
      <TextInput
        ref={(input) => {
          hostRef.current = input;
          cell.register(input);
        }}
        aria-label={name}
        aria-invalid={Boolean(trouble)}
        value={cell.value}
        onChangeText={cell.onChange}
        onFocus={() => setFocused(true)}
        onBlur={() => setFocused(false)}
        placeholder={labelled ? '' : asked}
        placeholderTextColor={palette.quiet}
        maxLength={cell.maxLength ?? 120}
        style={[
          styles.cell as TextStyle,
          { color: palette.ink, backgroundColor: palette.card },
          { borderColor: trouble ? palette.rust : focused ? palette.pine : palette.line },
        ]}
      />
      {trouble ? (
        <View role="alert">
          <Strong tone="rust">{trouble}</Strong>
        </View>
      ) : null}
    </View>
  );
}

/**
 * Hears keys and pasted blocks at the element itself, on the web, where sheets are written: the
 * input passes neither on.
 */
function useHeard(cell: Pick<GridCellProps, 'onStep' | 'onBlock'>) {
  const hostRef = useRef<unknown>(null);
  const latest = useRef(cell);
  useEffect(() => {
    latest.current = cell;
  });
  useEffect(() => {
    const element = hostRef.current;
    if (typeof HTMLElement === 'undefined' || !(element instanceof HTMLElement)) return undefined;
    const onKey = (event: KeyboardEvent) => {
      const by = STEPS[event.key];
      if (by === undefined || event.isComposing || !latest.current.onStep(by)) return;
      event.preventDefault();
      // the input would lose the focus that was just given away
      event.stopPropagation();
    };
    const onPaste = (event: ClipboardEvent) => {
      const text = event.clipboardData?.getData('text') ?? '';
      if (/[\t\n]/.test(text.trim()) && latest.current.onBlock(text)) event.preventDefault();
    };
    element.addEventListener('keydown', onKey);
    element.addEventListener('paste', onPaste);
    return () => {
      element.removeEventListener('keydown', onKey);
      element.removeEventListener('paste', onPaste);
    };
  }, []);
  return hostRef;
}

const STEPS: Readonly<Record<string, number>> = { Enter: 1, ArrowDown: 1, ArrowUp: -1 };

const styles = StyleSheet.create({
  labelled: { flexGrow: 1, flexBasis: '45%', minWidth: 130, gap: SPACE.xs },
  cell: {
    minHeight: TARGET.desk,
    borderWidth: STROKE.thin,
    borderRadius: RADIUS.s,
    paddingHorizontal: SPACE.s,
    fontFamily: FONT.regular,
    fontSize: 17,
    width: '100%',
  },
});
