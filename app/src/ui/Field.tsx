import { Input } from '@rneui/themed';
import { useState } from 'react';
import { Controller, type Control, type FieldValues, type Path } from 'react-hook-form';
import { FONT, usePalette } from './theme';

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
  hint,
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
      render={({ field, fieldState }) => (
        <Input
          label={label}
          aria-label={label}
          placeholder={hint ?? ''}
          placeholderTextColor={palette.quiet}
          value={field.value === undefined || field.value === null ? '' : String(field.value)}
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
          errorMessage={fieldState.error?.message ? `Wanted: ${fieldState.error.message}` : ''}
          renderErrorMessage={Boolean(fieldState.error)}
          containerStyle={{ paddingHorizontal: 0, gap: 4 }}
          inputContainerStyle={{
            borderWidth: focused ? 3 : 2,
            borderBottomWidth: focused ? 3 : 2,
            borderColor: fieldState.error ? palette.rust : focused ? palette.blue : palette.quiet,
            borderRadius: 12,
            minHeight: 52,
            paddingHorizontal: 12,
            backgroundColor: palette.card,
          }}
          inputStyle={{
            fontFamily: FONT.regular,
            fontSize: 18,
            color: palette.ink,
            outlineWidth: 0,
            ...(lines > 1 ? { minHeight: lines * 28, paddingVertical: 8 } : {}),
          }}
        />
      )}
    />
  );
}
