import { expect, test, type Page } from '@playwright/test';
import {
  beginWalk,
  confirmPosition,
  decision,
  keptHere,
  openAs,
  openMachine,
  openStop,
  openYardAs,
  PHONE,
} from './steps';

/** The walk in the yard: how the machine stands, what is called sound, who goes on with it. */
test.use({ viewport: PHONE });

/** Leaves a check for the walk's list. */
const toWalk = async (page: Page) => {
  await page.getByRole('link', { name: 'Back to the walk' }).click();
  await expect(page.getByTestId('walk')).toBeVisible();
};

const readingsOf = async (page: Page, serial: string): Promise<string[]> => {
  const csv = await (await page.request.get('/api/readings.csv')).text();
  return csv.split('\n').filter((l) => l.includes(`${serial},`) && l.includes('2026-06-09'));
};

test('made safe at each change, by whom is said, and it goes on so on another phone', async ({
  browser,
  page,
}) => {
  await openYardAs(page, 'ines');
  await openMachine(page, 'B044');
  await beginWalk(page);
  await expect(page.getByTestId('stands')).toContainText('not confirmed in this walk yet');
  await expect(page.getByTestId('stands')).toContainText(/Next: .+, \d+ checks?/);

  await test.step('under a raised feeder the lift stops come first', async () => {
    await openStop(page, 'feeder-floor');
    await expect(page.getByTestId('safety lift')).toBeVisible();
    await expect(page.getByTestId('confirm position')).toBeDisabled();
    await confirmPosition(page);
    await expect(page.getByTestId('position')).toContainText(/confirmed \d\d:\d\d/);
    await toWalk(page);
    await expect(page.getByTestId('stands')).toContainText('Stands: Feeder fully raised');
  });

  await test.step('a reload forgets nothing of it; the next check there opens at once', async () => {
    await page.reload();
    await expect(page.getByTestId('stands')).toContainText('Stands: Feeder fully raised');
    await openStop(page, 'rock-trap');
    await expect(page.getByTestId('position')).toContainText('confirmed');
    await toWalk(page);
  });

  await test.step('another phone goes on where this one stopped', async () => {
    await expect(page.getByTestId('sync')).toContainText('all sent');
    const other = await (await browser.newContext({ viewport: PHONE })).newPage();
    await openYardAs(other, 'tobin');
    await openMachine(other, 'B044');
    await other.getByRole('button', { name: 'Go on with the walk' }).click();
    await expect(other.getByTestId('stands')).toContainText('by Ines');
    await openStop(other, 'rock-trap');
    await expect(other.getByTestId('position')).toContainText('confirmed');
    // and when it is moved there, this one is told before it reads on
    await openStop2(page, 'feeder-floor');
    await other.getByRole('button', { name: /The machine was moved/ }).click();
    await expect(page.getByTestId('confirm position')).toBeVisible();
    await other.context().close();
  });
});

/** Opens a check of the list that is shown already. */
const openStop2 = async (page: Page, id: string) => {
  await openStop(page, id);
  await expect(page.getByTestId('position')).toContainText('confirmed');
};

test('a running check: everyone clear, run, and stopped before anything else', async ({ page }) => {
  await openYardAs(page, 'ines');
  await openMachine(page, 'B046');
  await beginWalk(page);
  await openStop(page, 'chopper-other-speed');
  await expect(page.getByTestId('safety run')).toBeVisible();
  await confirmPosition(page);
  await toWalk(page);
  await expect(page.getByTestId('stop it')).toBeVisible();
  await expect(page.getByTestId('stopped')).toBeDisabled();
  await openStop(page, 'feeder-floor');
  await expect(page.getByTestId('safety stop')).toBeVisible();
  await toWalk(page);
  for (const i of [0, 1]) await page.getByTestId(`stop ${i}`).click();
  await page.getByTestId('stopped').click();
  await expect(page.getByTestId('stands')).toContainText('not confirmed in this walk yet');
});

test('looks of a station are called sound together, undone, called again; measured ones never', async ({
  page,
}) => {
  await page.clock.install();
  await openYardAs(page, 'ines');
  await openMachine(page, 'B025');
  await beginWalk(page);
  await expect(page.getByTestId('all sound')).toHaveCount(0);
  await openStop(page, 'conveyor-slats');
  await confirmPosition(page);
  await toWalk(page);
  const before = (await readingsOf(page, 'B025')).length;

  const call = page.getByTestId('call all sound').first();
  await expect(call).toBeVisible();
  const title = (await call.textContent()) ?? '';
  const count = Number(/\d+/.exec(title)?.[0]);
  expect(count).toBeGreaterThan(1);
  await call.click();
  await expect(page.getByTestId('called sound')).toHaveText(`${count} called sound`);
  await expect(page.getByTestId('sync')).toContainText('waiting');
  await page.reload();
  await page.getByTestId('undo sound').click();
  await expect(page.getByTestId('called sound')).toHaveCount(0);
  await expect(page.getByTestId('sync')).toContainText('all sent');
  expect((await readingsOf(page, 'B025')).length).toBe(before);

  await page.getByTestId('call all sound').first().click();
  await expect(page.getByTestId('called sound')).toBeVisible();
  await page.clock.fastForward(61_000);
  await expect(page.getByTestId('called sound')).toHaveCount(0);
  await expect(page.getByTestId('sync')).toContainText('all sent');
  const now = (await readingsOf(page, 'B025')).slice(before);
  expect(new Set(now.map((l) => l.split(',')[2])).size).toBe(count);
  expect(now.every((l) => l.includes(',condition,') && l.includes('sound'))).toBe(true);
});

/** A photo as a phone's camera makes one: large, lying on its side, with its place in it. */
async function cameraPhoto(page: Page): Promise<Buffer> {
  const url = await page.evaluate(() => {
    const canvas = Object.assign(document.createElement('canvas'), { width: 2000, height: 1500 });
    const context = canvas.getContext('2d');
    if (!context) throw new Error('no canvas');
    const noise = context.createImageData(2000, 1500);
    for (let i = 0; i < noise.data.length; i += 1)
      noise.data[i] = i % 4 === 3 ? 255 : (i * 7919 + (i >> 5) * 104_729) % 256;
    context.putImageData(noise, 0, 0);
    return canvas.toDataURL('image/jpeg', 0.95);
  });
  return Buffer.from(url.replace(/^[^,]*,/, ''), 'base64');
}

test.describe('photos', () => {
  test.use({ serviceWorkers: 'allow' });
  test('taken without signal, kept over a reload, sent once in range, seen by another', async ({
    browser,
    context,
    page,
  }) => {
    await openYardAs(page, 'ines');
    await openMachine(page, 'T082');
    await beginWalk(page);
    await openStop(page, 'fan-drive-belt');
    await confirmPosition(page);
    await keptHere(page);
    await expect(page.getByTestId('sync')).toContainText('all sent');
    const large = await cameraPhoto(page);
    expect(large.length).toBeGreaterThan(900_000);

    await context.setOffline(true);
    const chosen = { mimeType: 'image/jpeg', buffer: large };
    await page.getByTestId('photo file').setInputFiles([
      { name: 'belt.jpg', ...chosen },
      { name: 'again.jpg', ...chosen },
    ]);
    await expect(page.getByTestId('photo')).toHaveCount(2);
    await expect(page.getByTestId('sync')).toContainText('2 waiting, no signal');
    await page
      .getByTestId('photo file')
      .setInputFiles({ name: 'no.jpg', mimeType: 'image/jpeg', buffer: Buffer.from('no photo') });
    await expect(page.getByText('This file is no picture')).toBeVisible();
    await page.reload();
    await expect(page.getByTestId('photo')).toHaveCount(2);
    await expect(page.getByTestId('photo').first().locator('img')).toBeVisible();

    await context.setOffline(false);
    await expect(page.getByTestId('sync')).toContainText('all sent');
    const other = await (await browser.newContext({ viewport: PHONE })).newPage();
    await openAs(other, 'tobin', page.url());
    await expect(other.getByTestId('photo')).toHaveCount(2);
    await other.getByTestId('photo').first().click();
    await expect(other.getByTestId('open photo')).toContainText('Ines Marrow');
    const src = await other.getByTestId('photo').first().locator('img').getAttribute('src');
    expect(src).toMatch(/^blob:/);
    await other.context().close();

    // what lies at the server is small and without the camera's words
    const { photos } = (await (
      await page.request.get(
        `/api/machines/${/machineId|walk\/([^/]+)/.exec(page.url())?.[1]}/changes`,
      )
    ).json()) as { photos: { id: string; bytes: number }[] };
    expect(photos).toHaveLength(2);
    for (const { id, bytes } of photos) {
      expect(bytes).toBeLessThanOrEqual(400_000);
      const kept = await (await page.request.get(`/api/photos/${id}`)).body();
      expect(kept.length).toBe(bytes);
      expect(kept.includes(Buffer.from('Exif'))).toBe(false);
    }

    await page.getByTestId('photo').first().click();
    await page.getByRole('button', { name: 'Take away' }).click();
    await page.getByRole('button', { name: 'Tap again to take it away' }).click();
    await expect(page.getByTestId('photo')).toHaveCount(1);
  });
});

test('two on one machine: whose is whose; a check taken by both asks which is right', async ({
  browser,
  page,
}) => {
  await openYardAs(page, 'ines');
  await openMachine(page, 'B050');
  await beginWalk(page);
  await openStop(page, 'feeder-floor');
  await confirmPosition(page);
  await expect(page.getByTestId('sync')).toContainText('all sent');
  const context = await browser.newContext({ viewport: PHONE });
  const other = await context.newPage();
  await openAs(other, 'tobin', page.url());
  await expect(other.getByTestId('position')).toContainText('confirmed');

  // neither hears of the other
  await page.context().setOffline(true);
  await context.setOffline(true);
  await page.getByRole('radio', { name: /Sound/ }).first().click();
  await page.getByTestId('judge').click();
  await decision(page, 'Holds');
  await expect(page.getByTestId('both took')).toHaveCount(0);
  await other
    .getByRole('radio', { name: /Marked/ })
    .first()
    .click();
  await other.getByRole('checkbox', { name: 'dent' }).click();
  await other.getByTestId('judge').click();
  await decision(other, 'Watch');
  await page.context().setOffline(false);
  await context.setOffline(false);

  for (const one of [page, other]) {
    await expect(one.getByTestId('both took')).toContainText('Two of you read it, differently');
    await decision(one, 'Remeasure');
    await expect(one.getByTestId('why')).toContainText('read it differently in this walk');
  }
  await page.getByRole('button', { name: /^Tobin.*’s is right/ }).click();
  for (const one of [page, other]) {
    await decision(one, 'Watch');
    await expect(one.getByTestId('both took')).toHaveCount(0);
  }
  await toWalk(page);
  await page.getByLabel('Find a check').fill('feeder-floor');
  await expect(page.getByTestId('stop feeder-floor')).toContainText(/read by Tobin/);
  await context.close();
});

test('after the end a reading is only struck, with why; nothing takes its place', async ({
  page,
}) => {
  await openYardAs(page, 'ines');
  await openMachine(page, 'T104');
  const before = (await readingsOf(page, 'T104')).length;
  await page.goto(`/walk/${/machine\/([^/]+)/.exec(page.url())?.[1]}/fan-drive-belt`);
  await expect(page.getByTestId('outside a walk')).toBeVisible();
  const said = (await page.getByTestId('why').textContent()) ?? '';
  await page.getByRole('button', { name: 'A reading was wrong' }).click();
  const card = page.getByTestId('strike');
  await card.getByRole('radio').first().click();
  await card.getByRole('button', { name: /Strike it, say why/ }).click();
  await expect(card.getByRole('button', { name: /^Strike it/ })).toBeDisabled();
  await card.getByLabel('Why it was wrong').fill('Belt of the machine beside it');
  await card.getByRole('button', { name: /^Strike it/ }).click();
  await expect(page.getByTestId('strike')).toHaveCount(0);
  await expect(page.getByTestId('why')).not.toHaveText(said);
  await expect(page.getByTestId('sync')).toContainText('all sent');
  const now = await readingsOf(page, 'T104');
  expect(now).toHaveLength(before + 1);
  expect(now.at(-1)).toContain('Belt of the machine beside it');
  await page.reload();
  await expect(page.getByTestId('why')).not.toHaveText(said);
});

test('a tool of one’s own out of date, the wireless gauge, a caliper with a cable: each says so', async ({
  page,
}) => {
  await openAs(page, 'ines', '/settings/tools');
  const form = page.getByTestId('tool form');
  await form.getByLabel('Name, as it is marked').fill('Caliper 7');
  await form.getByTestId('keep tool').click();
  await expect(form).toContainText('one division of its scale, above 0');
  await form.getByLabel('One division of its scale').fill('0,1');
  await form.getByLabel(/Calibrated on/).fill('2027-01-01');
  await form.getByTestId('keep tool').click();
  await expect(form).toContainText('a day up to 2026-06-09');
  await form.getByLabel(/Calibrated on/).fill('2025-03-01');
  await form.getByTestId('keep tool').click();
  await expect(page.getByTestId('tool Caliper 7')).toContainText('out of date since 2026-03-01');

  await page.goto('/');
  await openMachine(page, 'T131');
  await beginWalk(page);
  await openStop(page, 'fan-drive-belt');
  await confirmPosition(page);

  await test.step('one’s own, out of date', async () => {
    await page.getByTestId('key tool').click();
    await page.getByRole('radio', { name: /Caliper 7/ }).click();
    await expect(page.getByTestId('tools')).toContainText('counts twice');
    await page.getByTestId('tool done').click();
    await expect(
      page.getByLabel(/reading 1 · Caliper 7, reads to 0.1 mm, out of date/),
    ).toBeVisible();
    await page.getByTestId('pad text').fill('36.5');
    await page.getByTestId('judge').click();
    await expect(page.getByTestId('doubted tool')).toContainText('Read with Caliper 7');
    await expect(page.getByTestId('verdict')).toContainText('36.5 mm ±0.12');
  });

  await test.step('the gauge pairs by the code it shows, and writes into the pad', async () => {
    await page.getByRole('button', { name: /The reading was wrong/ }).click();
    const { gauge } = (await (await page.request.get('/api/session')).json()) as { gauge: string };
    const face = await (await page.request.get(gauge)).text();
    await page.getByTestId('key tool').click();
    await page.getByLabel('Code on the wireless gauge').fill('12');
    await page.getByTestId('pair gauge').click();
    await expect(page.getByText('That is not the code on its display.')).toBeVisible();
    await page
      .getByLabel('Code on the wireless gauge')
      .fill(/<output id="code">(\d+)/.exec(face)?.[1] ?? '');
    await page.getByTestId('pair gauge').click();
    await page.getByRole('radio', { name: /Simulated gauge/ }).click();
    await page.getByTestId('tool done').click();
    await expect(page.getByTestId('tool at hand')).toContainText('press its button');
    const press = (quantity: string, truth: number) =>
      page.request.post(`${gauge}/press`, { data: { quantity, truth } });
    await press('force', 200);
    await expect(page.getByTestId('pad text')).toHaveValue('');
    const sent = (await (await press('length', 36.7)).json()) as { value: number };
    await expect(page.getByTestId('pad text')).toHaveValue(String(sent.value));
    await page.getByTestId('judge').click();
    await expect(page.getByTestId('verdict')).toContainText(`${sent.value} mm`);
    await expect(page.getByTestId('doubted tool')).toHaveCount(0);
  });

  await test.step('a caliper that types, without the pad being touched', async () => {
    await page.getByRole('button', { name: /The reading was wrong/ }).click();
    await expect(page.getByTestId('pad text')).toBeVisible();
    await page.keyboard.type('36.81\n', { delay: 5 });
    await expect(page.getByTestId('verdict')).toContainText('36.81 mm');
  });

  const [last] = (await readingsOf(page, 'T131')).slice(-1);
  expect(last).toContain('36.81');
});

test('a walk is begun from what was looked at last, or by search', async ({ page }) => {
  await openYardAs(page, 'ines');
  await openMachine(page, 'T082');
  await page.goto('/walk');
  await page.getByTestId('recent').getByRole('link', { name: /T082/ }).click();
  await expect(page.getByTestId('plan walk').or(page.getByTestId('walk'))).toBeVisible();
  await page.goto('/walk');
  await page.getByLabel('Find a machine to walk').fill('T133');
  await expect(page.getByText('Found by “T133”')).toBeVisible();
  await page.getByTestId('machine T133').first().click();
  await expect(page.getByTestId('plan walk').or(page.getByTestId('walk'))).toBeVisible();
});
