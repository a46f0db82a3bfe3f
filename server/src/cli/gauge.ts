import { randomInt } from 'node:crypto';
import { createGauge } from '../gauge/gauge';

/** The simulated gauge: PORT (8470), GAUGE_CODE (made up unless said), GAUGE_SEED. */
const port = Number(process.env['PORT'] ?? 8470);
const code = process.env['GAUGE_CODE'] ?? String(randomInt(1000, 10_000));
createGauge({ code, seed: Number(process.env['GAUGE_SEED'] ?? 1) }).listen(
  port,
  '127.0.0.1',
  (error?: Error) => {
    if (error) {
      process.stderr.write(`The simulated gauge cannot listen on ${port}: ${error.message}\n`);
      process.exit(1);
    }
    process.stdout.write(`listening on 127.0.0.1:${port}\n`);
  },
);
