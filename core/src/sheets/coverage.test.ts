import { existsSync, readFileSync } from 'node:fs';
import { resolve } from 'node:path';
import { z } from 'zod';
import { POSITION_FACTS, type Check, type SpecSheet } from '../contracts';
import { expectedOption } from '../kinds';
import { FILES, sheets } from '../testing/shipped';

/** A line of the trade's list: what some sheets must hold, and how it must be there. */
const Line = z.strictObject({
  station: z.int().min(1).max(14),
  line: z.string(),
  in: z.array(z.string()).min(1),
  check: z.string().optional(),
  /** for what no sheet holds: the test that shows it */
  proof: z.string().optional(),
  kind: z.string().optional(),
  phase: z.string().optional(),
  days: z.int().optional(),
  position: z.record(z.string(), z.string()).optional(),
  worn: z.enum(['smaller', 'larger']).optional(),
  outside: z.enum(['adjust', 'turn', 'replace']).optional(),
  leadsTo: z.enum(['adjust', 'turn', 'replace']).optional(),
  even: z.literal(true).optional(),
  elongation: z.literal(true).optional(),
  takeUp: z.literal(true).optional(),
  unit: z.string().optional(),
  good: z.array(z.string()).optional(),
  wants: z.record(z.string(), z.string()).optional(),
  product: z.string().optional(),
  amountAtLeast: z.number().optional(),
  mostAtMost: z.number().optional(),
  byYear: z.literal(true).optional(),
  renew: z.string().optional(),
  places: z.int().optional(),
  perPlace: z.array(z.string()).optional(),
  versionBy: z.string().optional(),
  equipment: z.string().optional(),
  fits: z.literal(true).optional(),
  school: z.string().optional(),
  schools: z.string().optional(),
  says: z.string().optional(),
  minds: z.string().optional(),
  brings: z.array(z.string()).optional(),
  tasks: z.array(z.string()).optional(),
  needs: z.string().optional(),
  soldIn: z.int().optional(),
  heavy: z.literal(true).optional(),
  superseded: z.literal(true).optional(),
});
type Line = z.infer<typeof Line>;

const LINES = z
  .array(Line)
  .parse(JSON.parse(readFileSync(resolve(__dirname, '../../../demo/coverage.json'), 'utf8')));

/** Kinds of machines and headers that a line may be for, beside a model's own name. */
const TAGS: Readonly<Record<string, readonly (typeof FILES)[number][]>> = {
  combines: ['ouzel5', 'ouzel7', 'ouzel9', 'corrie4', 'corrie6'],
  rotary: ['ouzel5', 'ouzel7', 'ouzel9', 'corrie6'],
  walker: ['corrie4'],
  headers: ['merle10', 'merle12', 'tarn7', 'tarn5'],
  draper: ['merle10'],
  rowCrop: ['merle12'],
  auger: ['tarn7'],
  rigid: ['tarn5'],
};
const sheetsOf = (line: Line): SpecSheet[] =>
  line.in.flatMap((tag) => {
    const files = TAGS[tag] ?? FILES.filter((f) => sheets[f].model === tag);
    if (!files.length) throw new Error(`no model is ${tag}`);
    return files.map((f) => sheets[f]);
  });

/** What is wrong with a check against a line, in words; nothing when it is as the line says. */
function troubles(line: Line, check: Check, sheet: SpecSheet): string[] {
  const wrong: string[] = [];
  const want = (ok: boolean, what: string) => {
    if (!ok) wrong.push(what);
  };
  aboutPlace(line, check, sheet, want);
  aboutLimit(line, check, want);
  aboutParts(line, check, want);
  aboutWays(line, check, sheet, want);
  return wrong;
}
type Want = (ok: boolean, what: string) => void;

// eslint-disable-next-line complexity -- a list of questions, one a line, each asked only where the line has it
function aboutPlace(line: Line, check: Check, sheet: SpecSheet, want: Want): void {
  want(check.station === line.station, `station ${check.station}`);
  want(!line.kind || check.kind === line.kind, `kind ${check.kind}`);
  want(!line.phase || check.interval.kind === line.phase, `phase ${check.interval.kind}`);
  if (line.days !== undefined)
    want('days' in check.interval && check.interval.days === line.days, 'days');
  const facts: Readonly<Record<string, string>> =
    sheet.positions.find((p) => p.name === check.position)?.facts ?? {};
  for (const [fact, value] of Object.entries(line.position ?? {})) {
    want(fact in POSITION_FACTS, `no fact ${fact}`);
    want(facts[fact] === value, `${fact} ${facts[fact] ?? 'not said'}`);
  }
  want(!line.places || check.places.length === line.places, `${check.places.length} places`);
  for (const place of line.perPlace ?? [])
    want(check.perPlace?.[place] !== undefined, `nothing of its own at ${place}`);
  const text = [check.component, check.measures, check.how, check.why, ...lookedFor(check)].join(
    ' ',
  );
  want(!line.says || text.includes(line.says), `does not say "${line.says ?? ''}"`);
  want(!line.schools || check.schools.includes(line.schools), 'schools');
  const minded = check.safety.join(' ').toLowerCase();
  want(!line.minds || minded.includes(line.minds.toLowerCase()), `minds ${minded}`);
}

const lookedFor = (check: Check): readonly string[] =>
  check.kind === 'condition' ? check.looksFor : [];

// eslint-disable-next-line complexity -- a list of questions, one a line, each asked only where the line has it
function aboutLimit(line: Line, check: Check, want: Want): void {
  const limit = 'limit' in check ? check.limit : undefined;
  if (line.worn) {
    const worn =
      limit?.type === 'wear' ? (limit.limit < limit.nominal ? 'smaller' : 'larger') : 'no limit';
    want(worn === line.worn, `worn ${worn}`);
  }
  if (line.outside) want(limit?.type === 'band' && limit.above === line.outside, 'outside');
  if (line.even) want('maxDifference' in check && check.maxDifference !== undefined, 'even');
  if (line.elongation) want(limit?.type === 'elongation', 'elongation');
  if (line.takeUp) want('takeUp' in check && check.takeUp !== undefined, 'no take-up');
  if (line.unit) want('quantity' in check && check.quantity === line.unit, 'unit');
  if (line.good) want(check.kind === 'feel' && check.good.join() === line.good.join(), 'good');
  if (line.product) want('product' in check && check.product === line.product, 'product');
  const amount = check.kind === 'service' ? (check.amount ?? 0) : 0;
  want(amount >= (line.amountAtLeast ?? 0), `amount ${amount}`);
  if (line.mostAtMost !== undefined)
    want(check.kind === 'service' && (check.most ?? Infinity) <= line.mostAtMost, 'most');
  for (const [crop, option] of Object.entries(line.wants ?? {})) {
    const wanted = check.kind === 'setting' ? expectedOption(check, crop, undefined) : undefined;
    want(wanted?.option === option, `${crop} wants ${wanted?.option ?? 'nothing'}`);
  }
  if (line.renew) want(check.kind === 'count' && check.renew === line.renew, 'renew');
  if (line.leadsTo)
    want(
      (check.kind === 'gonogo' && check.otherwise === line.leadsTo) ||
        (check.kind === 'condition' &&
          check.marked === line.leadsTo &&
          check.damaged === line.leadsTo),
      'leads elsewhere',
    );
}

function aboutParts(line: Line, check: Check, want: Want): void {
  const { parts, knockOns } = check;
  if (line.needs) {
    const needed = parts.flatMap((p) => p.needs ?? []).map((n) => n.name.toLowerCase());
    want(
      needed.some((n) => n.includes(line.needs ?? '')),
      `needs ${needed.join() || 'nothing'}`,
    );
  }
  if (line.soldIn) want(parts[0]?.soldIn === line.soldIn, `sold in ${parts[0]?.soldIn ?? 1}`);
  if (line.heavy) want(parts[0]?.heavy !== undefined, 'no heavy one');
  if (line.superseded) want(parts[0]?.supersededBy !== undefined, 'not superseded');
  for (const id of line.brings ?? [])
    want(
      knockOns.some((k) => 'check' in k && k.check === id),
      `does not bring ${id}`,
    );
  for (const task of line.tasks ?? [])
    want(
      knockOns.some((k) => 'task' in k && k.task.startsWith(task)),
      `no task "${task}"`,
    );
}

function aboutWays(line: Line, check: Check, sheet: SpecSheet, want: Want): void {
  if (line.equipment) want(check.when[line.equipment] !== undefined, `on every ${line.equipment}`);
  if (line.fits) want(check.fits !== undefined, 'on every machine');
  const { versions = [] } = check;
  if (line.versionBy)
    want(
      versions.some((v) => v.when?.[line.versionBy ?? '']),
      `the same for every ${line.versionBy}`,
    );
  if (line.byYear)
    want(
      versions.some((v) => v.built),
      'the same for every year',
    );
  if (!line.school) return;
  const school = sheet.schools.find((s) => s.id === line.school);
  want(school !== undefined, `no school ${line.school}`);
  // every way of it is in the sheet: in a check of its own, or in what differs
  const said = [
    ...sheet.checks
      .filter((c) => c.component === check.component)
      .flatMap((c) => c.when[line.school ?? ''] ?? []),
    ...versions.flatMap((v) => v.when?.[line.school ?? ''] ?? []),
  ];
  for (const { id } of school?.options ?? [])
    want(said.includes(id) || id === school?.chosen, `way ${id} is nowhere`);
  want(said.length > 0, `does not follow ${line.school}`);
}

const stations = [...new Set(LINES.map((l) => l.station))].sort((a, b) => a - b);

describe.each(stations)('station %i holds', (station) => {
  test.each(LINES.filter((l) => l.station === station).map((l) => [l.line, l] as const))(
    '%s',
    (_, line) => {
      if (line.proof) {
        expect(existsSync(resolve(__dirname, '../../..', line.proof))).toBe(true);
        return;
      }
      for (const sheet of sheetsOf(line)) {
        const check = sheet.checks.find((c) => c.id === line.check);
        expect([sheet.model, check?.id]).toEqual([sheet.model, line.check]);
        expect([sheet.model, check && troubles(line, check, sheet)]).toEqual([sheet.model, []]);
      }
    },
  );
});

test('every station of the walk is in the list, and every line is looked for somewhere', () => {
  expect(stations).toEqual([1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12, 13, 14]);
  expect(LINES.filter((l) => !l.check && !l.proof)).toEqual([]);
  // a line that only names a check would be found whatever the check says
  const facts = (l: Line) => Object.keys(l).length - 4;
  expect(LINES.filter((l) => l.check && facts(l) < 1).map((l) => l.line)).toEqual([]);
});

test('the twenty rules are each named', () => {
  const named = new Set(
    LINES.flatMap((l) =>
      [...l.line.matchAll(/rules? ([\d, ]+)\)/g)].flatMap((m) => (m[1] ?? '').split(/,\s*/)),
    ).map(Number),
  );
  for (const m of LINES.flatMap((l) => [...l.line.matchAll(/^Rule (\d+):/g)]))
    named.add(Number(m[1]));
  expect([...named].sort((a, b) => a - b)).toEqual(Array.from({ length: 20 }, (_, i) => i + 1));
});
