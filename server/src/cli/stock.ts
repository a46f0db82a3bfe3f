import { DEMO_DAY, demoStock } from '@green-tally/demo';
import { clockFor } from '../clock';
import { createStock } from '../stock/stock';

/** The simulated stock service: PORT (8475). Its clock is the demo's. */
const port = Number(process.env['PORT'] ?? 8475);
createStock({ shelves: demoStock(), now: clockFor(DEMO_DAY).now }).listen(
  port,
  '127.0.0.1',
  (error?: Error) => {
    if (error) {
      process.stderr.write(`The simulated stock cannot listen on ${port}: ${error.message}\n`);
      process.exit(1);
    }
    process.stdout.write(`listening on 127.0.0.1:${port}\n`);
  },
);
