import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import QRCode from 'qrcode';
import sharp from 'sharp';
import { expect, test } from '@playwright/test';
import { openAs, openYardAs, PHONE } from './steps';

/** Labels: printed, held before a camera that is fed with the picture of one, and as a picture. */
const folder = mkdtempSync(join(tmpdir(), 'green-tally-labels-'));
const film = join(folder, 'label.y4m');
const [WIDE, HIGH] = [640, 480];

/** A still as a film for the fake camera: 4:2:0, the code alone in grey. */
async function filmOf(picture: Buffer): Promise<void> {
  const grey = await sharp(picture)
    .resize(WIDE, HIGH, { fit: 'contain', background: '#fff' })
    .flatten({ background: '#fff' })
    .greyscale()
    .raw()
    .toBuffer();
  const colour = Buffer.alloc((WIDE * HIGH) / 2, 128);
  const frame = Buffer.concat([Buffer.from('FRAME\n'), grey, colour]);
  writeFileSync(
    film,
    Buffer.concat([
      Buffer.from(`YUV4MPEG2 W${WIDE} H${HIGH} F10:1 Ip A1:1 C420jpeg\n`),
      frame,
      frame,
      frame,
    ]),
  );
}

test.use({
  viewport: PHONE,
  permissions: ['camera'],
  launchOptions: {
    executablePath: process.env['CHROMIUM'] ?? '/usr/bin/chromium',
    args: [
      ...['--headless', '--no-sandbox', '--disable-gpu'],
      ...['--use-fake-ui-for-media-stream', '--use-fake-device-for-media-stream'],
      `--use-file-for-fake-video-capture=${film}`,
    ],
  },
});

test('the labels of a machine as PDF → drawn → before the camera → that machine', async ({
  page,
}) => {
  test.slow();
  await openYardAs(page, 'ines');
  const { rows } = (await (await page.request.get('/api/yard?q=T118')).json()) as {
    rows: { machine: { id: string } }[];
  };
  const id = rows[0]?.machine.id ?? '';
  const pdf = join(folder, 'labels.pdf');
  writeFileSync(
    pdf,
    await (await page.request.get(`/api/labels.pdf?machine=${id}&size=a4-8`)).body(),
  );
  const script = resolve(__dirname, '../server/src/testing/renderPdf.mjs');
  execFileSync(process.execPath, [script, pdf, join(folder, 'page'), '150']);
  // the first label alone, as a camera would be held over it
  const mm = 150 / 25.4;
  const label = await sharp(readFileSync(join(folder, 'page-1.png')))
    .extract({
      left: 0,
      top: Math.round(10 * mm),
      width: Math.round(110 * mm),
      height: Math.round(74 * mm),
    })
    .png()
    .toBuffer();
  await filmOf(label);
  await page.goto('/scan');
  await page.getByTestId('use camera').click();
  await expect(page).toHaveURL(new RegExp(`/machine/${id}`));
  await expect(page.getByRole('heading', { name: /T118/ }).first()).toBeVisible();
});

test('a picture of a code: a serial, one of nobody, another place’s, no code, no picture', async ({
  page,
}) => {
  await openAs(page, 'ines', '/scan');
  const choose = async (text: string) =>
    page.getByTestId('label picture').setInputFiles({
      name: 'code.png',
      mimeType: 'image/png',
      buffer: await QRCode.toBuffer(text, { width: 400 }),
    });
  const trouble = page.getByTestId('scan trouble');
  await choose('X999');
  await expect(trouble).toContainText('No machine here is called “X999”');
  await choose('https://else.example/machine/0197a000-0000-7000-8000-000000000001');
  await expect(trouble).toContainText('belongs to else.example');
  await choose(
    `${new URL(page.url()).origin}/card/0197a000-0000-7000-8000-000000000001~abcdefghijklmnopqrstuv`,
  );
  await expect(page.getByText('This link opens nothing')).toBeVisible();
  await page.goto('/scan');
  await page
    .getByTestId('label picture')
    .setInputFiles({ name: 'no.jpg', mimeType: 'image/jpeg', buffer: Buffer.from('none') });
  await expect(trouble).toContainText('no picture that can be read');
  const blank = await sharp({
    create: { width: 300, height: 300, channels: 3, background: '#888' },
  })
    .png()
    .toBuffer();
  await page
    .getByTestId('label picture')
    .setInputFiles({ name: 'no.png', mimeType: 'image/png', buffer: blank });
  await expect(trouble).toContainText('No code is seen');
  await choose('T118');
  await expect(page).toHaveURL(/\/machine\//);
});
