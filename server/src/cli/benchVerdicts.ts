import { factsOf } from '@green-tally/core/plan';
import { judgeCheck } from '@green-tally/core/verdict';
import { checksFor } from '@green-tally/core/walk';
import { DEMO_DAY, scenario } from '@green-tally/demo';

/**
 * Judges every check of the demo over and over for about two seconds and prints how many place
 * verdicts a second that is.
 */
const { machines, sheets, readings } = scenario();
const jobs = machines
  .flatMap((machine) => {
    const own = readings.filter((r) => r.machineId === machine.id);
    const facts = factsOf({ machine, readings: [] }, DEMO_DAY);
    return checksFor(machine, sheets).map((check) => ({
      check,
      facts,
      readings: own.filter((r) => r.checkId === check.id),
    }));
  })
  .filter((j) => j.readings.length);

for (let i = 0; i < 20; i += 1) for (const j of jobs) judgeCheck(j.check, j.readings, j.facts);
let places = 0;
let checks = 0;
const start = performance.now();
while (performance.now() - start < 2000) {
  for (const j of jobs) {
    places += judgeCheck(j.check, j.readings, j.facts)?.places.length ?? 0;
    checks += 1;
  }
}
const seconds = (performance.now() - start) / 1000;
process.stdout.write(
  `${Math.round(places / seconds).toLocaleString('en')} place verdicts a second (${Math.round(checks / seconds).toLocaleString('en')} checks a second, three seasons of readings each, forecast included)\n`,
);
