import type { FieldValues, UseFormReturn } from 'react-hook-form';

/**
 * Says of a form that an entry of it was kept: no longer something typed, which what others do must
 * leave alone. What was typed while it was being sent stays typed.
 */
export function kept<T extends FieldValues>(
  { getValues, reset }: Pick<UseFormReturn<T>, 'getValues' | 'reset'>,
  entry: T,
): void {
  const typed = getValues();
  reset(entry, { keepDirtyValues: false });
  if (Object.keys(typed).some((name) => typed[name] !== entry[name])) {
    reset({ ...typed }, { keepDirtyValues: false, keepDefaultValues: true });
  }
}
