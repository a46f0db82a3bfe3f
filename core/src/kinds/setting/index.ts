import type { FieldTrouble, ReadingValue, SettingCheck } from '../../contracts';
import type { Kind } from '../kind';
import { judgeSetting } from './judge';

/** The option found, against the one the next crop or header wants. */
export const setting: Kind<'setting'> = {
  name: 'Setting',
  takes: ['setting'],
  wants: (check) => check.options.join(' / '),
  drawn: (check) => check.options.join(', '),
  admit: admitSetting,
  judge: judgeSetting,
};

function admitSetting({ component, options }: SettingCheck, value: ReadingValue): FieldTrouble[] {
  if (value.kind !== 'setting' || options.includes(value.option)) return [];
  const message = `"${value.option}" is no option of ${component}. Use one of: ${options.join(', ')}.`;
  return [{ field: 'value.option', message }];
}
