import { View } from 'react-native';
import { Row } from './Card';
import { Tap } from './Tap';
import { usePalette } from './theme';
import { Quiet, Strong } from './Words';

interface ChoiceProps<T extends string> {
  readonly label: string;
  readonly options: readonly {
    readonly value: T;
    readonly title: string;
    readonly text?: string;
  }[];
  readonly value: T | undefined;
  readonly onChange: (value: T) => void;
  /** one below the other, with a line of text each */
  readonly tall?: boolean;
}

/** One of a few: each a target of its own, chosen one filled with a stroke before it. */
export function Choice<T extends string>({
  label,
  options,
  value,
  onChange,
  tall = false,
}: ChoiceProps<T>) {
  const palette = usePalette();
  const List = tall ? View : Row;
  return (
    <View role="radiogroup" aria-label={label} style={{ gap: 8 }}>
      <Strong>{label}</Strong>
      <List style={tall ? { gap: 8 } : { gap: 8 }}>
        {options.map((option) => {
          const chosen = option.value === value;
          return (
            <Tap
              key={option.value}
              role="radio"
              selected={chosen}
              label={option.text ? `${option.title}: ${option.text}` : option.title}
              onPress={() => onChange(option.value)}
              style={{
                minHeight: 56,
                borderRadius: 14,
                borderWidth: chosen ? 4 : 2,
                borderColor: chosen ? palette.pine : palette.line,
                backgroundColor: chosen ? palette.pineTint : palette.card,
                paddingHorizontal: 14,
                paddingVertical: 8,
                justifyContent: 'center',
                flexGrow: tall ? 0 : 1,
              }}
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
