import { ARCHIVE_LISTS, type Column } from '@green-tally/core/archive';
import { BOOK_COLUMNS, type BookKind } from '@green-tally/core/contracts/books';
import type { Format } from '@green-tally/core/contracts/archive';
import { COLUMNS } from '../walks/columns';

const field = (name: string, kind: string, about: string) => ({ name, kind, about });

/** What a column of the readings file holds. */
const READING_COLUMNS: Readonly<Record<string, string>> = {
  id: 'of the reading; empty: it gets one. A file brought in twice stores each id once',
  machine: 'serial',
  check: 'id of the check, as its sheet has it',
  place: 'where on the machine, as its check has it',
  quantity: 'measure, mark, travel, feel, knives … by the check’s kind; skip; strike',
  value: 'as it was read; several of a measure with spaces between',
  unit: 'mm, in, N, Hz …: of the value',
  taken_at: 'a moment, with its zone',
  hours: 'separator hours then',
  state: 'as found, or as left after work',
  by: 'who read it',
  position_confirmed: 'yes where the machine stood as the check wants',
  renewed: 'yes where a new part was fitted',
  repaired: 'yes where it was put right',
  crop: 'that was threshed',
  header: 'serial of the header that was on',
  settled: 'yes where it had run in',
  links_out: 'links taken out of a chain',
  strikes: 'id of the reading that this one strikes',
  walk: 'id of the walk',
  tool: 'name ±resolution, mm',
  note: 'anything',
};

const readings: Format = {
  name: 'Readings',
  about: 'All readings of the branch, one value a row. What goes out comes back in the same.',
  ...{ goes: 'both', file: 'green-tally-readings.csv' },
  fields: COLUMNS.map((c) =>
    field(
      c.replace('*', ''),
      c.endsWith('*') ? 'must be there' : 'may be left out',
      READING_COLUMNS[c.replace('*', '')] ?? '',
    ),
  ),
  example:
    'machine,check,place,quantity,value,unit,taken_at,hours,state,by\nA1001,fan-drive-belt,belt,measure,37.1,mm,2026-06-09T08:00:00.000Z,820,as found,Ada Reed',
};

const BOOKS: Readonly<Record<BookKind, string>> = {
  customers: 'Whom machines belong to.',
  machines: 'Combines on the books, with this season’s harvest.',
  headers: 'Headers, on a machine or not.',
  people: 'Who works here. Goes in only: passwords do not come out.',
};

const book = ([kind, columns]: [string, (typeof BOOK_COLUMNS)[BookKind]]): Format => ({
  name: `List of ${kind}`,
  about: BOOKS[kind as BookKind],
  ...{ goes: kind === 'people' ? 'in' : 'both', file: `${kind}.csv` },
  fields: columns.map((c) =>
    field(c.name, c.required ? 'must be there' : 'may be left out', c.holds),
  ),
  example: [columns.map((c) => c.name), columns.map((c) => c.example)]
    .map((line) => line.join(','))
    .join('\n'),
});

const OTHERS: readonly Format[] = [
  {
    name: 'Spec sheet',
    about:
      'A sheet as one file, JSON or YAML: its checks with their limits, tools, parts, minutes.',
    ...{ goes: 'both', file: '<model>.json' },
    fields: [
      field('model', 'must be there', 'as machines name it'),
      field('revision', 'a whole number', 'the next one is given when it is published'),
      field(
        'checks',
        'a list',
        'each with id, kind, places, method, limit, tool; the page of each sheet has its JSON Schema',
      ),
    ],
    example: '{"model":"My combine","revision":1,"checks":[{"id":"fan-belt","kind":"measure", …}]}',
  },
  {
    name: 'Fleet snapshot',
    about:
      'Hours of machines as a fleet service reports them, JSON or XML in the style of ISO 15143-3.',
    ...{ goes: 'in', file: 'snapshot.json or snapshot.xml' },
    fields: [
      field('EquipmentHeader.SerialNumber', 'must be there', 'serial of the machine'),
      field('CumulativeOperatingHours', 'hours and moment', 'of the engine'),
      field(
        'CumulativeSeparatorHours',
        'hours and moment',
        'of the separator; these are the books’',
      ),
    ],
    example:
      '{"Equipment":[{"EquipmentHeader":{"SerialNumber":"A1001"},"CumulativeOperatingHours":{"Hour":1240.5,"datetime":"2026-06-09T06:00:00Z"}}]}',
  },
  {
    name: 'Parts, prices, stock',
    about: 'Prices, suppliers and counts by part number; the names are the sheets’.',
    ...{ goes: 'both', file: 'green-tally-catalogue.csv' },
    fields: [
      field('number', 'must be there', 'of the part'),
      field('price', 'in figures', 'in the branch’s currency'),
      field('supplier', 'a name', 'as it stands under suppliers; empty leaves what is there'),
      field('on_hand', 'a whole number', 'on this branch’s shelf'),
    ],
    example: 'number,price,supplier,on_hand\nLM-5207,310,,2',
  },
  {
    name: 'Insight',
    about: 'What wears out where, as tables: classes, their groups, machines, walks, forecasts.',
    ...{ goes: 'out', file: 'green-tally-classes.csv and others' },
    fields: [
      field('wear_per_100h', 'per cent', 'of the way to the limit in 100 hours, with low and high'),
      field('median_life_h', 'hours', 'by which half were renewed'),
    ],
    example:
      'class,wear_per_100h,wear_low,wear_high,machines,lives\nfan-drive-belt,36.5,29.6,43,16,24',
  },
  {
    name: 'Calendar of visits',
    about: 'Visits as iCalendar, once or as a feed that a calendar asks for.',
    ...{ goes: 'out', file: 'green-tally-plan.ics' },
    fields: [field('DTSTART, DTEND, SUMMARY', 'iCalendar', 'when, and which machine')],
    example: 'BEGIN:VEVENT\nSUMMARY:A1001 Mill Farm\nDTSTART;VALUE=DATE:20260616\nEND:VEVENT',
  },
];

const EXAMPLES: Readonly<Record<Column['kind'], unknown>> = {
  ...{ id: '0197a000-0000-7000-8000-000000000001', text: 'text', int: 1, number: 1.5 },
  ...{ flag: true, day: '2026-06-09', moment: '2026-06-09T05:10:00.000000Z', json: {} },
};
const KINDS: Readonly<Record<Column['kind'], string>> = {
  ...{
    id: 'an id',
    text: 'text',
    int: 'a whole number',
    number: 'a number',
    flag: 'true or false',
  },
  ...{ day: 'a day', moment: 'a moment, UTC', json: 'JSON, as its schema says' },
};

const lists: readonly Format[] = ARCHIVE_LISTS.map(({ name, about, columns }) => ({
  ...{ name: `Archive: ${name}`, about, goes: 'both', file: `data/${name}.jsonl` },
  fields: columns.map((c) =>
    field(c.name, KINDS[c.kind], c.optional ? 'null where there is none' : ''),
  ),
  example: JSON.stringify(Object.fromEntries(columns.map((c) => [c.name, EXAMPLES[c.kind]]))),
}));

/** Every format that goes in or out. */
export const FORMATS: readonly Format[] = [
  readings,
  ...Object.entries(BOOK_COLUMNS).map(book),
  ...OTHERS,
  ...lists,
];
