import sharp from 'sharp';
import { expect, test, type Locator, type Page } from '@playwright/test';
import { toMm, toPx } from '@green-tally/core/photo';
import { lookBy, photograph, type Photographed, type Scene } from '@green-tally/core/photoScene';
import { random } from '@green-tally/core/random';
import {
  beginWalk,
  confirmPosition,
  openAs,
  openMachine,
  openStop,
  openYardAs,
  PHONE,
} from './steps';

/** Lengths from photos that were rendered with the strip in them, their truth known. */
test.use({ viewport: PHONE });

const LOOK = { ...lookBy(random(4), [1800, 1200], false), tilt: 14, lens: 0.03, print: 1.002 };

const photoOf = (scene: Scene, seed: number, look = LOOK) => photograph(scene, look, seed);

const jpegOf = ({ rgba, width, height }: Photographed): Promise<Buffer> =>
  sharp(Buffer.from(rgba.buffer), { raw: { width, height, channels: 4 } })
    .jpeg({ quality: 88 })
    .toBuffer();

const choose = (page: Page, buffer: Buffer, name = 'chain.jpg', mimeType = 'image/jpeg') =>
  page.getByTestId('strip photo').setInputFiles({ name, mimeType, buffer });

/** Taps a place of the photo, px of it. */
async function tapAt(
  shown: Locator,
  [x, y]: readonly [number, number],
  { width, height }: Photographed,
) {
  await shown.scrollIntoViewIfNeeded();
  const box = await shown.boundingBox();
  if (!box) throw new Error('the photo is not shown');
  await shown.click({ position: { x: (x / width) * box.width, y: (y / height) * box.height } });
}

/** The length that is shown and its ±, mm. */
async function lengthShown(page: Page): Promise<readonly [number, number]> {
  const text = (await page.getByTestId('result Length').textContent()) ?? '';
  const [, length = '', u = ''] = /([\d.]+) ± ([\d.]+) mm/.exec(text) ?? [];
  return [Number(length), Number(u)];
}

test('a chain beside the strip: two taps, its length within ±, and back into its check with the photo', async ({
  page,
}) => {
  test.slow();
  await openYardAs(page, 'sana');
  await openMachine(page, 'T114');
  await beginWalk(page);
  await openStop(page, 'elevator-chain-elongation');
  await confirmPosition(page);
  await page.getByRole('link', { name: /from a photo/ }).click();
  const about = (await page.getByText(/^Over \d+ pitches/).textContent()) ?? '';
  const [, pitches = '', long = ''] = /Over (\d+) pitches.* ([\d.]+) mm when new/.exec(about) ?? [];
  const pitch = (Number(long) / Number(pitches)) * 1.012;
  const photo = photoOf({ kind: 'chain', pitch, pitches: Number(pitches), width: 0 }, 21);
  await page.getByLabel('The strip’s 100 mm bar, by caliper').fill('100.2');
  await choose(page, await jpegOf(photo));
  await expect(page.getByTestId('photo found')).toContainText('13 of 13 cells');
  for (const end of photo.ends) await tapAt(page.getByTestId('photo'), end, photo);
  await expect(page.getByTestId('result Length')).toBeVisible();
  // how it stands is not said yet: that is no level, and the photo is not sure
  const [, unsaid] = await lengthShown(page);
  expect(unsaid).toBeGreaterThan(0.002 * photo.length);
  await page.getByLabel('Nearer to the camera than the strip, mm').fill('0');
  await expect.poll(async () => (await lengthShown(page))[1]).toBeLessThan(unsaid);
  const [length, u] = await lengthShown(page);
  expect(Math.abs(length - photo.length)).toBeLessThanOrEqual(u);
  await page.reload();
  await expect(page.getByTestId('photo again')).toBeVisible();
  await expect.poll(() => lengthShown(page)).toEqual([length, u]);
  expect(u).toBeLessThan(0.002 * length);
  await expect(page.getByTestId('result Elongation')).toContainText(/1\.[12]\d? ± /);
  await page.getByTestId('take to check').click();
  await expect(
    page
      .getByTestId('tool at hand')
      .or(page.getByText(/photo, reads to 0\.\d/))
      .first(),
  ).toContainText('photo');
  await expect(page.getByTestId('photos').getByTestId('photo')).toHaveCount(1);
  // where it belongs now: the bench is empty again
  await page.getByRole('link', { name: /from a photo/ }).click();
  await expect(page.getByRole('button', { name: 'Take the photo' })).toBeVisible();
  await expect(page.getByTestId('photo again')).toHaveCount(0);
});

test('a belt across: snapped to both edges wherever they are tapped; unproved print is wider', async ({
  page,
}) => {
  await openAs(page, 'rhea', '/bench/photo');
  await page.getByRole('radio', { name: 'Edge to edge' }).click();
  const photo = photoOf({ kind: 'belt', pitch: 0, pitches: 0, width: 34 }, 22);
  await choose(page, await jpegOf(photo));
  // not opposite each other: straight across all the same
  const at = photo.ends.map((end) => toMm(photo.plane, end) ?? [NaN, NaN]);
  for (const [i, by] of [-14, 17].entries()) {
    const [x, y] = at[i] ?? [NaN, NaN];
    await tapAt(page.getByTestId('photo'), toPx(photo.plane, [x + by, y]), photo);
  }
  await expect(page.getByTestId('result Length')).toBeVisible();
  const [length, u] = await lengthShown(page);
  expect(Math.abs(length - 34)).toBeLessThanOrEqual(u);
  await page.getByLabel('The strip’s 100 mm bar, by caliper').fill('100.2');
  await expect.poll(async () => (await lengthShown(page))[1]).toBeLessThan(u);
  await page.getByLabel('The strip’s 100 mm bar, by caliper').fill('10 cm of nothing');
  await expect(page.getByTestId('result Length')).toBeHidden();
  await page.getByLabel('The strip’s 100 mm bar, by caliper').fill('80');
  await expect(page.getByTestId('photo said')).toContainText('between 95 and 105 mm');
});

test('no strip, no picture, a mark by eye moved by key: each says so', async ({ page }) => {
  await openAs(page, 'rhea', '/bench/photo');
  const blank = await sharp({
    create: { width: 800, height: 600, channels: 3, background: '#777' },
  })
    .jpeg()
    .toBuffer();
  await choose(page, blank);
  await expect(page.getByText(/No strip is seen/)).toBeVisible();
  await choose(page, Buffer.from('not a picture'), 'notes.jpg');
  await expect(page.getByText(/no picture that can be read/)).toBeVisible();
  const photo = photoOf({ kind: 'chain', pitch: 25.4, pitches: 8, width: 0 }, 23);
  await choose(page, await jpegOf(photo));
  await tapAt(page.getByTestId('photo'), photo.ends[0], photo);
  await page.getByTestId('holds').click();
  await tapAt(page.getByTestId('photo'), photo.ends[1], photo);
  await expect(page.getByText(/A mark is by eye/)).toBeVisible();
  const [before, u] = await lengthShown(page);
  expect(Math.abs(before - photo.length)).toBeLessThanOrEqual(u);
  await page.getByTestId('closer').focus();
  await page.keyboard.press('Shift+ArrowRight');
  await expect.poll(async () => (await lengthShown(page))[0]).not.toBe(before);
});
