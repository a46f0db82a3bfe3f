import { differenceInCalendarDays } from 'date-fns';
import type {
  ConditionCheck,
  Day,
  GoNoGoCheck,
  LevelCheck,
  ReadingValue,
  ServiceCheck,
  SettingCheck,
} from '../contracts';
import { InputError } from '../units';
import type { Finding, FindingId } from './precedence';

type Value<K extends ReadingValue['kind']> = Extract<ReadingValue, { kind: K }>;

/** A profile gauge says good, or what the sheet has done then. */
export function judgeGauge(check: GoNoGoCheck, value: Value<'gonogo'>): Finding {
  const numbers = { gauge: check.gauge, fits: value.fits ? 1 : 0 };
  if (value.fits === (check.good === 'fits')) return { id: 'inside', numbers };
  return {
    id: { replace: 'gaugeOut', adjust: 'gaugeOff', turn: 'gaugeTurn' }[
      check.otherwise
    ] as FindingId,
    numbers,
  };
}

/** What was seen: sound, marked or damaged, and what the sheet has done then. */
export function judgeCondition(check: ConditionCheck, value: Value<'condition'>): Finding {
  const numbers = {
    grade: value.grade,
    found: [...value.seen, ...(value.found ? [value.found] : [])].join(', '),
  };
  if (value.grade === 'sound') return { id: 'inside', numbers };
  const lead = value.grade === 'marked' ? check.marked : check.damaged;
  return {
    id: ({ watch: 'marked', adjust: 'putRight', turn: 'edgeSpent', replace: 'damaged' } as const)[
      lead
    ],
    numbers,
  };
}

/** A level at its eye, and the colour where it tells of trouble: bad colour is changed whatever the level. */
export function judgeLevel(check: LevelCheck, value: Value<'level'>): Finding[] {
  const numbers = {
    level: value.level,
    eye: check.eye,
    product: check.product,
    colour: value.colour,
  };
  const bad = check.colours.some((c) => c.toLowerCase() === value.colour.toLowerCase());
  const findings: Finding[] = bad ? [{ id: 'fluidBad', numbers }] : [];
  if (value.level !== 'right')
    findings.push({ id: value.level === 'low' ? 'levelLow' : 'levelHigh', numbers });
  return findings.length ? findings : [{ id: 'inside', numbers }];
}

/** The option a crop and header want: the line that names both goes before one that names either, that before one that names none. */
export function expectedOption(
  check: SettingCheck,
  crop: string | undefined,
  header: string | undefined,
): SettingCheck['expected'][number] | undefined {
  const same = (a: string | undefined, b: string | undefined) =>
    a === undefined || (b !== undefined && a.toLowerCase() === b.toLowerCase());
  const weight = (e: SettingCheck['expected'][number]) =>
    (e.crop === undefined ? 0 : 2) + (e.header === undefined ? 0 : 1);
  return check.expected
    .filter((e) => same(e.crop, crop) && same(e.header, header))
    .sort((a, b) => weight(b) - weight(a))[0];
}

/** The option found against the one the next crop and header want. */
export function judgeSetting(
  check: SettingCheck,
  value: Value<'setting'>,
  crop: string | undefined,
  header: string | undefined,
): Finding {
  if (!check.options.includes(value.option))
    throw new InputError('option', value.option, `one of ${check.options.join(', ')}`);
  const wanted = expectedOption(check, crop, header);
  const numbers = {
    option: value.option,
    wanted: wanted?.option ?? '',
    crop: crop ?? 'this crop',
    because: wanted?.because ?? '',
  };
  if (!wanted) return { id: 'settingNotGiven', numbers };
  return { id: wanted.option === value.option ? 'inside' : 'settingDiffers', numbers };
}

/** What a service brings to its verdict: when it was last done, how the machine stands now. Hours: separator hours. */
export interface ServiceFacts {
  readonly doneOn: Day;
  readonly doneHours: number;
  /** a new part then: its first look comes early */
  readonly newPart: boolean;
  readonly hours: number;
  readonly seasonHours: number;
  readonly today: Day | undefined;
}

/** A service done: enough, not too much, of the right product, and when it falls due again. */
export function judgeService(
  check: ServiceCheck,
  value: Value<'service'>,
  facts: ServiceFacts,
): Finding[] {
  const amount = value.amount ?? check.amount ?? 0;
  const numbers = {
    amount,
    wanted: check.amount ?? 0,
    most: check.most ?? 0,
    asks: check.asks,
    product: check.product,
    used: value.product,
  };
  const findings: Finding[] = [];
  if (value.product && value.product.toLowerCase() !== check.product.toLowerCase())
    findings.push({ id: 'otherProduct', numbers });
  if (check.most !== undefined && amount > check.most) findings.push({ id: 'tooMuch', numbers });
  if (check.amount !== undefined && amount < check.amount)
    findings.push({ id: 'tooLittle', numbers });
  const due = dueAgain(check, facts);
  if (due)
    findings.push({
      id: due.over ? 'serviceDue' : 'serviceInSeason',
      numbers: {
        asks: check.asks,
        product: check.product,
        wanted: check.amount ?? 0,
        doneHours: facts.doneHours,
        every: due.every,
        days: due.days,
        lookAgain: due.lookAgain,
      },
    });
  return findings.length ? findings : [{ id: 'inside', numbers }];
}

/** When it falls due again, if it does by the end of harvest. */
function dueAgain(
  { interval }: ServiceCheck,
  facts: ServiceFacts,
): { over: boolean; every: number; days: number; lookAgain: number } | undefined {
  if (interval.kind !== 'every') return undefined;
  const step = Math.min(
    interval.hours ?? Infinity,
    facts.newPart ? (interval.early ?? Infinity) : Infinity,
  );
  const at = facts.doneHours + step;
  const days =
    interval.days !== undefined && facts.today !== undefined
      ? interval.days - differenceInCalendarDays(facts.today, facts.doneOn)
      : Infinity;
  const over = at <= facts.hours || days <= 0;
  if (!over && at > facts.hours + facts.seasonHours) return undefined;
  return {
    over,
    every: Number.isFinite(step) ? step : 0,
    days: interval.days ?? 0,
    lookAgain: Number.isFinite(at) ? at : facts.hours,
  };
}
