import { useRef } from 'react';
import { StyleSheet, View } from 'react-native';
import { Row } from './Card';
import { Tap, type KeyPressed } from './Tap';
import { usePalette } from './theme';
import { RADIUS, SPACE, STROKE, TARGET } from './tokens';
import { Quiet, Strong } from './Words';

interface Option<T extends string> {
  readonly value: T;
  readonly title: string;
  readonly text?: string;
}

interface ChoiceProps<T extends string> {
  readonly label: string;
  readonly options: readonly Option<T>[];
  readonly value: T | undefined;
  readonly onChange: (value: T) => void;
  /** one below the other, with a line of text each */
  readonly tall?: boolean;
}

/**
 * One of a few: each a target of its own, chosen one filled with a stroke before it. Arrow keys go
 * from one to the next.
 */
export function Choice<T extends string>({
  label,
  options,
  value,
  onChange,
  tall = false,
}: ChoiceProps<T>) {
  const palette = usePalette();
  const targets = useRef<(View | null)[]>([]);
  const List = tall ? View : Row;
  const at = options.findIndex((o) => o.value === value);
  const step = (by: number) => {
    const next = (Math.max(at, 0) + by + options.length) % options.length;
    const option = options[next];
    if (!option) return;
    onChange(option.value);
    targets.current[next]?.focus();
  };
  // heard where there is a keyboard
  const keys: object = {
    onKeyDown: (event: KeyPressed) => {
      const by = STEPS[event.key];
      if (by === undefined) return;
      event.preventDefault();
      step(by);
    },
  };
  return (
    <View role="radiogroup" aria-label={label} style={styles.group} {...keys}>
      <Strong>{label}</Strong>
      <List style={styles.group}>
        {options.map((option, i) => {
          const chosen = option.value === value;
          return (
            <Tap
              key={option.value}
              ref={(target) => void (targets.current[i] = target)}
              role="radio"
              selected={chosen}
              tabIndex={chosen || (at < 0 && i === 0) ? 0 : -1}
              label={option.text ? `${option.title}: ${option.text}` : option.title}
              onPress={() => onChange(option.value)}
              style={[
                styles.option,
                tall ? null : styles.beside,
                chosen ? styles.chosen : null,
                {
                  borderColor: chosen ? palette.pine : palette.line,
                  backgroundColor: chosen ? palette.pineTint : palette.card,
                },
              ]}
            >
              <Strong>{option.title}</Strong>
              {option.text ? <Quiet>{option.text}</Quiet> : null}
            </Tap>
          );
        })}
      </List>
    </View>
  );
}

const STEPS: Readonly<Record<string, number>> = {
  ArrowDown: 1,
  ArrowRight: 1,
  ArrowUp: -1,
  ArrowLeft: -1,
};

const styles = StyleSheet.create({
  group: { gap: SPACE.s },
  option: {
    minHeight: TARGET.glove,
    borderRadius: RADIUS.m,
    borderWidth: STROKE.thin,
    paddingHorizontal: SPACE.m,
    paddingVertical: SPACE.s,
    justifyContent: 'center',
  },
  beside: { flexGrow: 1 },
  chosen: { borderWidth: STROKE.chosen },
});
