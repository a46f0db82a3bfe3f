import type { SettingCheck } from '../../contracts';
import { InputError } from '../../units';
import { NOT_MEASURED, shown, type MachineFacts, type Seen, type Shown } from '../kind';

/** One line of what a sheet expects of a setting. */
export type ExpectedOption = SettingCheck['expected'][number];

/**
 * The option a crop and header want: the line that names both goes before one that names either,
 * that before one that names none.
 */
export function expectedOption(
  check: SettingCheck,
  crop: string | undefined,
  header: string | undefined,
): ExpectedOption | undefined {
  return check.expected
    .filter((e) => suits(e.crop, crop) && suits(e.header, header))
    .sort((a, b) => weight(b) - weight(a))[0];
}

const suits = (named: string | undefined, there: string | undefined): boolean =>
  named === undefined || named.toLowerCase() === there?.toLowerCase();

const weight = ({ crop, header }: ExpectedOption): number =>
  (crop === undefined ? 0 : 2) + (header === undefined ? 0 : 1);

/**
 * The option found against the one the next crop and header want.
 * @throws InputError when the option is none of the check's
 */
export function judgeSetting(
  check: SettingCheck,
  { main }: Seen,
  { crop = 'this crop', ...facts }: MachineFacts,
): Shown {
  const { value } = main;
  if (value.kind !== 'setting') return shown([NOT_MEASURED]);
  const { option } = value;
  if (!check.options.includes(option))
    throw new InputError('option', option, `one of ${check.options.join(', ')}`);
  const wanted = expectedOption(check, crop, facts.header);
  const numbers = { option, crop };
  if (!wanted) return shown([{ id: 'settingNotGiven', numbers }]);
  if (wanted.option === option)
    return shown([{ id: 'inside', numbers: { shows: 'setting', ...numbers } }]);
  const because = wanted.because ?? '';
  return shown([{ id: 'settingDiffers', numbers: { ...numbers, wanted: wanted.option, because } }]);
}
