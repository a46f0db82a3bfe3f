import { spawn } from 'node:child_process';
import { expect, test, type BrowserContext, type Page } from '@playwright/test';
import { openMachine, PHONE, signIn } from '../steps';
import { dice, entriesOf, linesOf, type Check, type Line } from './script';
import { take } from './take';

/*
 * A whole walk from a script of readings, through the interface only; then the database holds exactly
 * the script. `npm run whole`; it is long, and no part of `npm test`.
 */
test.use({ viewport: PHONE, serviceWorkers: 'allow' });
test.setTimeout(60 * 60_000);

const SEED = Number(process.env['SEED'] ?? 20260609);

interface Scripted {
  readonly check: Check;
  readonly entries: ReturnType<typeof entriesOf>;
  readonly lines: readonly Line[];
}

async function checksOf(page: Page, machineId: string): Promise<Check[]> {
  const checks: Check[] = [];
  let cursor: string | null = null;
  do {
    const more: string = cursor ? `&cursor=${encodeURIComponent(cursor)}` : '';
    const answer = (await (
      await page.request.get(`/api/machines/${machineId}/checks?limit=100${more}`)
    ).json()) as { items: Check[]; next: string | null };
    checks.push(...answer.items);
    cursor = answer.next;
  } while (cursor);
  return checks;
}

const scriptOf = (checks: readonly Check[]): ReadonlyMap<string, Scripted> => {
  const roll = dice(SEED);
  return new Map(
    checks.map((check) => {
      const entries = entriesOf(check, roll);
      return [check.id, { check, entries, lines: linesOf(check, entries) }];
    }),
  );
};

/** The readings of a walk as the database holds them, by the readings file. */
async function heldOf(page: Page, serial: string, walkId: string): Promise<Line[]> {
  const csv = await (await page.request.get('/api/readings.csv')).text();
  const [head = [], ...rows] = csv.trim().split('\n').map(cellsOf);
  const cell = (row: readonly string[], name: string) => row[head.indexOf(name)] ?? '';
  return rows
    .filter((r) => cell(r, 'walk') === walkId && cell(r, 'machine') === serial)
    .map((r) => ({
      check: cell(r, 'check'),
      place: cell(r, 'place'),
      quantity: cell(r, 'quantity'),
      value: cell(r, 'value'),
    }));
}

/** Cells of a row; quoted ones may hold commas. */
function cellsOf(row: string): string[] {
  return [...row.replace(/\r$/, '').matchAll(/("(?:[^"]|"")*"|[^,]*)(?:,|$)/g)]
    .map(([, cell = '']) => (cell.startsWith('"') ? cell.slice(1, -1).replaceAll('""', '"') : cell))
    .slice(0, -1);
}

const keyOf = (l: Line): string =>
  `${l.check} | ${l.place} | ${l.quantity} | ${/^[\d.]+$/.test(l.value) ? Number(l.value) : l.value}`;

/** Begins a walk over some checks, or all of them, and goes through the gate. */
async function begin(page: Page, machineId: string, only: readonly string[] | null): Promise<void> {
  if (only) await page.goto(`/walk/${machineId}?only=${only.join(',')}`);
  else {
    await page.goto(`/walk/${machineId}`);
    await page.getByTestId('other kinds').click();
    await page.getByRole('radio', { name: /^Everything/ }).click();
    await page.getByTestId('to gate').click();
  }
  for (let i = 0; i < 5; i += 1) await page.getByTestId(`gate ${i}`).click();
  await page.getByRole('button', { name: /Made safe/ }).click();
  await expect(page.getByTestId('walk')).toBeVisible();
}

/** Takes what is left of a walk, check after check as it is offered, until `stop` or its end. */
async function walkOn(
  page: Page,
  script: ReadonlyMap<string, Scripted>,
  done: string[],
  stop: number,
): Promise<void> {
  await page
    .getByRole('button', { name: /^(First|Next): / })
    .first()
    .click();
  while (done.length < stop) {
    const id = /walk\/[^/]+\/([^/?]+)/.exec(page.url())?.[1] ?? '';
    const scripted = script.get(id);
    if (!scripted) throw new Error(`no script for ${id || page.url()}`);
    await test.step(`${done.length + 1} ${id}`, () => take(page, scripted.check, scripted.entries));
    done.push(id);
    if (done.length % 25 === 0) process.stdout.write(`  ${done.length} checks\n`);
    await page.getByTestId('next check').click();
    const walk = page.getByTestId('walk');
    await expect(
      walk.or(page.getByTestId('check')).or(page.getByTestId('check verdict')),
    ).toBeVisible();
    await expect(page.getByTestId('check verdict')).toHaveCount(0);
    if (await walk.isVisible()) return;
  }
}

async function walkOf(page: Page, machineId: string): Promise<string> {
  const { walks } = (await (
    await page.request.get(`/api/machines/${machineId}/changes`)
  ).json()) as { walks: { id: string; startedAt: string }[] };
  return [...walks].sort((a, b) => (a.startedAt < b.startedAt ? 1 : -1))[0]?.id ?? '';
}

/** What was taken, in its order; what work on another check has loosened was taken twice. */
const takenOf = (
  script: ReadonlyMap<string, Scripted>,
  done: readonly string[],
): readonly Scripted[] => done.flatMap((id) => script.get(id) ?? []);

/** The database holds exactly the script: nothing lost, doubled or changed. */
async function holdsExactly(
  page: Page,
  { serial, machineId }: { readonly serial: string; readonly machineId: string },
  script: readonly Scripted[],
): Promise<void> {
  const held = (await heldOf(page, serial, await walkOf(page, machineId))).map(keyOf).sort();
  const wanted = script.flatMap((s) => s.lines.map(keyOf)).sort();
  expect(held).toEqual(wanted);
  process.stdout.write(
    `  ${serial}: ${held.length} readings of ${script.length} checks, exactly\n`,
  );
}

const photo = async (page: Page): Promise<Buffer> => {
  const url = await page.evaluate(() => {
    const canvas = Object.assign(document.createElement('canvas'), { width: 640, height: 480 });
    canvas.getContext('2d')?.fillRect(40, 40, 300, 200);
    return canvas.toDataURL('image/jpeg', 0.9);
  });
  return Buffer.from(url.replace(/^[^,]*,/, ''), 'base64');
};

async function opened(page: Page, serial: string): Promise<string> {
  await signIn(page, 'ines');
  await openMachine(page, serial);
  await page.evaluate(() => navigator.serviceWorker.ready);
  await page.reload();
  await expect(page.getByTestId('machine')).toBeVisible();
  return /machine\/([^/?]+)/.exec(page.url())?.[1] ?? '';
}

test('a rotary combine with its row-crop head, without signal from start to end, the tab killed in the middle', async ({
  context,
  page: first,
}) => {
  const serial = 'T104';
  const machineId = await opened(first, serial);
  const checks = await checksOf(first, machineId);
  const most = Number(process.env['CHECKS'] ?? checks.length);
  const script = scriptOf(checks);
  await context.setOffline(true);
  const begun = Date.now();
  const only = most < checks.length ? checks.slice(0, most).map((c) => c.id) : null;
  await begin(first, machineId, only);
  const done: string[] = [];
  await walkOn(first, script, done, Math.floor(most / 2));
  const large = await photo(first);
  await first.goto(`/walk/${machineId}/${done[0]}`);
  await first
    .getByTestId('photo file')
    .setInputFiles({ name: 'a.jpg', mimeType: 'image/jpeg', buffer: large });
  await expect(first.getByTestId('photo')).toHaveCount(1);

  // killed as it stands: another tab goes on with what this device keeps
  await first.close();
  const page = await context.newPage();
  await page.goto(`/walk/${machineId}`);
  await expect(page.getByTestId('walk')).toBeVisible();
  await walkOn(page, script, done, Infinity);
  const minutes = (Date.now() - begun) / 60_000;
  process.stdout.write(`  ${done.length} checks in ${minutes.toFixed(1)} min\n`);
  expect(new Set(done).size).toBe(most);
  await expect(page.getByTestId('walk')).toContainText(`${most} of ${most}`);

  await context.setOffline(false);
  await expect(page.getByTestId('sync')).toContainText('all sent', { timeout: 120_000 });
  await holdsExactly(page, { serial, machineId }, takenOf(script, done));
  const { photos } = (await (
    await page.request.get(`/api/machines/${machineId}/changes`)
  ).json()) as { photos: object[] };
  expect(photos).toHaveLength(1);
});

/** A short walk without signal, ready to be sent. */
async function shortWalk(page: Page, context: BrowserContext, serial: string, count: number) {
  const machineId = await opened(page, serial);
  const checks = (await checksOf(page, machineId)).filter((_, i) => i % 7 === 0).slice(0, count);
  const script = scriptOf(checks);
  await context.setOffline(true);
  await begin(
    page,
    machineId,
    checks.map((c) => c.id),
  );
  const done: string[] = [];
  await walkOn(page, script, done, Infinity);
  expect(new Set(done).size).toBe(checks.length);
  return { machineId, script: takenOf(script, done) };
}

test('every answer is lost once', async ({ context, page }) => {
  const serial = 'T131';
  const { machineId, script } = await shortWalk(page, context, serial, 16);
  const lost = new Set<string>();
  await context.route('**/api/{walks,readings,ticks,work}**', async (route) => {
    const key = `${route.request().method()} ${route.request().url()} ${route.request().postData()}`;
    if (route.request().method() === 'GET' || lost.has(key)) return route.continue();
    lost.add(key);
    await route.fetch().catch(() => undefined);
    await route.abort();
  });
  await context.setOffline(false);
  await expect(page.getByTestId('sync')).toContainText('all sent', { timeout: 600_000 });
  expect(lost.size).toBeGreaterThan(2);
  await holdsExactly(page, { serial, machineId }, script);
});

test('the server is killed again and again while it is being sent', async ({ context, page }) => {
  const serial = 'T120';
  const { machineId, script } = await shortWalk(page, context, serial, 16);
  const pid = Number(process.env['SERVER_PID']);
  const start = () =>
    spawn(process.execPath, ['server/dist/serve.mjs'], {
      env: {
        ...process.env,
        DATABASE_URL: process.env['SERVER_DATABASE'],
        PORT: process.env['SERVER_PORT'],
      },
      stdio: 'ignore',
    });
  let server: ReturnType<typeof start> | undefined;
  const kill = () => (server ? server.kill('SIGKILL') : process.kill(pid, 'SIGKILL'));
  // dies at the first answer of each of these while it is on its way
  let deaths = 0;
  await context.route('**/api/{walks,readings,ticks,work}**', async (route) => {
    if (route.request().method() === 'GET' || deaths >= 4) return route.continue();
    deaths += 1;
    const answered = route.fetch().catch(() => undefined);
    await new Promise((late) => setTimeout(late, 5 * deaths));
    kill();
    await answered;
    await route.abort();
    server = start();
  });
  try {
    await context.setOffline(false);
    await expect(page.getByTestId('sync')).toContainText('all sent', { timeout: 300_000 });
    expect(deaths).toBe(4);
    await holdsExactly(page, { serial, machineId }, script);
  } finally {
    server?.kill('SIGTERM');
  }
});
