import { writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, test, type Page } from '@playwright/test';
import { pluck } from '@green-tally/core/note';
import { random } from '@green-tally/core/random';
import { openAs, PHONE } from './steps';

/** A belt's note through a microphone that is fed with plucks of known pitch, and from recordings. */
const RATE = 48_000;

/** A recording as a WAV file, 16 bits, one channel. */
function wavOf(samples: Float32Array): Buffer {
  const peak = samples.reduce((most, x) => Math.max(most, Math.abs(x)), 0) || 1;
  const data = Buffer.alloc(44 + 2 * samples.length);
  data.write('RIFF', 0);
  data.writeUInt32LE(36 + 2 * samples.length, 4);
  data.write('WAVEfmt ', 8);
  data.writeUInt32LE(16, 16);
  data.writeUInt16LE(1, 20);
  data.writeUInt16LE(1, 22);
  data.writeUInt32LE(RATE, 24);
  data.writeUInt32LE(2 * RATE, 28);
  data.writeUInt16LE(2, 32);
  data.writeUInt16LE(16, 34);
  data.write('data', 36);
  data.writeUInt32LE(2 * samples.length, 40);
  samples.forEach((x, i) =>
    data.writeInt16LE(
      Math.max(-32_000, Math.min(32_000, Math.round((x / peak) * 18_000))),
      44 + 2 * i,
    ),
  );
  return data;
}

/** Plucked in pink noise as loud as itself, with hum of the mains. */
const plucked = (frequency: number, seed: number): Buffer =>
  wavOf(
    pluck(
      { frequency, decay: 0.6, at: 0.22, inharmonicity: 1e-4 },
      { snr: 0, mains: 50, humLevel: -6 },
      { rate: RATE, seconds: 3 },
      random(seed),
    ),
  );

const FED = 42;
const fed = join(tmpdir(), `green-tally-pluck-${process.pid}.wav`);
writeFileSync(fed, plucked(FED, 5));

test.use({
  viewport: PHONE,
  permissions: ['microphone'],
  launchOptions: {
    executablePath: process.env['CHROMIUM'] ?? '/usr/bin/chromium',
    args: [
      ...[
        '--headless',
        '--no-sandbox',
        '--disable-gpu',
        '--autoplay-policy=no-user-gesture-required',
      ],
      ...['--use-fake-ui-for-media-stream', '--use-fake-device-for-media-stream'],
      `--use-file-for-fake-audio-capture=${fed}`,
    ],
  },
});

/** The notes that were heard, Hz. */
async function heard(page: Page): Promise<number[]> {
  const text = (await page.getByTestId('plucks').textContent()) ?? '';
  return [...text.matchAll(/([\d.]+) Hz(?=,|Median)/g)].map((m) => Number(m[1]));
}

test('plucks through the microphone: the note within 1 %, the median of three, and its tension', async ({
  page,
}) => {
  await openAs(page, 'ines', '/bench/belt?show=note&mass=0.42&large=400&small=250&centre=900');
  await page.getByTestId('listen now').click();
  await expect(page.getByTestId('plucks')).toContainText(/(Hz.*){3}Median/);
  for (const f of (await heard(page)).slice(0, 3)) expect(Math.abs(f / FED - 1)).toBeLessThan(0.01);
  await page.getByTestId('use note').click();
  await expect(page.getByTestId('listen now')).toBeVisible();
  const note = Number(await page.getByLabel('Note, Hz').inputValue());
  expect(Math.abs(note / FED - 1)).toBeLessThan(0.01);
  await expect(page.getByTestId('result Tension of the strand')).toContainText(/23\d\d N|24\d\d N/);
});

test('recordings: three notes within 1 %; noise, a text and silence are no note and say why', async ({
  page,
}) => {
  await openAs(page, 'ines', '/bench/belt?show=note');
  const file = page.getByTestId('recording');
  const give = (name: string, buffer: Buffer) =>
    file.setInputFiles({ name, mimeType: 'audio/wav', buffer });
  for (const [i, f] of [28, 61, 110].entries()) {
    await give(`${f}.wav`, plucked(f, 10 + i));
    await expect(page.getByTestId('heard')).toContainText('A note of');
    const [found] = await heard(page);
    expect(Math.abs((found ?? 0) / f - 1)).toBeLessThan(0.01);
    await page.getByTestId('forget plucks').click();
  }
  await give('text.wav', Buffer.from('this is no sound'));
  await expect(page.getByTestId('listen')).toContainText('no sound that this browser can read');
  await give('still.wav', wavOf(new Float32Array(RATE)));
  await expect(page.getByTestId('heard')).toContainText('Nothing is heard');
  await expect(page.getByTestId('plucks')).toHaveCount(0);
  // the phone can be tried by its own speaker
  await page.getByTestId('sound tone').click();
  await expect(page.getByTestId('listen')).not.toContainText('Not heard');
});

test.describe('without leave', () => {
  test.use({ permissions: [] });
  test('a browser without a microphone says so, and offers a recording', async ({ page }) => {
    await page.addInitScript(() => {
      Object.defineProperty(navigator, 'mediaDevices', { value: undefined });
    });
    await openAs(page, 'ines', '/bench/belt?show=note');
    await page.getByTestId('listen now').click();
    await expect(page.getByTestId('listen')).toContainText('gives no microphone');
  });
  for (const [name, words] of [
    ['NotAllowedError', 'was refused'],
    ['NotFoundError', 'has no microphone'],
  ] as const)
    test(`${name} is said in words`, async ({ page }) => {
      await page.addInitScript((error) => {
        navigator.mediaDevices.getUserMedia = () => Promise.reject(new DOMException('no', error));
      }, name);
      await openAs(page, 'ines', '/bench/belt?show=note');
      await page.getByTestId('listen now').click();
      await expect(page.getByTestId('listen')).toContainText(words);
    });
});
