import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { resolve } from 'node:path';
import { build } from 'esbuild';
import { Reading } from '@green-tally/core/contracts';
import { PRECEDENCE } from '@green-tally/core/findings';
import { standingOf, verdictOf } from '@green-tally/core/plan';
import { printSheet } from '@green-tally/core/sheets';
import { checksFor, admission } from '@green-tally/core/walk';
import { scenario } from '@green-tally/demo';
import { demoSheets } from '../../../demo/src/sheets';
import { demoAsLoaded } from '../testing/template';
import { writeReadingsCsv } from '../walks/writeCsv';

const demo = scenario();
type Replacer = (key: string, value: unknown) => unknown;
const sha = (of: object, replacer?: Replacer) =>
  createHash('sha256').update(JSON.stringify(of, replacer)).digest('hex');
const byKey: Replacer = (_key, value) =>
  value && typeof value === 'object' && !Array.isArray(value)
    ? Object.fromEntries(Object.entries(value).sort(([a], [b]) => (a < b ? -1 : 1)))
    : value;
const { files } = demo;

describe('the invented dealership', () => {
  test('is the same every time, in another process too', () =>
    expect(sha(demoAsLoaded())).toBe(sha(demo)));
  test('every reading of it is one as the contract says', () => {
    const all = [...demo.readings, ...demo.onPaper];
    expect(sha(Reading.array().parse(all), byKey)).toBe(sha(all, byKey));
  });
  test('has three seasons of walks on each booked machine', () => {
    for (const { walks, machine } of files.filter((f) => f.walks.length))
      expect([
        machine.serial,
        new Set(walks.map((w) => w.startedAt.slice(0, 4))).size >= 2,
      ]).toEqual([machine.serial, true]);
    expect(new Set(demo.readings.map((r) => r.takenAt.slice(0, 4)))).toEqual(
      new Set(['2024', '2025', '2026']),
    );
  });
  test('every reading of it could have come through the API', () => {
    const admits = new Map(demo.machines.map((m) => [m.id, admission(m, demo.sheets)]));
    expect(
      [...demo.readings, ...demo.onPaper].flatMap(
        (r) =>
          admits.get(r.machineId)?.(r, { today: demo.today }) ?? [
            { field: 'machineId', message: r.machineId },
          ],
      ),
    ).toEqual([]);
  });
  test('has machines fine, late, waiting, and in false tension', () => {
    const standings = files.map((f) => standingOf(f, demo.today));
    expect(standings.filter((s) => s.late)).toHaveLength(1);
    expect(standings.some((s) => s.hoursOpen === 0 && s.walkState === 'done')).toBe(true);
    expect(standings.filter((s) => s.walkState === 'none').length).toBeGreaterThan(1);
  });
  test('a check judged by itself comes to what the standing of its machine says', () => {
    for (const f of files.filter((_, i) => i % 4 === 0)) {
      const { verdicts } = standingOf(f, demo.today);
      const alone = checksFor(f.machine, f.sheets).map((c) => verdictOf(f, c, demo.today));
      expect(alone.filter(Boolean)).toEqual(verdicts);
    }
  });
  test('every finding there is occurs somewhere', () => {
    const found = new Set(
      files.flatMap((f) =>
        standingOf(f, demo.today).verdicts.flatMap((v) => [
          ...v.places.flatMap((p) => p.findings.map((x) => x.id)),
          ...(v.lacks ? [v.lacks.id] : []),
        ]),
      ),
    );
    // no sheet of the demo lacks a figure; an hour to look again passes only while harvest runs;
    // its walks are each one person's;
    // the others want a gauge or a band that no sheet has
    const NOT_HERE = ['noLimit', 'recheckDue', 'twoSay'];
    expect(PRECEDENCE.map(([id]) => id).filter((id) => !found.has(id))).toEqual(
      expect.arrayContaining(NOT_HERE),
    );
    expect(
      PRECEDENCE.map(([id]) => id).filter((id) => !found.has(id) && !NOT_HERE.includes(id)),
    ).toEqual([]);
  });
  test('heads fit the crops of their machines', () => {
    const ROW_CROPS = ['maize', 'grain sorghum'];
    for (const { serial, header, harvest } of demo.machines)
      if (header)
        expect([serial, harvest.crop, header.model === 'Merle 12']).toEqual([
          serial,
          harvest.crop,
          ROW_CROPS.includes(harvest.crop),
        ]);
    expect(new Set(demo.machines.flatMap((m) => m.header?.model ?? [])).size).toBe(4);
    expect(new Set(demo.machines.map((m) => m.model)).size).toBe(5);
    expect(demo.machines).toHaveLength(24);
    expect(new Set(demo.headers.map((h) => h.serial)).size).toBe(30);
  });
  test('the shipped sheets are what their book writes, byte for byte', () => {
    const sheets = Object.entries(demoSheets());
    expect(sheets.map(([name]) => name).sort()).toEqual([
      'corrie4',
      'corrie6',
      'merle10',
      'merle12',
      'ouzel5',
      'ouzel7',
      'ouzel9',
      'tarn5',
      'tarn7',
    ]);
    for (const [name, sheet] of sheets)
      expect([
        name,
        readFileSync(resolve(__dirname, '../../../demo/specs', `${name}.json`), 'utf8') ===
          printSheet(sheet),
      ]).toEqual([name, true]);
  });
  test('the shipped sample file is what the scenario writes', () => {
    expect(readFileSync(resolve(__dirname, '../../../demo/readings-sample.csv'), 'utf8')).toBe(
      writeReadingsCsv(demo.onPaper, new Map(demo.machines.map((m) => [m.id, m.serial]))),
    );
  });
});

describe('judging a file in the terminal', () => {
  const root = resolve(__dirname, '../../..');
  const outfile = resolve(root, 'server/dist/judge.test.mjs');
  const judge = (...args: string[]) =>
    spawnSync(process.execPath, [outfile, ...args], { cwd: root, encoding: 'utf8' });
  beforeAll(async () => {
    await build({
      entryPoints: [resolve(root, 'server/src/cli/judge.ts')],
      outfile,
      bundle: true,
      platform: 'node',
      format: 'esm',
      target: 'node20',
      packages: 'bundle',
      banner: {
        js: "import { createRequire } from 'node:module'; const require = createRequire(import.meta.url);",
      },
      external: ['pino-http', 'express'],
      logLevel: 'error',
    });
  });
  test('prints each check with its decision and its numbers', () => {
    const { stdout, status } = judge('demo/readings-sample.csv');
    expect(status).toBe(0);
    expect(stdout).toContain('1211 rows, 1211 readings read.');
    expect(stdout).toMatch(
      /Replace +Gathering chain \(1 of 24: row 8 left\)\n +2\.54 % elongation \(424\.5 mm\)/,
    );
    expect(stdout).toMatch(/Replace +Fan drive belt/);
  });
  test('a file that is none ends with a sentence, not a stack', () => {
    const { stderr, status } = judge('package.json');
    expect(status).toBe(2);
    expect(stderr).toMatch(/^Not a readings file\. The file cannot be read as CSV/);
    expect(stderr).not.toMatch(/at .*\.ts/);
    expect(judge('no-such-file.csv').status).toBe(2);
    expect(judge().stdout).toMatch(/npm run judge/);
  });
});
