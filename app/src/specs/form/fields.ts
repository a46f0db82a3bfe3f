import {
  Feel,
  takeUpOf,
  type Check,
  type CheckKind,
  type CheckOf,
  type MeasuredCheck,
} from '@green-tally/core/contracts';
import {
  choice,
  differing,
  LEADS,
  lines,
  list,
  long,
  number,
  quantity,
  text,
  whole,
  type FormField,
} from './field';

/** The fields of a check's form, what is changed most often first. */
export function fieldsOf(check: Check): FormField[] {
  const { interval } = check;
  const takeUp = takeUpOf(check)
    ? [
        number('takeUp.total', 'Slot, whole travel, mm'),
        number('takeUp.reserve', 'Travel to keep in reserve, mm'),
        number('takeUp.limitPercent', 'Elongation at which it is renewed, %'),
      ]
    : [];
  return [
    ...kindFieldsOf(check),
    ...takeUp,
    text('component', 'Component'),
    text('measures', 'What is read'),
    list('places', 'Places'),
    text('position', 'How the machine must stand'),
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
    ...(interval.kind === 'every'
      ? [
          number('interval.hours', 'Every so many hours', true),
          whole('interval.days', 'Or so many days', true),
        ]
      : []),
    ...(interval.kind === 'once' ? [number('interval.hours', 'Hours after it was new')] : []),
    ...(interval.kind === 'every' || interval.kind === 'season'
      ? [number('interval.early', 'First look after renewal, h', true)]
      : []),
    long('how', 'How'),
    long('why', 'Why'),
    text('ifLeft', 'What happens if left'),
    long('schools', 'Where people disagree'),
    number('labour.measure', 'Minutes to take it'),
    number('labour.adjust', 'Minutes to adjust'),
    number('labour.replace', 'Minutes to replace'),
    ...COSTS,
    lines('parts', 'Parts, one a line: number | name | how many | why its mates come along'),
    lines('knockOns', 'Knock-ons, one a line: check id | why, or a task'),
    differing(
      'perPlace',
      'What differs at one place, one a line: place | what = value; what = value',
    ),
    differing(
      'versions',
      'What differs on some machines, one a line: serials T1 to T99 | what = value',
    ),
    differing('fits', 'Only on machines: serials T100 to T199, or built from 2020'),
    text('wearClass', 'Wears like: a name shared by components that wear alike', true),
    text('source', 'Source: book, page'),
  ];
}

/** What a stop in harvest takes; all three, or none and the shop rule of its class. */
const COSTS = [
  number('costs.stopHours', 'Hours it stops the machine in harvest', true),
  number('costs.collateral', 'What it breaks with it, money', true),
  number('costs.fieldMinutes', 'Minutes to renew it in the field', true),
];

/** What each kind asks first; the compiler lists here what a new kind needs. */
const KIND_FIELDS: { readonly [K in CheckKind]: (check: CheckOf<K>) => FormField[] } = {
  measure: (check) => measuredFields(check, []),
  series: (check) => measuredFields(check, [quantity('outOfFamily', 'Step that is challenged')]),
  mark: () => [
    number('gauge.length', 'Gauge, mm'),
    number('gauge.short', 'Still fine short of it, mm'),
    number('gauge.past', 'Still fine past it, mm'),
    number('maxSideDifference', 'Sides may differ by, mm'),
    text('words.short', 'Seen when short'),
    text('words.at', 'Seen when right'),
    text('words.past', 'Seen when past'),
  ],
  feel: () => [list('good', `Right feels: ${Feel.options.join(', ')}`)],
  gonogo: () => [
    text('gauge', 'Gauge'),
    choice('good', 'A good part', [
      ['fits', 'lets it fit'],
      ['doesNotFit', 'does not let it fit'],
    ]),
    choice('otherwise', 'Otherwise', LEADS),
  ],
  count: () => [
    whole('total', 'How many there are'),
    whole('allowed', 'How many bad may wait'),
    choice('renew', 'A bad one is renewed', [
      ['each', 'alone'],
      ['opposite', 'with its opposite'],
      ['set', 'with the whole set'],
    ]),
    whole('turnFrom', 'Turned from so many worn on one edge', true),
  ],
  condition: () => [
    list('looksFor', 'Looked for'),
    choice('marked', 'When marked', [['watch', 'Watch'], ...LEADS]),
    choice('damaged', 'When damaged', LEADS),
  ],
  level: () => [
    text('eye', 'Read at'),
    text('product', 'Product'),
    list('colours', 'Colours that tell of trouble'),
  ],
  setting: () => [
    list('options', 'Options'),
    lines(
      'expected',
      'Wanted, one a line: crop | header | option | because (crop, header, because may be empty)',
    ),
  ],
  service: () => [
    number('amount', 'How much', true),
    number('most', 'Never more than', true),
    text('product', 'Product'),
  ],
};

const kindFieldsOf = <K extends CheckKind>(check: CheckOf<K> & { kind: K }): FormField[] =>
  KIND_FIELDS[check.kind](check);

function measuredFields(check: MeasuredCheck, own: FormField[]): FormField[] {
  return [
    ...limitFields(check.limit.type),
    quantity('maxDifference', 'Places may differ by', true),
    ...(check.limit.type === 'band'
      ? [
          number(
            'drift.perHour',
            'How fast it leaves its band an hour, below 0 where it falls',
            true,
          ),
          number('drift.sd', 'And how much that differs, one standard deviation', true),
        ]
      : [quantity('newTolerance', 'A new part may be better than new by', true)]),
    quantity('plausible.low', 'Least that can be read at all', true),
    quantity('plausible.high', 'Most that can be read at all', true),
    ...own,
    whole('repeats', 'Repeats wanted'),
    ...(check.wearRate
      ? [number('wearRate.perHour', 'Expected wear a hour, share of the way to the limit')]
      : []),
    text('tool.name', 'Tool'),
    quantity('tool.resolution', 'Resolution of the tool'),
  ];
}

function limitFields(type: MeasuredCheck['limit']['type']): FormField[] {
  switch (type) {
    case 'wear':
      return [quantity('limit.nominal', 'New'), quantity('limit.limit', 'Limit, at it is out')];
    case 'elongation':
      return [
        number('limit.pitch', 'Pitch, mm'),
        whole('limit.pitches', 'Pitches measured'),
        number('limit.limitPercent', 'Limit, %', true),
        whole('limit.largerSprocketTeeth', 'Teeth of the larger sprocket', true),
      ];
    case 'band':
      return [
        quantity('limit.low', 'Lowest', true),
        quantity('limit.nominal', 'Best', true),
        quantity('limit.high', 'Highest', true),
        choice('limit.below', 'When below', LEADS),
        choice('limit.above', 'When above', LEADS),
      ];
  }
}
