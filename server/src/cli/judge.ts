import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { z } from 'zod';
import { Machine, SpecSheet } from '@green-tally/core/contracts';
import { factsOf } from '@green-tally/core/plan';
import { DECISION_WORDS, judgeCheck, verdictSentence } from '@green-tally/core/verdict';
import { admissionTroubles, checksFor } from '@green-tally/core/walk';
import { DEMO_DAY, demoBooks } from '@green-tally/demo';
import { Refusal } from '../errors';
import { readReadingsCsv } from '../walks/readCsv';

const USAGE = `Judges a readings CSV and prints a verdict for each check.
  npm run judge -- readings.csv [--machines machines.json] [--specs folder] [--today 2026-06-09]
Without --machines and --specs the demo's books are used.`;

/**
 * Prints the verdicts of a readings file. Exit 0 when all rows were read, 1 when some were not, 2
 * when the file is none.
 */
function judgeFile(): number {
  const { values, positionals } = parseArgs({
    allowPositionals: true,
    options: {
      machines: { type: 'string' },
      specs: { type: 'string' },
      today: { type: 'string', default: DEMO_DAY },
      help: { type: 'boolean' },
    },
  });
  const [file] = positionals;
  if (!file || values.help) return say(USAGE, 2);
  const books = demoBooks();
  const machines = values.machines
    ? z.array(Machine).parse(readJson(values.machines))
    : books.machines;
  const sheets = values.specs
    ? readdirSync(values.specs)
        .filter((f) => f.endsWith('.json'))
        .map((f) => SpecSheet.parse(readJson(join(values.specs ?? '', f))))
    : books.sheets;
  const rows = readReadingsCsv(readFileSync(file, 'utf8'), machines, sheets);
  const troubles = rows.flatMap((r) => {
    const machine = machines.find((m) => m.id === r.reading?.machineId);
    const admitted =
      r.reading && machine
        ? admissionTroubles(r.reading, machine, sheets, { today: values.today })
        : [];
    return [...r.errors, ...admitted].map((e) => `  line ${r.row}, ${e.field}: ${e.message}`);
  });
  const readings = rows.flatMap((r) => (r.reading ? [r.reading] : []));
  say(`${rows.length} rows, ${readings.length} readings read.`);
  for (const machine of machines) {
    const own = readings.filter(
      (r) =>
        r.machineId === machine.id &&
        admissionTroubles(r, machine, sheets, { today: values.today }).length === 0,
    );
    if (!own.length) continue;
    say(
      `\n${machine.model} ${machine.serial}, ${machine.customer}: harvest ${machine.harvest.start}, ${Math.round(factsOf({ machine, readings: own }, values.today).seasonHours)} h to thresh`,
    );
    for (const check of checksFor(machine, sheets)) {
      const verdict = judgeCheck(check, own, factsOf({ machine, readings: own }, values.today));
      if (!verdict) continue;
      const { decision } = verdict;
      const places = verdict.places.filter((p) => p.decision === decision);
      const where =
        check.places.length > 1
          ? ` (${places.length} of ${check.places.length}${places.length <= 3 ? `: ${places.map((p) => p.place).join(', ')}` : ''})`
          : '';
      say(
        `  ${DECISION_WORDS[decision].padEnd(10)} ${check.component}${where}\n             ${verdictSentence(verdict)}`,
      );
    }
  }
  if (!troubles.length) return 0;
  return say(
    `\nNot used:\n${troubles.slice(0, 50).join('\n')}${troubles.length > 50 ? `\n  and ${troubles.length - 50} more` : ''}`,
    1,
  );
}

const readJson = (file: string): unknown => JSON.parse(readFileSync(file, 'utf8'));
function say(text: string, exit = 0): number {
  process.stdout.write(`${text}\n`);
  return exit;
}

try {
  process.exitCode = judgeFile();
} catch (error) {
  process.stderr.write(
    `${error instanceof Refusal ? `${error.title}. ${error.message}` : error instanceof Error ? error.message : String(error)}\n`,
  );
  process.exitCode = 2;
}
