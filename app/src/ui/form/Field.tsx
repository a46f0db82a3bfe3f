import Input from '@rneui/themed/dist/Input';
import { useState } from 'react';
import { Controller, type Control, type FieldValues, type Path } from 'react-hook-form';
import { entryEdge, entryLook } from '../entryLook';
import { usePalette } from '../theme';

interface FieldProps<T extends FieldValues, O> {
  /** the form's; `O` is what it reads its entries into */
  readonly control: Control<T, unknown, O>;
  readonly name: Path<T>;
  readonly label: string;
  readonly secret?: boolean;
  readonly hint?: string;
  readonly keyboard?: 'default' | 'numeric';
  readonly autoComplete?: 'username' | 'current-password' | 'new-password' | 'off';
  readonly onSubmit?: () => void;
  /** more than one: room for several lines */
  readonly lines?: number;
}

/** One labelled entry of a form; its trouble is said below it and what was typed stays. */
export function Field<T extends FieldValues, O = T>({
  control,
  name,
  label,
  secret = false,
  hint = '',
  keyboard = 'default',
  autoComplete = 'off',
  onSubmit,
  lines = 1,
}: FieldProps<T, O>) {
  const palette = usePalette();
  const [focused, setFocused] = useState(false);
  return (
    <Controller
      control={control}
      name={name}
      render={({ field, fieldState: { error } }) => (
        <Input
          label={label}
          aria-label={label}
          aria-invalid={Boolean(error)}
          placeholder={hint}
          placeholderTextColor={palette.quiet}
          value={textOf(field.value)}
          onChangeText={field.onChange}
          onFocus={() => setFocused(true)}
          onBlur={() => {
            setFocused(false);
            field.onBlur();
          }}
          secureTextEntry={secret}
          keyboardType={keyboard}
          multiline={lines > 1}
          numberOfLines={lines}
          autoComplete={autoComplete}
          autoCapitalize="none"
          onSubmitEditing={() => onSubmit?.()}
          errorMessage={error?.message ? `Wanted: ${error.message}` : ''}
          renderErrorMessage={Boolean(error)}
          containerStyle={entryLook.container}
          inputContainerStyle={[
            entryLook.frame,
            focused ? entryLook.focused : null,
            {
              borderColor: entryEdge(palette, Boolean(error), focused),
              backgroundColor: palette.card,
            },
          ]}
          inputStyle={[
            entryLook.text,
            { color: palette.ink },
            lines > 1 ? { minHeight: lines * 28, paddingVertical: 8 } : null,
          ]}
        />
      )}
    />
  );
}

const textOf = (value: unknown): string =>
  value === undefined || value === null ? '' : String(value);
