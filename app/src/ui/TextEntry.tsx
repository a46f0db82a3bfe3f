import Input from '@rneui/themed/dist/Input';
import { useState, type RefObject } from 'react';
import { entryEdge, entryLook } from './entryLook';
import { usePalette } from './theme';

interface TextEntryProps {
  readonly label: string;
  readonly value: string;
  readonly onChange: (text: string) => void;
  readonly hint?: string;
  readonly numeric?: boolean;
  readonly secret?: boolean;
  readonly autoComplete?: 'username' | 'current-password' | 'new-password' | 'off';
  readonly onSubmit?: () => void;
  /** more than one: room for several lines */
  readonly lines?: number;
  /** by what a screen puts the focus here */
  readonly fieldRef?: RefObject<{ focus: () => void } | null>;
}

/** A line of text outside a form; dictation friendly. */
export function TextEntry({
  label,
  value,
  onChange,
  hint = '',
  numeric = false,
  secret = false,
  autoComplete,
  onSubmit,
  lines = 1,
  fieldRef,
}: TextEntryProps) {
  const palette = usePalette();
  const [focused, setFocused] = useState(false);
  return (
    <Input
      {...(fieldRef ? { ref: fieldRef as never } : {})}
      label={label}
      aria-label={label}
      value={value}
      onChangeText={onChange}
      onFocus={() => setFocused(true)}
      onBlur={() => setFocused(false)}
      placeholder={hint}
      placeholderTextColor={palette.quiet}
      keyboardType={numeric ? 'decimal-pad' : 'default'}
      secureTextEntry={secret}
      {...(autoComplete ? { autoComplete, autoCapitalize: 'none' as const } : {})}
      onSubmitEditing={() => onSubmit?.()}
      renderErrorMessage={false}
      multiline={lines > 1}
      numberOfLines={lines}
      maxLength={lines > 1 ? 20_000 : 300}
      containerStyle={entryLook.container}
      inputContainerStyle={[
        entryLook.frame,
        focused ? entryLook.focused : null,
        { borderColor: entryEdge(palette, false, focused), backgroundColor: palette.card },
      ]}
      inputStyle={[
        entryLook.text,
        { color: palette.ink },
        lines > 1 ? { minHeight: lines * 28, paddingVertical: 8 } : null,
      ]}
    />
  );
}
