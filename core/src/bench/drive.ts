import { openBeltLength, span } from '../belt';
import { driveAt, gapFor, rpmRange, wornBeltLoss, type VariableDrive } from '../drive';
import { InputError } from '../units';
import type { Bench, BenchField, BenchSection, Given } from './bench';
import { degrees, millimetres, percent, rpm } from './fields';
import { amount, length, n, named } from './numbers';

const gap = { low: 0, high: 200, step: 0.5 };
const beltWidth = { low: 5, high: 150, step: 0.5 };
const radius = { low: 5, high: 2000 };

const fields = {
  driverRpm: rpm('Driver turns at', 'n₁', '620'),
  centre: millimetres('Centre distance', 'C', '760', { low: 20 }),
  beltLength: millimetres('Belt length', 'L', '2350', { low: 50, high: 30_000 }),
  beltWidth: millimetres('Belt width', 'w', '38', beltWidth),
  groove: degrees('Groove angle', 'θ', '30'),
  driverR0: millimetres('Reference radius, driver', 'r₁', '95', radius),
  drivenR0: millimetres('Reference radius, driven', 'r₂', '60', radius),
  slip: percent('Slip', 'σ', '0', { high: 30, step: 0.5, rule: true }),
  gap: millimetres('Gap', 'x', '4', gap),
  gapLow: millimetres('Smallest gap', 'x₀', '2', gap),
  gapHigh: millimetres('Largest gap', 'x₁', '8', gap),
  wanted: rpm('The header wants', 'n₂', ''),
  worn: millimetres('Belt worn to', 'w′', '36', beltWidth),
  heavyWidth: millimetres('Heavy build: belt width', 'w', '', beltWidth),
  heavyR0: millimetres('Heavy build: reference radius, driver', 'r₁', '', radius),
  heavyGap: millimetres('Heavy build: gap', 'x', '', gap),
  upperLarge: millimetres('Upper belt: larger pulley', 'D', '420', { low: 10, high: 5000 }),
  upperSmall: millimetres('Upper belt: smaller pulley', 'd', '260', { low: 10, high: 5000 }),
  upperCentre: millimetres('Upper belt: centre distance', 'C′', '820', { low: 20 }),
  moved: millimetres('Assembly moved by', 'δ', '6', { low: 0, high: 500, step: 0.5 }),
  towards: degrees('Against the upper belt’s line', 'φ', '0', {
    ...{ low: 0, high: 180, step: 5 },
    hint: '0: straight towards its other pulley; 180: straight away',
  }),
} satisfies Record<string, BenchField>;

type F = keyof typeof fields;

/** The drive that stands on the bench. */
const driveOf = ({ need }: Pick<Given<F>, 'need'>): VariableDrive => ({
  driverRpm: need('driverRpm'),
  centre: need('centre'),
  beltLength: need('beltLength'),
  beltWidth: need('beltWidth'),
  grooveAngle: need('groove'),
  driverR0: need('driverR0'),
  drivenR0: need('drivenR0'),
  slip: need('slip') / 100,
});

const NAMES: Readonly<Record<string, F>> = { grooveAngle: 'groove', wornWidth: 'worn' };
const OF_DRIVE = [
  ...(['driverRpm', 'centre', 'beltLength', 'beltWidth', 'groove'] as const),
  ...(['driverR0', 'drivenR0', 'slip'] as const),
];

const ride = (r0: number, w: number, x: number, angle: number) =>
  `${n(r0)} + (${n(w)} − ${n(x)}) / (2 · tan(${n(angle / 2)}°))`;

const atGap: BenchSection<F> = {
  id: 'gap',
  short: 'Gap',
  title: 'What a gap gives',
  about: 'The sheave’s gap sets where the belt rides, and so the speed.',
  fields: ['gap', ...OF_DRIVE],
  work: (given) => {
    const drive = driveOf(given);
    const x = given.need('gap');
    const at = named(() => driveAt(drive, x), NAMES);
    return [
      amount('Driven turns at', at.drivenRpm, 'rpm', {
        ...{ formula: 'n₁ · r / r′ · (1 − σ)' },
        numbers: `${n(drive.driverRpm)} · ${n(at.driverRadius)} / ${n(at.drivenRadius)} · (1 − ${n(drive.slip ?? 0)})`,
      }),
      length('Belt rides in the driver at', at.driverRadius, {
        ...{ decimals: 2, formula: 'r₁ + (w − x) / (2·tan(θ/2))' },
        numbers: ride(drive.driverR0, drive.beltWidth, x, drive.grooveAngle),
      }),
      length('and in the driven at', at.drivenRadius, {
        ...{ decimals: 2, formula: 'as belt length and centre distance leave it' },
        numbers: `L = ${n(drive.beltLength)}, C = ${n(drive.centre)}`,
      }),
      length('Gap of the driven sheave', at.drivenGap, {
        ...{ decimals: 2, formula: 'w − 2·tan(θ/2)·(r − r₂)' },
        numbers: `${n(drive.beltWidth)} − 2 · tan(${n(drive.grooveAngle / 2)}°) · (${n(at.drivenRadius)} − ${n(drive.drivenR0)})`,
      }),
    ];
  },
};

const range = ({ need }: Given<F>): readonly [number, number] => {
  const [low, high] = [need('gapLow'), need('gapHigh')];
  if (high <= low) throw new InputError('gapHigh', high, `more than ${n(low)} mm`);
  return [low, high];
};

const forSpeed: BenchSection<F> = {
  id: 'speed',
  short: 'Speed',
  title: 'What gap gives a speed',
  about: 'The header wants a speed: set the gap for it.',
  fields: ['wanted', 'gapLow', 'gapHigh', ...OF_DRIVE],
  work: (given) => {
    const drive = driveOf(given);
    const [low, high] = range(given);
    const { slowest, fastest } = named(() => rpmRange(drive, low, high), NAMES);
    const speeds = [
      amount('Slowest', slowest.drivenRpm, 'rpm', {
        ...{ formula: 'at the largest gap', numbers: `x = ${n(slowest.gap)}` },
      }),
      amount('Fastest', fastest.drivenRpm, 'rpm', {
        ...{ formula: 'at the smallest gap', numbers: `x = ${n(fastest.gap)}` },
      }),
    ];
    const wanted = given.maybe('wanted');
    if (wanted === undefined) return speeds;
    const at = named(() => gapFor(drive, wanted, low, high), NAMES);
    return [
      length('Gap for that speed', at.gap, {
        ...{ decimals: 2, formula: 'n₁ · r(x) / r′(x) · (1 − σ) = n₂, solved for x' },
        numbers: `${n(drive.driverRpm)} · ${n(at.driverRadius)} / ${n(at.drivenRadius)} = ${n(wanted)}`,
        tone: 'good',
      }),
      ...speeds,
    ];
  },
};

const worn: BenchSection<F> = {
  id: 'worn',
  short: 'Worn belt',
  title: 'What a worn belt costs',
  about: 'A narrower belt rides deeper in the driver: the header slows down.',
  fields: ['worn', 'gap', ...OF_DRIVE],
  work: (given) => {
    const drive = driveOf(given);
    const [x, w] = [given.need('gap'), given.need('worn')];
    const { state, lost } = named(() => wornBeltLoss(drive, x, w), NAMES);
    return [
      amount('Lost against a new belt', lost, 'rpm', {
        ...{
          formula: 'n(w) − n(w′)',
          numbers: `${n(state.drivenRpm + lost)} − ${n(state.drivenRpm)}`,
        },
        ...(lost < 0 ? { says: 'it is wider than new: another belt', tone: 'doubt' as const } : {}),
      }),
      amount('Driven turns at', state.drivenRpm, 'rpm', {
        ...{ formula: 'as above, with w′' },
        numbers: ride(drive.driverR0, w, x, drive.grooveAngle),
      }),
    ];
  },
};

const builds: BenchSection<F> = {
  id: 'builds',
  short: 'Builds',
  title: 'Standard and heavy build',
  about: 'Each build has its own belt, its own radius and its own gap.',
  fields: ['heavyWidth', 'heavyR0', 'heavyGap', 'gap', ...OF_DRIVE],
  work: (given) => {
    const standard = driveOf(given);
    const heavy = {
      ...standard,
      beltWidth: given.need('heavyWidth'),
      driverR0: given.need('heavyR0'),
    };
    const [x, y] = [given.need('gap'), given.need('heavyGap')];
    const a = named(() => driveAt(standard, x), NAMES);
    const b = named(() => driveAt(heavy, y), {
      ...NAMES,
      ...{ beltWidth: 'heavyWidth', driverR0: 'heavyR0', gap: 'heavyGap' },
    });
    // what happens when somebody sets one build by the other's figure
    const mixed = named(() => driveAt(heavy, x), { gap: 'gap', beltWidth: 'heavyWidth' });
    return [
      amount('Standard build', a.drivenRpm, 'rpm', {
        ...{ formula: 'at its gap', numbers: `x = ${n(x)}` },
      }),
      amount('Heavy build', b.drivenRpm, 'rpm', {
        ...{ formula: 'at its gap', numbers: `x = ${n(y)}` },
      }),
      amount('Heavy build set by the standard gap', mixed.drivenRpm, 'rpm', {
        ...{ formula: 'the wrong figure', numbers: `x = ${n(x)}` },
        says: `${n(Math.abs(mixed.drivenRpm - b.drivenRpm), 0)} rpm ${mixed.drivenRpm < b.drivenRpm ? 'slower' : 'faster'} than it should`,
        tone: 'doubt',
      }),
    ];
  },
};

const domino: BenchSection<F> = {
  id: 'domino',
  short: 'Upper belt',
  title: 'What it does to the upper belt',
  about: 'Moving the sheave assembly slackens or stretches the belt above.',
  fields: ['moved', 'towards', 'upperLarge', 'upperSmall', 'upperCentre'],
  work: ({ need }) => {
    const [large, small] = [
      Math.max(need('upperLarge'), need('upperSmall')),
      Math.min(need('upperLarge'), need('upperSmall')),
    ];
    const [C, moved, towards] = [need('upperCentre'), need('moved'), need('towards')];
    const angle = (towards * Math.PI) / 180;
    const centre = Math.hypot(C - moved * Math.cos(angle), moved * Math.sin(angle));
    const names: Readonly<Record<string, F>> = { centre: 'upperCentre' };
    const before = named(() => openBeltLength({ centre: C, large, small }), names);
    const after = named(() => openBeltLength({ centre, large, small }), { centre: 'moved' });
    const slack = before - after;
    const free = span({ centre, large, small });
    // each strand hangs through by its half of what is too long
    const hangs = slack > 0 ? Math.sqrt((3 * free * (slack / 2)) / 8) : 0;
    return [
      length(
        slack >= 0 ? 'Upper belt is too long by' : 'Upper belt is too short by',
        Math.abs(slack),
        {
          ...{ formula: 'length before − length after', numbers: `${n(before)} − ${n(after)}` },
          says:
            Math.abs(slack) < 0.05
              ? 'as it was'
              : slack > 0
                ? 'set its tightener again'
                : 'let its tightener go first',
          tone: Math.abs(slack) < 0.05 ? 'good' : 'doubt',
        },
      ),
      length('Centre distance after', centre, {
        formula: '√((C′ − δ·cos φ)² + (δ·sin φ)²)',
        numbers: `√((${n(C)} − ${n(moved)} · cos ${n(towards)}°)² + (${n(moved)} · sin ${n(towards)}°)²)`,
      }),
      length('Each strand hangs through', hangs, {
        ...{
          formula: '√(3·s·ΔL / 16)',
          numbers: `√(3 · ${n(free)} · ${n(Math.max(0, slack))} / 16)`,
        },
      }),
    ];
  },
};

/** Variable-speed drive. */
export const DRIVE_BENCH: Bench<F> = {
  id: 'drive',
  title: 'Variable-speed drive',
  about: 'Gap, where the belt rides, speed; worn belts, builds, the belt above.',
  fields,
  sections: [atGap, forSpeed, worn, builds, domino],
};
