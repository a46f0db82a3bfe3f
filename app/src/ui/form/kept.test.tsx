import { act, renderHook } from '@testing-library/react-native';
import { useForm } from 'react-hook-form';
import { kept } from './kept';

interface Entry {
  day: string;
  site: string;
}

/** A form that was opened, changed to the 17th and sent so. */
function sent() {
  const entry: Entry = { day: '17', site: 'bay' };
  const { result, rerender } = renderHook(
    (values: Entry) => {
      const form = useForm<Entry>({ values, resetOptions: { keepDirtyValues: true } });
      // dirtiness is only kept up for who asks
      return { ...form, dirty: form.formState.dirtyFields };
    },
    { initialProps: { day: '16', site: 'bay' } },
  );
  act(() => result.current.setValue('day', '17', { shouldDirty: true }));
  return { result, rerender, entry };
}

test('what was kept is typed no more: what others plan comes in', () => {
  const { result, rerender, entry } = sent();
  act(() => kept(result.current, entry));
  expect(result.current.dirty).toEqual({});
  rerender({ day: '18', site: 'bay' });
  expect(result.current.getValues()).toEqual({ day: '18', site: 'bay' });
});

test('what is typed while it is being sent stays, and what others plan comes in beside it', () => {
  const { result, rerender, entry } = sent();
  act(() => result.current.setValue('day', '22', { shouldDirty: true }));
  act(() => kept(result.current, entry));
  expect(result.current.getValues('day')).toBe('22');
  rerender({ day: '17', site: 'farm' });
  expect(result.current.getValues()).toEqual({ day: '22', site: 'farm' });
});
