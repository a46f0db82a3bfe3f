import type { WalkKind } from '@green-tally/core/contracts';
import type { ClassPage, InsightOf, StandsOut } from '@green-tally/core/contracts/insight';
import { printHours, printNumber } from '@green-tally/core/units';
import { DIMENSIONS } from './asked';

/** "chopper-knives" → "Chopper knives" */
export function className(key: string): string {
  const words = key.replaceAll('-', ' ');
  return words.charAt(0).toUpperCase() + words.slice(1);
}

const LINES: Readonly<Record<ClassPage['line'], string>> = {
  wear: 'of the way to its limit',
  travel: 'of its take-up’s travel',
  drift: 'of its band, as it drifts',
};
/** What a rate is of. */
export const lineWords = (line: ClassPage['line']): string => LINES[line];

/** A rate as it is said: of the way to the limit in 100 h. */
export const rateWords = (perHour: number): string =>
  `${printNumber(100 * 100 * perHour, 1)}\u00a0%`;

/** By when a new part would have come to its limit at a rate; empty where it never does. */
export function untilWords(perHour: number): string {
  if (!(perHour > 0)) return '';
  const hours = 1 / perHour;
  return hours > FAR
    ? 'more than 20,000 h to the limit'
    : `about ${printHours(hours)} to the limit`;
}
const FAR = 20_000;

/** "31 % faster" */
export const apartWords = (share: number): string =>
  `${printNumber(Math.abs(100 * share), 0)} % ${share > 0 ? 'faster' : 'slower'}`;

/** What a group is called in a sentence. */
const IN: Readonly<Record<StandsOut['dimension'], (group: string) => string>> = {
  crop: (g) => `in ${g} than in the other crops`,
  model: (g) => `on the ${g} than on the other models`,
  customer: (g) => `at ${g} than at other customers`,
  branch: (g) => `at ${g} than at the other branches`,
};

/** "Chopper knives wear 58 % faster in maize than in the other crops." */
export const standsOutWords = ({ key, dimension, group }: StandsOut): string =>
  `${className(key)}: ${apartWords(group.apart.value)} ${IN[dimension](group.group)}`;

/** How sure that is, and by how many machines. */
export function sureWords({ group }: Pick<StandsOut, 'group'>): string {
  const { low, high } = group.apart;
  const [near, far] = [Math.abs(low), Math.abs(high)].sort((a, b) => a - b);
  // slower than standing still is not worn the other way
  const most = low < 0 ? Math.min(1, far ?? 0) : (far ?? 0);
  return `${printNumber(100 * (near ?? 0), 0)} to ${printNumber(100 * most, 0)} %, nine times of ten · ${machineWords(group.machines)}`;
}

export const machineWords = (n: number): string => `${n} ${n === 1 ? 'machine' : 'machines'}`;

const WALKS: Readonly<Record<WalkKind, string>> = {
  afterHarvest: 'After harvest',
  storageIn: 'Into storage',
  storageOut: 'Out of storage',
  winter: 'Winter',
  beforeHarvest: 'Before harvest',
  daily: 'Daily',
  changeover: 'Changeover',
  recheck: 'Recheck',
  symptom: 'After a symptom',
};
export const walkWords = (kind: WalkKind | null): string => (kind ? WALKS[kind] : 'Not said');

/** Which machines are looked at, in words. */
export function ofWords(of: InsightOf, machines: number): string {
  const said = DIMENSIONS.flatMap(({ value }) => of[value] ?? []);
  return `${machineWords(machines)}${said.length ? `: ${said.join(', ')}` : ''}`;
}
