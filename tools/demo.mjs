// npm run demo [-- --fresh]: the invented dealership, ready to use.
import { endPlainly } from './house.mjs';
import { bringUp } from './serve.mjs';

const port = Number(process.env.PORT ?? 8460);
try {
  const { address, standIns } = await bringUp({
    demo: true,
    fresh: process.argv.includes('--fresh'),
    port,
  });
  process.stdout.write(`
  Green Tally demo:  ${address}

  Sign in as         ines  (technician, Upper Larkmoor)
                     rhea  (planner,    Upper Larkmoor)
                     maud  (admin)
  Password for all   before-harvest
  Simulated gauge    ${standIns.gauge}, shows the code it pairs by
  Simulated stock    ${standIns.stock}, how many of each part the branches have
  The demo's day is Tuesday 9 June 2026. Ctrl-C stops everything; data is kept. Start over with: npm run demo -- --fresh

`);
} catch (error) {
  endPlainly(error);
}
