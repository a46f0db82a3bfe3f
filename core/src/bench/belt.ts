import {
  noteOfTension,
  openBeltLength,
  pressDepth,
  rideDrop,
  span,
  standsInBand,
  tensionFromNote,
  tensionFromPush,
  VARIABLE_SPEED_SECTIONS,
} from '../belt';
import type { Bench, BenchField, BenchResult, BenchSection, Given } from './bench';
import { degrees, hours, millimetres, newtons, plain } from './fields';
import { amount, force, length, n, named } from './numbers';

/** Fractions of an inch in which the sections' widths are given. */
const SECTIONS = Object.entries(VARIABLE_SPEED_SECTIONS).map(([name, mm]) => ({
  title: `${name} (ISO 3410)`,
  text: `${mm}`,
}));

const band = (label: string, symbol: string) => newtons(label, symbol, '', { low: 1, step: 10 });

const fields = {
  large: millimetres('Larger pulley', 'D', '400', {
    ...{ low: 10, high: 5000 },
    hint: 'diameter at which the belt runs',
  }),
  small: millimetres('Smaller pulley', 'd', '250', { low: 10, high: 5000 }),
  centre: millimetres('Centre distance', 'C', '900', { low: 20, high: 20_000, step: 5 }),
  belt: millimetres('Length on the belt', 'L', '', {
    ...{ low: 50, high: 50_000, step: 5 },
    hint: 'empty: as the pulleys need it',
  }),
  push: newtons('Push at mid-span', 'F', '60', { high: 5000, step: 1 }),
  depth: millimetres('Pressed in', 'q', '', {
    ...{ low: 0.1, high: 500, step: 0.5 },
    hint: 'empty: span / 64',
  }),
  stiffness: newtons('Stiffness of the belt', 'B', '0', {
    ...{ low: 0, high: 5000, rule: true },
    hint: 'where its sheet gives one',
  }),
  mass: plain('kg/m', 'Mass of the belt', 'm', '0.42', { low: 0.01, high: 10, step: 0.01 }),
  note: {
    ...{ label: 'Note', symbol: 'f', dimension: 'frequency', unit: 'Hz', usual: '42' },
    ...{ low: 1, high: 1000, step: 0.5 },
  },
  tension: newtons('Or the tension wanted', 'T', '', { low: 1, step: 10 }),
  newLow: band('New belt, from', 'T₁'),
  newHigh: band('New belt, to', 'T₂'),
  runInLow: band('Run in, from', 'T₃'),
  runInHigh: band('Run in, to', 'T₄'),
  hours: hours('Hours on the belt', 't', '0', { step: 1 }),
  runInHours: hours('Run in after', 't₀', '10', { high: 500, step: 1 }),
  section: millimetres('Width when new', 'w₀', '38.1', {
    ...{ low: 3, high: 150, step: 0.1 },
    offers: SECTIONS,
  }),
  width: millimetres('Width now', 'w', '36', { high: 150, step: 0.1 }),
  groove: degrees('Groove angle', 'θ', '30'),
} satisfies Record<string, BenchField>;

type F = keyof typeof fields;

const NAMES: Readonly<Record<string, F>> = {
  frequency: 'note',
  'new.low': 'newLow',
  'runIn.low': 'runInLow',
};

const pulleysOf = (given: Given<F>) => ({
  centre: given.need('centre'),
  large: Math.max(given.need('large'), given.need('small')),
  small: Math.min(given.need('large'), given.need('small')),
});

/** How a tension stands in the bands that were entered; nothing where none were. */
function inBands(
  tension: number,
  { maybe, need }: Given<F>,
): Partial<Pick<BenchResult, 'says' | 'tone'>> {
  const [a, b, c, d] = [maybe('newLow'), maybe('newHigh'), maybe('runInLow'), maybe('runInHigh')];
  if (a === undefined && b === undefined && c === undefined && d === undefined) return {};
  const isNew = need('hours') < need('runInHours');
  const [low, high] = isNew
    ? [need('newLow'), need('newHigh')]
    : [need('runInLow'), need('runInHigh')];
  const { stand, by } = named(
    () =>
      standsInBand(tension, need('hours'), {
        new: { low, high },
        runIn: { low, high },
        runInHours: need('runInHours'),
      }),
    isNew ? NAMES : { ...NAMES, 'new.low': 'runInLow' },
  );
  const whose = isNew ? 'the band of a new belt' : 'the band of a belt that has run in';
  if (stand === 'inside') return { says: `inside ${whose}`, tone: 'good' };
  return {
    says: `${n(by, 0)} N ${stand === 'low' ? 'below' : 'above'} ${whose}`,
    tone: 'bad',
  };
}

const geometry: BenchSection<F> = {
  id: 'geometry',
  short: 'Length',
  title: 'Length and span',
  about: 'What the pulleys need, and how far to press.',
  fields: ['large', 'small', 'centre', 'belt'],
  work: (given) => {
    const pulleys = pulleysOf(given);
    const { centre: C, large: D, small: d } = pulleys;
    const needed = named(() => openBeltLength(pulleys), {});
    const free = span(pulleys);
    const there = given.maybe('belt');
    return [
      length('Belt length', needed, {
        formula: '2·C·cos γ + π·(D + d)/2 + γ·(D − d),  γ = asin((D − d)/2C)',
        numbers: `2 · ${n(C)} · cos γ + π · (${n(D)} + ${n(d)})/2 + γ · (${n(D)} − ${n(d)})`,
        ...(there === undefined
          ? {}
          : {
              says:
                there >= needed
                  ? `the belt is ${n(there - needed, 1)} mm longer: its tightener takes that up`
                  : `the belt is ${n(needed - there, 1)} mm too short`,
              tone: there >= needed ? ('good' as const) : ('bad' as const),
            }),
      }),
      length('Free span', free, {
        formula: '√(C² − ((D − d)/2)²)',
        numbers: `√(${n(C)}² − ((${n(D)} − ${n(d)})/2)²)`,
      }),
      length('Press in at mid-span', pressDepth(free), {
        ...{ decimals: 2, formula: 'span / 64', numbers: `${n(free)} / 64` },
      }),
    ];
  },
};

const push: BenchSection<F> = {
  id: 'push',
  short: 'Push',
  title: 'Push at mid-span',
  about: 'A spring scale and a rule tell the tension of the strand.',
  fields: [
    ...(['push', 'depth', 'stiffness', 'large', 'small', 'centre'] as const),
    ...(['newLow', 'newHigh', 'runInLow', 'runInHigh', 'hours', 'runInHours'] as const),
  ],
  work: (given) => {
    const free = span(pulleysOf(given));
    const q = given.maybe('depth') ?? pressDepth(free);
    const [F, B] = [given.need('push'), given.need('stiffness')];
    const T = named(() => tensionFromPush(F, free, q, B), NAMES);
    return [
      force('Tension of the strand', T, {
        formula: 'F·s / (4·q) − B',
        numbers: `${n(F)} · ${n(free)} / (4 · ${n(q)}) − ${n(B)}`,
        ...inBands(T, given),
      }),
    ];
  },
};

const note: BenchSection<F> = {
  id: 'note',
  short: 'Note',
  title: 'Note and tension',
  about: 'A plucked span sounds; the tighter, the higher.',
  fields: [
    ...(['note', 'tension', 'mass', 'large', 'small', 'centre'] as const),
    ...(['newLow', 'newHigh', 'runInLow', 'runInHigh', 'hours', 'runInHours'] as const),
  ],
  work: (given) => {
    const free = span(pulleysOf(given)) / 1000;
    const m = given.need('mass');
    const wanted = given.maybe('tension');
    if (wanted !== undefined)
      return [
        amount('Note at that tension', noteOfTension(m, free, wanted), 'Hz', {
          formula: '√(T / (4·m·s²))',
          numbers: `√(${n(wanted)} / (4 · ${n(m)} · ${n(free)}²))`,
          ...inBands(wanted, given),
        }),
      ];
    const f = given.need('note');
    const T = tensionFromNote(m, free, f);
    return [
      force('Tension of the strand', T, {
        formula: '4·m·s²·f²',
        numbers: `4 · ${n(m)} · ${n(free)}² · ${n(f)}²`,
        ...inBands(T, given),
      }),
    ];
  },
};

const width: BenchSection<F> = {
  id: 'width',
  short: 'Width',
  title: 'Width and depth in the groove',
  about: 'A worn belt drops. Looking does not show it; the width does.',
  fields: ['width', 'section', 'groove'],
  work: (given) => {
    const [w0, w, angle] = [given.need('section'), given.need('width'), given.need('groove')];
    const drop = rideDrop(w0 - w, angle);
    return [
      length('Drops in its groove', drop, {
        ...{ decimals: 2, formula: '(w₀ − w) / (2·tan(θ/2))' },
        numbers: `${n(w0 - w)} / (2 · tan(${n(angle / 2)}°))`,
        ...(drop < 0 ? { says: 'it rides higher: wider than new, or another belt' } : {}),
      }),
      length('Narrower than new', w0 - w, {
        ...{ decimals: 2, formula: 'w₀ − w', numbers: `${n(w0)} − ${n(w)}` },
      }),
    ];
  },
};

/** Belt, its tension and its width. */
export const BELT_BENCH: Bench<F> = {
  id: 'belt',
  title: 'Belt',
  about: 'Length and span, push and note, width and depth in the groove.',
  fields,
  sections: [geometry, push, note, width],
};
