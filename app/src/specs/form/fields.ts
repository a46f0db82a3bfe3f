import { STATIONS, type Check, type SpecSheet } from '@green-tally/core/contracts';
import {
  choice,
  differing,
  lines,
  list,
  long,
  number,
  quantity,
  rows,
  text,
  ways,
  whole,
  yesNo,
  type FormField,
  type FormSection,
} from './field';
import { isMeasured, kindFieldsOf, takeUpFields } from './kindFields';
import { METHOD_OPTIONS } from './methods';
import { PART_LINE } from './partLine';

/** What a form needs to know of the sheet: what its checks may be fitted with. */
export type SheetChoices = Pick<SpecSheet, 'equipment' | 'schools'>;

/** The fields of a check's form under their headings, what is changed most often first. */
export const sectionsOf = (check: Check, sheet: SheetChoices): FormSection[] => [
  { title: 'What is right', fields: kindFieldsOf(check) },
  ...(takeUpFields(check).length
    ? [{ title: 'Its adjuster, where it has one', fields: takeUpFields(check) }]
    : []),
  { title: 'What and where', fields: placeFields(check) },
  { title: 'When', fields: [...intervalFields(check.interval), ...buildFields(sheet)] },
  { title: 'How it is taken', fields: HOW },
  { title: 'Work', fields: WORK },
  { title: 'What it goes with', fields: CONNECTED },
  { title: 'What differs', fields: DIFFERS },
];

/** All fields of a check's form. */
export const fieldsOf = (check: Check, sheet: SheetChoices): FormField[] =>
  sectionsOf(check, sheet).flatMap((s) => s.fields);

const STATION: FormField = {
  ...choice(
    'station',
    'Station',
    STATIONS.map((name, i) => [String(i + 1), `${i + 1} · ${name}`] as const),
  ),
  as: 'whole',
};

const placeFields = (check: Check): FormField[] => [
  text('component', 'Component'),
  text('measures', 'What is read'),
  STATION,
  list('places', 'Places'),
  text('position', 'How the machine must stand'),
  text('tool.name', 'Tool'),
  isMeasured(check)
    ? quantity('tool.resolution', 'Resolution of the tool')
    : number('tool.resolution', 'Resolution of the tool, where it has one'),
];

function intervalFields({ kind }: Check['interval']): FormField[] {
  return [
    choice('interval.kind', 'How often', [
      ['season', 'Before each harvest'],
      ['every', 'By hours or days'],
      ['daily', 'Daily'],
      ['perCrop', 'Per crop'],
      ['perHeader', 'Per header'],
      ['afterHarvest', 'After each harvest'],
      ['storageIn', 'Into storage'],
      ['storageOut', 'Out of storage'],
      ['once', 'Once, when new'],
    ]),
    ...(kind === 'every'
      ? [
          number('interval.hours', 'Every so many hours', true),
          whole('interval.days', 'Or so many days', true),
        ]
      : []),
    ...(kind === 'daily'
      ? [whole('interval.days', 'Only every so many days of the season', true)]
      : []),
    ...(kind === 'once' ? [number('interval.hours', 'Hours after it was new')] : []),
    ...(kind === 'every' || kind === 'season'
      ? [number('interval.early', 'First look after renewal, h', true)]
      : []),
  ];
}

const buildFields = ({ equipment, schools }: SheetChoices): FormField[] => [
  ...equipment.map((e) => ways(`when.${e.id}`, `${e.name}: only with`, e.options)),
  ...schools.map((s) => ways(`when.${s.id}`, `${s.subject}: only where it is`, s.options)),
  differing('fits', 'Only on machines: serials T100 to T199, or built from 2020'),
];

const HOW: readonly FormField[] = [
  choice('method', 'Drawing of the method', METHOD_OPTIONS),
  long('how', 'How'),
  long('why', 'Why'),
  rows('safety', 'Mind'),
  long('schools', 'Where people disagree'),
  text('source', 'Source: book, page'),
];

const WORK: readonly FormField[] = [
  number('labour.measure', 'Minutes to take it'),
  number('labour.adjust', 'Minutes to adjust'),
  number('labour.shorten', 'Minutes to take links out'),
  number('labour.turn', 'Minutes to turn'),
  number('labour.replace', 'Minutes to replace'),
  choice('labourPer', 'These minutes are', [
    ['check', 'for all places together'],
    ['place', 'for each place'],
  ]),
  text('labour.cover.name', 'What must be opened first', true),
  number('labour.cover.minutes', 'Minutes to open and close it', true),
  yesNo('guardsPeople', 'Somebody can be hurt when it fails: walked whatever the time'),
  yesNo('runsToSettle', 'Counts only after a run, looked at again'),
  text('ifLeft', 'What happens if left'),
  // what a stop in harvest takes; all three, or none and the shop rule of its class
  number('costs.stopHours', 'Hours it stops the machine in harvest', true),
  number('costs.collateral', 'What it breaks with it, money', true),
  number('costs.fieldMinutes', 'Minutes to renew it in the field', true),
];

const CONNECTED: readonly FormField[] = [
  lines('parts', `Parts, one a line: ${PART_LINE}`),
  lines('pairs', 'Renewed together with, one a line: check id | from so much worn, % | why'),
  lines('knockOns', 'Knock-ons, one a line: check id | why, or a task'),
  text('wearClass', 'Wears like: a name shared by components that wear alike', true),
];

const DIFFERS: readonly FormField[] = [
  differing(
    'perPlace',
    'What differs at one place, one a line: place | what = value; what = value',
  ),
  differing(
    'versions',
    'What differs on some machines, one a line: serials T1 to T99 | what = value',
  ),
];
