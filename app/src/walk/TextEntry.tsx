import { Input } from '@rneui/themed';
import { useState } from 'react';
import { FONT, usePalette } from '../ui';

interface TextEntryProps {
  readonly label: string;
  readonly value: string;
  readonly onChange: (text: string) => void;
  readonly hint?: string;
  readonly numeric?: boolean;
}

/** A line of text outside a form; dictation friendly. */
export function TextEntry({ label, value, onChange, hint = '', numeric = false }: TextEntryProps) {
  const palette = usePalette();
  const [focused, setFocused] = useState(false);
  return (
    <Input
      label={label}
      aria-label={label}
      value={value}
      onChangeText={onChange}
      onFocus={() => setFocused(true)}
      onBlur={() => setFocused(false)}
      placeholder={hint}
      placeholderTextColor={palette.quiet}
      keyboardType={numeric ? 'decimal-pad' : 'default'}
      renderErrorMessage={false}
      maxLength={300}
      containerStyle={{ paddingHorizontal: 0, gap: 4 }}
      inputContainerStyle={{
        borderWidth: focused ? 3 : 2,
        borderBottomWidth: focused ? 3 : 2,
        borderColor: focused ? palette.blue : palette.quiet,
        borderRadius: 12,
        minHeight: 52,
        paddingHorizontal: 12,
        backgroundColor: palette.card,
      }}
      inputStyle={{ fontFamily: FONT.regular, fontSize: 18, color: palette.ink, outlineWidth: 0 }}
    />
  );
}
