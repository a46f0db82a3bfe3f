import { Bench } from 'tinybench';
import { SpecSheet, type Check, type Reading } from '../src/contracts';
import { chanceReached, classPrior, wearPosterior, type ComponentLife } from '../src/forecast';
import { planKnives, type Rotor } from '../src/knives';
import { detectNote, pluck } from '../src/note';
import { random } from '../src/random';
import { judgeCheck, judgeMachine } from '../src/verdict';
import { leastMovingOrder, type OrderedCheck } from '../src/walk';
import { choicesOf, insightPage } from '../src/insight';
import { benchSheet, readingsFor } from './fixtures';
import { taughtMachines } from './insight';

const dice = random(20260609);
const sheet = SpecSheet.parse(benchSheet());
const facts = { hours: 1284, seasonHours: 109 };

/**
 * One verdict a place: `n` machines' worth of one-place checks, each read once; then the same with
 * three seasons behind it.
 */
const verdictJobs = (n: number, seasons: number): { check: Check; readings: Reading[] }[] =>
  Array.from({ length: n }, (_, i) => {
    const check = sheet.checks[i % sheet.checks.length];
    if (!check) throw new Error('no check');
    return { check, readings: readingsFor(check, seasons, dice) };
  });

/** Lives of `n` components in classes of a hundred, two to five readings each. */
const fleetOf = (n: number): ComponentLife[][] =>
  Array.from({ length: Math.ceil(n / 100) }, () =>
    Array.from({ length: Math.min(100, n) }, (): ComponentLife => {
      const slope = Math.max(0.0002, 0.0013 + 0.0003 * dice.normal());
      return {
        from: 0,
        to: undefined,
        points: Array.from({ length: 2 + Math.floor(4 * dice.next()) }, (_, i) => ({
          hours: 60 + 110 * i,
          y: 0.02 + slope * (60 + 110 * i) + 0.03 * dice.normal(),
          sigma: 0.03,
        })),
      };
    }),
  );

/**
 * The prior of each class from its lives, then every component's chance by the end of the season.
 */
function forecastFleet(fleet: readonly ComponentLife[][]): number {
  let sum = 0;
  for (const lives of fleet) {
    const prior = classPrior(lives, 0.02, 0.03);
    if (!prior) continue;
    for (const life of lives)
      sum += chanceReached(
        wearPosterior(prior, life.points),
        (life.points.at(-1)?.hours ?? 0) + 109,
      );
  }
  return sum;
}

const POSITIONS = [
  'header down',
  'header raised on its stops',
  'feeder level',
  'feeder raised on its lock',
  'drives at slowest',
  'covers open',
  'cold',
];
const walkOf = (n: number): OrderedCheck[] =>
  Array.from({ length: n }, (_, i) => ({
    id: `c${i}`,
    station: 1 + Math.floor((14 * i) / n),
    position: POSITIONS[Math.floor(POSITIONS.length * dice.next())] ?? 'cold',
  }));
const rotorOf = (n: number): Rotor => ({
  planes: { a: 0, b: 1400 },
  newMass: 180,
  mass: 118,
  rpm: 3100,
  knives: Array.from({ length: n }, (_, i) => {
    const spent = dice.next() < 0.1;
    return {
      radius: 260,
      angle: ((i % 4) * Math.PI) / 2,
      axial: 60 + Math.floor(i / 4) * (1280 / (n / 4)),
      mass: spent ? 0 : 130 + 50 * dice.next(),
      spent,
      oneEdge: !spent,
      opposite: i % 4 < 2 ? i + 2 : i - 2,
    };
  }),
});

interface Job {
  readonly name: string;
  /** things done in one run */
  readonly each: number;
  readonly what: string;
  readonly run: () => unknown;
  readonly aim?: { readonly text: string; readonly holds: (seconds: number) => boolean };
}

const judgeAll = (jobs: readonly { check: Check; readings: Reading[] }[]) => {
  let places = 0;
  for (const j of jobs) places += judgeCheck(j.check, j.readings, facts)?.places.length ?? 0;
  return places;
};
const jobs: Job[] = [];
for (const n of [300, 3000, 30_000]) {
  const once = verdictJobs(n, 0);
  jobs.push({
    name: `verdicts, one reading each, ${n}`,
    each: n,
    what: 'verdicts',
    run: () => judgeAll(once),
    ...(n === 30_000
      ? { aim: { text: '300,000 verdicts in less than 1 s', holds: (s: number) => s * 10 < 1 } }
      : {}),
  });
}
const behind = verdictJobs(3000, 3);
jobs.push({
  name: 'verdicts, three seasons behind each, with forecast, 3000',
  each: 3000,
  what: 'verdicts',
  run: () => judgeAll(behind),
});
const machine = sheet.checks.flatMap((check) => readingsFor(check, 3, dice));
const oneMore = [...machine, ...sheet.checks.slice(0, 1).flatMap((c) => readingsFor(c, 0, dice))];
let { hours } = facts;
let taken = false;
jobs.push({
  name: `one machine of ${sheet.checks.length} checks, three seasons`,
  each: 1,
  what: 'machines',
  // an hour that passes bears on every check: each is judged anew
  run: () => judgeMachine(sheet.checks, machine, { ...facts, hours: (hours += 1e-6) }),
});
jobs.push({
  name: 'the same after a reading of one check, or without it again',
  each: 1,
  what: 'machines',
  run: () => judgeMachine(sheet.checks, (taken = !taken) ? oneMore : machine, facts),
});
for (const n of [1000, 10_000, 100_000]) {
  const fleet = fleetOf(n);
  jobs.push({
    name: `forecasts with fleet prior, ${n}`,
    each: n,
    what: 'forecasts',
    run: () => forecastFleet(fleet),
    ...(n === 100_000
      ? { aim: { text: '100,000 forecasts in less than 2 s', holds: (s: number) => s < 2 } }
      : {}),
  });
}
for (const n of [12, 120, 1200]) {
  const walk = walkOf(n);
  const costs = {
    usual: 4,
    moves: [
      { from: 'header down', to: 'header raised on its stops', minutes: 6 },
      { from: 'feeder level', to: 'feeder raised on its lock', minutes: 8 },
    ],
  };
  jobs.push({
    name: `walk order, ${n} checks in ${POSITIONS.length} positions`,
    each: 1,
    what: 'orders',
    run: () => leastMovingOrder(walk, costs, 1),
    ...(n === 120 ? { aim: { text: 'less than 200 ms', holds: (s: number) => s < 0.2 } } : {}),
  });
}
for (const n of [12, 48, 120]) {
  const rotor = rotorOf(n);
  jobs.push({
    name: `knife plan, ${n} knives`,
    each: 1,
    what: 'plans',
    run: () => planKnives(rotor, 'weigh'),
    ...(n === 48 ? { aim: { text: 'less than 2 s', holds: (s: number) => s < 2 } } : {}),
  });
}
for (const seconds of [0.5, 2, 8]) {
  const sound = pluck(
    { frequency: 42, decay: 0.5, at: 0.2, inharmonicity: 1e-4 },
    { snr: 0, mains: 50, humLevel: -6 },
    { rate: 44_100, seconds },
    dice,
  );
  jobs.push({
    name: `belt note, ${seconds} s at 44.1 kHz`,
    each: 1,
    what: 'notes',
    run: () => detectNote([sound], 44_100),
    ...(seconds === 2 ? { aim: { text: 'less than 150 ms', holds: (s: number) => s < 0.15 } } : {}),
  });
}

for (const n of [16, 100, 1000]) {
  const members = taughtMachines(n, dice);
  const choices = choicesOf(members.map((m) => m.machine));
  jobs.push({
    name: `insight, ${n} machines of 120 component classes`,
    each: 1,
    what: 'pages',
    run: () => insightPage(members, { of: {}, learntOn: null, choices }),
  });
}

const bench = new Bench({ time: 400, iterations: 5, warmupTime: 100, warmupIterations: 2 });
for (const job of jobs) bench.add(job.name, () => void job.run());
await bench.run();
process.stdout.write(
  `on one core, median of each; Node ${process.version}\n${'what'.padEnd(60)}${'a run'.padStart(12)}${'a second'.padStart(16)}   aim\n`,
);
for (const job of jobs) {
  const result = bench.getTask(job.name)?.result;
  if (!result || !('latency' in result))
    throw new Error(
      `${job.name}: ${result && 'error' in result ? String(result.error) : 'no result'}`,
    );
  const ms = result.latency.p50;
  process.stdout.write(
    `${job.name.padEnd(60)}${`${ms.toPrecision(3)} ms`.padStart(12)}${Math.round(
      (job.each * 1000) / ms,
    )
      .toLocaleString('en')
      .padStart(
        16,
      )}   ${job.aim ? `${job.aim.text}: ${job.aim.holds(ms / 1000) ? 'yes' : 'NO'}` : ''}\n`,
  );
}
