import type { SheetInput } from './build';

type SchoolInput = NonNullable<SheetInput['schools']>[number];

/** Where good people disagree about a combine or a header: the ways, each with its reason. */
const SCHOOLS = {
  'conveyor-judged': {
    subject: 'How the conveyor chain is judged',
    options: {
      'spring-gauge': [
        'Spring against its gauge',
        'The spring holds its force only at its length, whatever the drum does.',
      ],
      'slat-in-window': [
        'Slat in the window',
        'What is seen in the window is the sag itself; springs tire.',
      ],
      'slat-at-floor': [
        'Third slat at the floor',
        'The slat that just touches carries crop without scraping.',
      ],
      'eye-bolt': [
        'Eye-bolt between its hash marks',
        'Two marks on the bolt can be read by everybody, with the drum where it is.',
      ],
    },
  },
  indicator: {
    subject: 'Spring indicators',
    options: {
      exact: ['Exactly at the end', 'A washer past the end is a spring that is worked too hard.'],
      past: [
        'A little past is fine',
        'It settles in the first hours; set exactly it soon stands short.',
      ],
    },
  },
  gap: {
    subject: 'Where a variable drive’s gap is read',
    options: {
      slowest: ['Drive at its slowest', 'There the belt is seated by the load it starts with.'],
      'far-sheave': ['Far sheave closed', 'A closed sheave is a stop that cannot be mistaken.'],
    },
  },
  drum: {
    subject: 'Drum height',
    options: {
      'by-crop': [
        'Low for small grain and stones, high for large ears',
        'Low it holds thin mats and lets stones be felt; high it lets ears through whole.',
      ],
      high: [
        'Always high, low in very light crops',
        'High it takes more; low it is only needed where there is hardly any crop.',
      ],
    },
  },
  'elevator-felt': {
    subject: 'How the elevator chain is felt',
    options: {
      feel: ['Slid by hand alone', 'What slides with effort and cannot be lifted off is right.'],
      play: [
        'Slid by hand, and no up-and-down play',
        'A worn sprocket lets a chain of the right tension hop.',
      ],
    },
  },
  'elevator-when': {
    subject: 'How often the elevator chain is felt',
    options: {
      hours: ['By hours', 'It stretches by the grain it carries, not by days.'],
      daily: ['Daily in harvest', 'A boot that packs overnight lifts it off in the morning.'],
    },
  },
  'gear-oil': {
    subject: 'When gear oil is changed',
    options: {
      season: ['Every season', 'Water gets in over winter, however few the hours.'],
      hours: ['By hours', 'Oil is worn by load; a small season does not spoil it.'],
    },
  },
  slats: {
    subject: 'A bent slat',
    options: {
      replace: [
        'Replace it',
        'A straightened slat bends again; stiffener rings keep the next one straight.',
      ],
      straighten: [
        'Straighten it and finish the harvest',
        'It is a spare, not a repair: a new one is ordered all the same.',
      ],
    },
  },
  knives: {
    subject: 'A lost chopper knife',
    options: {
      opposite: [
        'Renew what hangs beside and opposite, always',
        'It needs no scale, and it is right every time.',
      ],
      weigh: [
        'Weigh and place',
        'With a scale fewer good knives are thrown away and the rotor runs as smooth.',
      ],
    },
  },
  'grease-at': {
    subject: 'Where a variable drive is greased',
    options: {
      slowest: ['Drive at its slowest', 'The sleeve is bare there and takes the grease.'],
      fastest: ['Drive at its fastest', 'The hub is drawn over the sleeve and pulls grease in.'],
    },
  },
  grease: {
    subject: 'Grease',
    options: {
      count: ['By count at long intervals', 'What the book counts fills the space and no more.'],
      often: ['Little and often', 'Fresh grease pushes dust out every week.'],
    },
  },
  clutch: {
    subject: 'Slip clutch grease',
    options: {
      one: ['One stroke', 'What slips must slip dry; too much grease lets it go early.'],
      many: ['Many, never more than the book', 'A dry clutch rusts fast and no longer slips.'],
    },
  },
  'belt-judged': {
    subject: 'How a belt’s wear is judged',
    options: {
      width: ['Measure its width', 'A number can be compared with last year’s.'],
      gauge: ['Go-no-go gauge', 'A gauge says at once what a caliper is held wrong for.'],
    },
  },
} as const;

export type SchoolId = keyof typeof SCHOOLS;
export type WayOf<S extends SchoolId> = keyof (typeof SCHOOLS)[S]['options'] & string;
/** Which way a model's book follows, subject by subject. */
export type Follows = { readonly [S in SchoolId]?: WayOf<S> };

/** One way of a school: the condition its checks carry, and their ids. */
export interface Way<S extends SchoolId> {
  readonly way: WayOf<S>;
  readonly when: Record<string, string[]>;
  /** a check's id: its plain name for the way that the book follows */
  id(plain: string): string;
}

/** The ways of a school, the one that the book follows first. */
export function waysOf<S extends SchoolId>(school: S, follows: Follows): Way<S>[] {
  const chosen = chosenOf(school, follows);
  const all = Object.keys(SCHOOLS[school].options) as WayOf<S>[];
  return [chosen, ...all.filter((w) => w !== chosen)].map((way) => ({
    way,
    when: { [school]: [way] },
    id: (plain) => (way === chosen ? plain : `${plain}-${way}`),
  }));
}

function chosenOf<S extends SchoolId>(school: S, follows: Follows): WayOf<S> {
  const chosen = follows[school] as WayOf<S> | undefined;
  if (chosen === undefined) throw new Error(`this book follows no way of ${school}`);
  return chosen;
}

/** Work that brings a check again, by whichever way it is read. */
export const again = (school: SchoolId, follows: Follows, check: string, why: string) =>
  waysOf(school, follows).map((w) => ({ check: w.id(check), why }));

/** The schools of a sheet, in the order of the table. */
export const schoolsOf = (follows: Follows): SchoolInput[] =>
  (Object.keys(SCHOOLS) as SchoolId[]).flatMap((id) => {
    const chosen = follows[id];
    if (!chosen) return [];
    const { subject, options } = SCHOOLS[id];
    return [
      {
        id,
        subject,
        chosen,
        options: Object.entries<readonly [string, string]>(options).map(([way, [name, why]]) => ({
          id: way,
          name,
          why,
        })),
      },
    ];
  });

/** What differs by a school: as it is followed, and as it would be otherwise. */
export type Differing<D> = D & { versions: (D & { when: Record<string, string[]> })[] };

/** What a check has by a school: as the book follows it, and otherwise where another is chosen. */
export function differing<S extends SchoolId, T extends Readonly<Record<WayOf<S>, object>>>(
  school: S,
  follows: Follows,
  table: T,
): Differing<T[WayOf<S>]> {
  const [chosen, ...others] = waysOf(school, follows);
  if (!chosen) throw new Error(`no way of ${school}`);
  return {
    ...table[chosen.way],
    versions: others.map((w) => ({ when: w.when, ...table[w.way] })),
  };
}
