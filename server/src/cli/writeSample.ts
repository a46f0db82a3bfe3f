import { writeFileSync } from 'node:fs';
import { scenario } from '@green-tally/demo';
import { writeReadingsCsv } from '../walks/writeCsv';

/** Writes demo/readings-sample.csv from the scenario: the readings that are still on paper. */
const { onPaper, machines } = scenario();
writeFileSync(
  'demo/readings-sample.csv',
  writeReadingsCsv(onPaper, new Map(machines.map((m) => [m.id, m.serial]))),
);
