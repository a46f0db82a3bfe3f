import { DEMO_DAY, demoMeters } from '@green-tally/demo';
import { clockFor } from '../clock';
import { createFleet } from '../fleetHours/standIn';

/** The simulated fleet service: PORT (8476). Its clock is the demo's; one machine's meter was set back. */
const port = Number(process.env['PORT'] ?? 8476);
const known = demoMeters();
const machines = known.map(({ serial, model, hours }, i) => ({
  ...{ serial, model },
  separator: i === known.length - 2 ? 2.5 : i === known.length - 1 ? hours + 6.4 : hours,
  engine: Math.round(hours * 1.42),
}));
createFleet({ machines, now: clockFor(DEMO_DAY).now }).listen(
  port,
  '127.0.0.1',
  (error?: Error) => {
    if (error) {
      process.stderr.write(`The simulated fleet cannot listen on ${port}: ${error.message}\n`);
      process.exit(1);
    }
    process.stdout.write(`listening on 127.0.0.1:${port}\n`);
  },
);
