import type { Check, SpecSheet } from '@green-tally/core/contracts';
import { printNumber, readsTo } from '@green-tally/core/units';
import { intervalWords } from '@green-tally/core/intervals';
import { printDiffers, printFit } from './form/differs';
import { capital } from './words';

/** What is told of a check in a word or two. */
export interface Fact {
  readonly label: string;
  readonly value: string;
}

/** The facts of a check that there are. */
export function factsOf(sheet: SpecSheet, check: Check): readonly Fact[] {
  const { cover } = check.labour;
  return [
    { label: 'Position', value: check.position },
    { label: 'Places', value: placesWords(check) },
    { label: 'Tool', value: toolWords(check) },
    { label: 'How often', value: capital(intervalWords(check.interval)) },
    { label: 'Labour', value: labourWords(check) },
    { label: 'Shares a cover', value: cover ? `${cover.name}, ${cover.minutes} min` : '' },
    { label: 'Only on', value: buildWords(sheet, check.when) },
    { label: 'Only on machines', value: check.fits ? capital(printFit(check.fits)) : '' },
    { label: 'Differs at', value: perPlaceWords(check) },
    { label: 'Differs on', value: versionWords(sheet, check) },
    { label: 'In harvest', value: stopWords(check) },
    { label: 'Parts', value: partsWords(check) },
  ].filter((fact) => fact.value !== '');
}

const perPlaceWords = (check: Check): string =>
  Object.entries(check.perPlace ?? {})
    .map(([place, differs]) => `${place}: ${plain(printDiffers(differs, check))}`)
    .join('\n');

const versionWords = (sheet: SpecSheet, check: Check): string =>
  (check.versions ?? [])
    .map(({ serials, built, when, ...differs }) => {
      const on = [printFit({ serials, built }), buildWords(sheet, when ?? {})].filter(Boolean);
      return `${capital(on.join(', '))}: ${plain(printDiffers(differs, check))}`;
    })
    .join('\n');

/** What differs as one reads it: "gauge length 60; gauge short 0". */
const plain = (written: string): string =>
  written.replace(/([\w.]+) = /g, (_, path: string) => `${path.replaceAll('.', ' ')} `);

function stopWords({ costs }: Check): string {
  if (!costs) return '';
  const broken = costs.collateral ? `, breaks ${printNumber(costs.collateral, 0)} with it` : '';
  return `stops it ${printNumber(costs.stopHours, 1)} h${broken}, ${printNumber(costs.fieldMinutes, 0)} min in the field`;
}

/** More places than this are told by their first and last. */
const FEW = 6;

const placesWords = ({ places }: Check): string =>
  places.length > FEW ? `${places.length}: ${places[0]} to ${places.at(-1)}` : places.join(', ');

function toolWords(check: Check): string {
  if (check.kind !== 'measure' && check.kind !== 'series') return check.tool.name;
  return `${check.tool.name}, ${readsTo(check.tool.resolution, check)}`;
}

function labourWords({ labour }: Check): string {
  const minutes = (value: number) => printNumber(value, 0);
  return [
    `${minutes(labour.measure)} min to take`,
    ...(labour.adjust ? [`${minutes(labour.adjust)} to adjust`] : []),
    ...(labour.replace ? [`${minutes(labour.replace)} to replace`] : []),
  ].join(', ');
}

/** With what it is there, each by its name: equipment, and the schools it belongs to. */
function buildWords({ equipment, schools }: SpecSheet, when: Check['when']): string {
  const choices = [...equipment, ...schools.map((s) => ({ ...s, name: s.subject }))];
  return Object.entries(when)
    .map(([id, options]) => {
      const choice = choices.find((c) => c.id === id);
      const names = options.map((o) => choice?.options.find((x) => x.id === o)?.name ?? o);
      return `${choice?.name ?? id}: ${names.join(' or ')}`;
    })
    .join('; ');
}

const partsWords = ({ parts }: Check): string =>
  parts.map((p) => `${p.number} ${p.name}${p.each > 1 ? ` × ${p.each}` : ''}`).join('; ');
