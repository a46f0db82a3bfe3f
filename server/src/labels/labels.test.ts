import jsQR from 'jsqr';
import sharp from 'sharp';
import { LABEL_SHEETS, LABEL_SIZES } from '@green-tally/core/labels';
import { machineId, openPlace, problem, signedIn, type Place } from '../testing/place';
import { readPdf } from '../testing/readPdf';

let place: Place;
let ines: Awaited<ReturnType<typeof signedIn>>;
const T118 = machineId('T118');
beforeAll(async () => {
  place = await openPlace();
  ines = await signedIn(place.app, 'ines');
});
afterAll(() => place.close());

const DPI = 200;
const MM = DPI / 25.4;
const asked = async (query: string) =>
  readPdf((await ines.get(`/api/labels.pdf?${query}`).expect(200)).body, DPI);

/** The code of the label at a place of a sheet, read by a reader that is not ours. */
async function codeAt(
  picture: Buffer | undefined,
  size: keyof typeof LABEL_SHEETS,
  n: number,
): Promise<string | undefined> {
  const s = LABEL_SHEETS[size];
  const [col, row] = [n % s.across, Math.floor(n / s.across)];
  const [left, top] = [(s.left + col * s.stepX) * MM, (s.top + row * s.stepY) * MM];
  const box = {
    left: Math.round(left),
    top: Math.round(top),
    width: Math.floor(s.height * MM),
    height: Math.floor(s.height * MM),
  };
  const { data, info } = await sharp(picture)
    .extract(box)
    .extend({ top: 20, bottom: 20, left: 20, right: 20, background: '#fff' })
    .ensureAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true });
  return jsQR(new Uint8ClampedArray(data), info.width, info.height)?.data;
}

test.each(LABEL_SIZES)(
  '%s: the code of a machine opens it, its serial stands in plain print',
  async (size) => {
    const { pages, pictures } = await asked(`machine=${T118}&size=${size}&skip=2`);
    expect(pages).toHaveLength(1);
    expect(pages[0]?.text).toContain('T118');
    expect(await codeAt(pictures[0], size, 2)).toMatch(new RegExp(`/machine/${T118}$`));
    expect(await codeAt(pictures[0], size, 0)).toBeUndefined();
  },
);

test('all of a branch, over as many sheets as it takes; a station each; a header under its own serial', async () => {
  const all = await asked('size=a4-8');
  expect(all.pages.length).toBeGreaterThan(1);
  const serials = all.pages.map((p) => p.text).join(' ');
  expect(serials).toContain('T118');
  expect(serials).not.toContain('B031');
  const stations = await asked(`machine=${T118}&kind=station`);
  expect(await codeAt(stations.pictures[0], 'a4-24', 0)).toMatch(/station=\d+$/);
  expect((await asked(`machine=${T118}&kind=header`)).pages[0]?.text).toContain('on T118');
});

test('a card’s label opens its link while it stands; taken back, there is none', async () => {
  await ines.get(`/api/labels.pdf?machine=${T118}&kind=card`).expect(404);
  const { id, key } = (await ines.post(`/api/machines/${T118}/cards`).expect(201)).body;
  const { pictures } = await asked(`machine=${T118}&kind=card&size=a4-8`);
  expect(await codeAt(pictures[0], 'a4-8', 0)).toContain(`/card/${key}`);
  await ines.delete(`/api/cards/${id}`).expect(200);
  await ines.get(`/api/labels.pdf?machine=${T118}&kind=card`).expect(404);
});

test('what is no size, and another branch’s machine, are refused', async () => {
  problem(await ines.get('/api/labels.pdf?size=a9'), 400, 'size');
  problem(await ines.get('/api/labels.pdf?skip=99'), 400, 'skip');
  problem(await ines.get('/api/labels.pdf?kind=station'), 400, 'machine');
  await ines.get(`/api/labels.pdf?machine=${machineId('B031')}`).expect(403);
});
