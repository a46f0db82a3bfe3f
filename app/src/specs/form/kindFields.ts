import {
  Feel,
  QUANTITY_UNITS,
  type Check,
  type CheckKind,
  type CheckOf,
  type MeasuredCheck,
} from '@green-tally/core/contracts';
import {
  choice,
  LEADS,
  lines,
  list,
  number,
  quantity,
  text,
  whole,
  yesNo,
  type FormField,
  type Named,
} from './field';

/** What a kind asks first; the compiler lists here what a new kind needs. */
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
    yesNo('setsItself', 'It sets itself: looked at, not adjusted'),
  ],
  feel: () => [
    list('good', `Right feels: ${Feel.options.join(', ')}`),
    yesNo('asksPlay', 'Up-and-down play is asked for too, and is wrong'),
  ],
  gonogo: () => [
    text('gauge', 'Gauge'),
    choice('good', 'A good part', [
      ['fits', 'lets it fit'],
      ['doesNotFit', 'does not let it fit'],
    ]),
    choice('otherwise', 'Otherwise', LEADS),
  ],
  count: () => [
    text('counted', 'What is counted'),
    whole('total', 'How many there are', true),
    whole('allowed', 'How many bad may wait'),
    choice('renew', 'A bad one is renewed', [
      ['each', 'alone'],
      ['opposite', 'with its opposite'],
      ['hangers', 'with its hanger and the opposite one'],
      ['set', 'with the whole set'],
    ]),
    whole('perHanger', 'How many hang on one hanger'),
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
    choice('asks', 'What is written down', [
      ['done', 'That it was done'],
      ['strokes', 'Strokes of the gun'],
      ['litres', 'Litres'],
    ]),
    number('amount', 'How much', true),
    number('most', 'Never more than', true),
    text('product', 'Product'),
  ],
};

export const kindFieldsOf = <K extends CheckKind>(check: CheckOf<K> & { kind: K }): FormField[] =>
  KIND_FIELDS[check.kind](check);

/** The adjuster of a chain; all empty: there is none. */
export const takeUpFields = (check: Check): FormField[] =>
  check.kind === 'mark' || check.kind === 'feel' || isMeasured(check)
    ? [
        number('takeUp.total', 'Slot of its adjuster, whole travel, mm', true),
        number('takeUp.reserve', 'Travel to keep in reserve, mm', true),
        number('takeUp.limitPercent', 'Elongation at which the chain is renewed, %', true),
        number('takeUp.pitch', 'Pitch of the chain, mm', true),
        whole('takeUp.loopPitches', 'Pitches of the whole loop', true),
        number('takeUp.strandsPerTravel', 'Chain taken in by 1 mm of travel, mm', true),
        number('takeUp.resolution', 'Travel can be read to, mm', true),
      ]
    : [];

export const isMeasured = (check: Check): check is MeasuredCheck =>
  check.kind === 'measure' || check.kind === 'series';

const QUANTITIES: Named = [
  ['length', 'Length'],
  ['force', 'Force'],
  ['pressure', 'Pressure'],
  ['torque', 'Torque'],
  ['frequency', 'Frequency'],
  ['rotation', 'Speed of a shaft'],
  ['voltage', 'Voltage'],
  ['angle', 'Angle'],
];

function measuredFields(check: MeasuredCheck, own: FormField[]): FormField[] {
  const { type } = check.limit;
  return [
    choice('limit.type', 'What limits it', [
      ['wear', 'It wears from new to a limit'],
      ['band', 'It must lie between two values'],
      ['elongation', 'A chain stretches'],
      ...(type === 'open' ? ([['open', 'Not entered yet']] as const) : []),
    ]),
    choice('quantity', 'What is measured', QUANTITIES),
    choice(
      'unit',
      'Written in',
      QUANTITY_UNITS[check.quantity].map((u) => [u, u] as const),
    ),
    ...(check.unit === 'in'
      ? [
          choice('style', 'Inches as', [
            ['inFraction', 'fractions'],
            ['inThou', 'thousandths'],
          ]),
        ]
      : []),
    ...limitFields(check.limit),
    quantity('maxDifference', 'Places may differ by', true),
    ...(type === 'band' ? DRIFT : [quantity('newTolerance', NEW_BETTER, true)]),
    quantity('plausible.low', 'Least that can be read at all', true),
    quantity('plausible.high', 'Most that can be read at all', true),
    ...own,
    whole('repeats', 'Repeats wanted'),
    yesNo('lookAlone', 'May be looked at only, which never passes'),
    ...(type === 'band' ? [] : WEAR_RATE),
  ];
}

const NEW_BETTER = 'A new part may be better than new by';
const DRIFT = [
  number('drift.perHour', 'How fast it leaves its band an hour, below 0 where it falls', true),
  number('drift.sd', 'And how much that differs, one standard deviation', true),
];
const WEAR_RATE = [
  number('wearRate.perHour', 'Expected wear a hour, share of the way to the limit', true),
  number('wearRate.sd', 'And how much that differs, one standard deviation', true),
  number('wearRate.atNew', 'Wear of a new one, share', true),
  number('wearRate.atNewSd', 'And how much new ones differ', true),
];

function limitFields(limit: MeasuredCheck['limit']): FormField[] {
  switch (limit.type) {
    case 'open':
      return limitFieldsOf(limit.wants).map((field) => ({ ...field, optional: true }));
    case 'wear':
    case 'elongation':
    case 'band':
      return limitFieldsOf(limit.type);
  }
}

function limitFieldsOf(form: 'wear' | 'elongation' | 'band'): FormField[] {
  switch (form) {
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
        quantity('limit.whenNew.low', 'Lowest of a new one until run in', true),
        quantity('limit.whenNew.high', 'Highest of a new one until run in', true),
        number('limit.whenNew.hours', 'Run in after, h', true),
      ];
  }
}
