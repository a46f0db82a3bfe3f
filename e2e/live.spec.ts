import { expect, test } from '@playwright/test';
import {
  beginWalk,
  confirmPosition,
  openMachine,
  openStop,
  openYardAs,
  PHONE,
  WIDE,
} from './steps';

/** Two people, two devices. */
test.use({ viewport: PHONE, serviceWorkers: 'allow' });

test('a walk begun on one phone shows on the planner’s Yard by itself', async ({
  page,
  browser,
}) => {
  const desk = await (await browser.newContext({ viewport: WIDE })).newPage();
  await openYardAs(desk, 'maud');
  const row = desk.getByTestId('machine T135');
  await expect(row).toBeVisible();
  const before = (await row.textContent()) ?? '';
  let loads = 0;
  desk.on('load', () => (loads += 1));

  await openYardAs(page, 'sana');
  await openMachine(page, 'T135');
  const answered = page.waitForResponse((r) => /\/api\/walks\//.test(r.url()) && r.ok());
  const begun = beginWalk(page);
  await answered;
  const from = Date.now();
  await expect(row).not.toHaveText(before);
  process.stdout.write(`on the other's Yard after ${Date.now() - from} ms\n`);
  await begun;
  expect(loads).toBe(0);
  await desk.context().close();
});

test('without signal and back, with readings on both sides: both have both, each once', async ({
  page,
  context,
  browser,
}) => {
  await openYardAs(page, 'ines');
  await openMachine(page, 'B050');
  await beginWalk(page);
  await openStop(page, 'fan-drive-belt');
  await confirmPosition(page);
  await expect(page.getByTestId('sync')).toContainText('all sent');
  await context.setOffline(true);
  await page.getByTestId('pad text').fill('32.9');
  await page.getByTestId('judge').click();
  await expect(page.getByTestId('decision')).toBeVisible();

  const other = await (await browser.newContext({ viewport: PHONE })).newPage();
  await openYardAs(other, 'rhea');
  const { rows } = (await (await other.request.get('/api/yard')).json()) as {
    rows: { machine: { id: string; serial: string } }[];
  };
  const machine = rows.find((r) => r.machine.serial === 'B050')?.machine.id ?? '';
  const count = async () => {
    const file = (await (await other.request.get(`/api/machines/${machine}`)).json()) as {
      readings: { id: string; value: { kind: string; values?: number[] } }[];
    };
    return file.readings;
  };
  const there = await count();
  // the other's reading, as its phone sends it
  const like = there.find((r) => r.value.kind === 'measure') as unknown as Record<string, unknown>;
  const mine = {
    ...like,
    id: crypto.randomUUID(),
    takenAt: '2026-06-08T16:00:00.000Z',
    hours: (await machineHours(other, machine)) ?? 0,
    note: 'as it was',
    strikes: null,
    walkId: null,
  };
  const sent = await other.request.post('/api/readings:batch', { data: { readings: [mine] } });
  expect(await sent.json()).toMatchObject({ results: [{ result: 'accepted' }] });

  await context.setOffline(false);
  await expect(page.getByTestId('sync')).toContainText('all sent');
  await expect.poll(async () => (await count()).length).toBe(there.length + 2);
  const all = await count();
  expect(new Set(all.map((r) => r.id)).size).toBe(all.length);
  // and the phone that was away has the other's: it is there without signal
  await expect.poll(() => page.evaluate(hasReading, mine.id)).toBe(true);
  await other.context().close();
});

async function machineHours(
  { request }: { request: import('@playwright/test').APIRequestContext },
  id: string,
): Promise<number> {
  const file = (await (await request.get(`/api/machines/${id}`)).json()) as {
    machine: { hours: number };
  };
  return file.machine.hours;
}

/** Runs in the page: whether its device keeps a reading. */
function hasReading(id: string): Promise<boolean> {
  return new Promise((done, fail) => {
    const open = indexedDB.open('green-tally');
    open.onerror = () => fail(open.error ?? new Error('no database'));
    open.onsuccess = () => {
      const get = open.result.transaction('readings').objectStore('readings').get(id);
      get.onsuccess = () => {
        done(get.result !== undefined);
        open.result.close();
      };
      get.onerror = () => fail(get.error ?? new Error('not read'));
    };
  });
}
