import type { FindingNumbers, Sentences, SettingNumbers } from '../../findings';

export const SETTING_SENTENCES = {
  settingDiffers: (n) =>
    `Set to ${n.option}; ${n.crop} wants ${n.wanted}${n.because ? `: ${n.because}` : ''}.`,
  settingNotGiven: (n) =>
    `Set to ${n.option}; the sheet says nothing for ${n.crop}. See the maker's manual.`,
} as const satisfies Partial<Sentences<keyof FindingNumbers>>;

export const insideSetting = ({ option, crop }: SettingNumbers): string =>
  `Set to ${option}, as ${crop} wants.`;
