import { calibrate } from './calibrate';

const percent = (share: number | undefined) => `${((share ?? 0) * 100).toFixed(1)} %`;
const { components, coverage, brier } = calibrate(20260609, 1000);
process.stdout.write(`forecasts of ${components.toLocaleString('en')} simulated components in 5 classes, fleet prior learnt from 80 others each
  true wear inside the 50 % interval: ${percent(coverage[50])}
                       80 % interval: ${percent(coverage[80])}
                       90 % interval: ${percent(coverage[90])}   (to hold: 88 to 92 %)
  Brier score of "limit reached by harvest's end": ${brier.ours.toFixed(4)}, everybody at the base rate ${brier.baseRate.toFixed(4)}, plain least squares ${brier.leastSquares.toFixed(4)}
`);
