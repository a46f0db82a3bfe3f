import { stringAccuracy } from './strings';
import { unrecordedRenewals } from './unrecorded';
import { calibrate } from './calibrate';
import { forecastFleet } from './fleet';
import { insightAccuracy } from './insight';
import { falseNotes, noteAccuracy } from './notes';
import { photosApart } from './photosApart';

const percent = (share: number | undefined) => `${((share ?? 0) * 100).toFixed(1)} %`;

/** What can be looked at by itself: `npm run calibrate -- photos` */
const PARTS = {
  forecasts() {
    const { components, coverage, brier } = calibrate(20260609, 1000);
    process.stdout
      .write(`forecasts of ${components.toLocaleString('en')} simulated components in 5 classes, fleet prior learnt from 80 others each
  true wear inside the 50 % interval: ${percent(coverage[50])}
                       80 % interval: ${percent(coverage[80])}
                       90 % interval: ${percent(coverage[90])}   (to hold: 88 to 92 %)
  Brier score of "limit reached by harvest's end": ${brier.ours.toFixed(4)}, everybody at the base rate ${brier.baseRate.toFixed(4)}, plain least squares ${brier.leastSquares.toFixed(4)}
`);
  },
  notes() {
    process.stdout.write(`
belt notes of 500 plucks with hum in pink noise at each loudness, right within 1 %:
  signal to noise   all      10-20    20-40    40-80    80-140   140-200 Hz   octave off   no clear note
`);
    for (const snr of [20, 10, 0, -5]) {
      const table = noteAccuracy(20260609, 500, snr);
      const cells = [table.right, ...table.byBand.map((b) => b.right)]
        .map((share) => percent(share).padEnd(9))
        .join('');
      process.stdout.write(
        `  ${`${snr} dB`.padEnd(16)}  ${cells}    ${percent(table.octave).padEnd(12)} ${percent(table.missed)}\n`,
      );
    }
    process.stdout.write(
      `  a note heard in 500 recordings of noise and hum alone: ${percent(falseNotes(7, 500))}   (to hold: at most 2 %)\n`,
    );
  },
  strings() {
    for (const snr of [20, 0]) {
      const strings = stringAccuracy(20260609, 500, snr);
      process.stdout.write(
        `\nplucks of another model, up to ninety partials, ${snr} dB: right ${percent(strings.right)}, wrong ${percent(strings.wrong)} (to hold at 0 dB: 95 %, 1 %); 10–30 Hz right ${percent(strings.lowRight)}, wrong ${percent(strings.lowWrong)} (to hold: 90 %, 1 %)\n`,
      );
    }
  },
  unrecorded() {
    const aged = unrecordedRenewals(20260609, 5000);
    process.stdout.write(`
parts renewed by their owners with nothing on record, ${aged.parts} of them:
  true wear inside the 80 % interval: ${percent(aged.inside)}   (to hold: 75 to 85 %)
  of those that hold (${percent(aged.held)}) reached the limit in season: ${percent(aged.heldAndReached)}   (to hold: at most 1 %), of all: ${percent(aged.reached)}
`);
  },
  fleet() {
    const fleet = forecastFleet(20260609, 60);
    const money = (sum: number) => sum.toFixed(0);
    process.stdout.write(`
the product's own path, readings to lives to rates to verdicts, ${fleet.parts} parts whose sheets expect another rate:
  true wear inside the 90 % interval: ${percent(fleet.inside)}   (to hold: 88 to 92 %)
  Brier score of "limit reached by harvest's end": ${fleet.brier.fleet.toFixed(4)}, by the sheet's rate alone ${fleet.brier.sheetOnly.toFixed(4)}   (to hold: below)
  loss a part and harvest: ours ${money(fleet.loss.ours)}, renewing at the limit only ${money(fleet.loss.renewAtLimit)}, renewing all that is watched ${money(fleet.loss.renewAllWatched)}   (to hold: ours least)
`);
  },
  insight() {
    const told = insightAccuracy(20260609, 1200);
    process.stdout.write(`
groups of machines in ${told.fleets} simulated fleets, three to thirty machines a group:
  true rate of a group inside its 90 % range: ${percent(told.coverage)}   (to hold: 87 to 94 %)
  squared error against plain means: ${percent(told.error)}
  groups that do not differ told to stand out: ${percent(told.falseAlarms)}; of those half off the mean: ${percent(told.found)}
`);
  },
  async photos() {
    const small = (share: number) => `${(share * 100).toFixed(3)} %`;
    for (const [name, seed, taken] of [
      ['every light and angle', 20260609, { cases: 300, width: 1800 }],
      ['good light, 20 pitches', 7, { cases: 60, width: 2400, good: true }],
    ] as const) {
      const table = await photosApart(seed, taken);
      process.stdout.write(`
lengths from ${table.cases} photos, ${name}: ${table.measured} measured
  true length inside ± U: ${percent(table.inside / table.measured)}   (to hold: at least 95 %)
  error, middle ${small(table.error.middle)}, 95 % below ${small(table.error.most95)}
  U of the length, middle ${small(table.uncertainty.middle)}, 95 % below ${small(table.uncertainty.most95)}${name.startsWith('good') ? '   (to hold: 0.15 %)' : ''}
`);
    }
  },
} as const;

const named = process.argv.slice(2);
const unknown = named.filter((name) => !(name in PARTS));
if (unknown.length)
  throw new Error(`Unknown: ${unknown.join(', ')}. There are: ${Object.keys(PARTS).join(', ')}.`);
for (const [name, look] of Object.entries(PARTS))
  if (!named.length || named.includes(name)) await look();
