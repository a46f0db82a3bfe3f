import { randomUUID } from 'node:crypto';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import sharp from 'sharp';
import { MachineChanges, type Photo } from '@green-tally/core/contracts';
import { aPhoto, photoOf } from '../testing/photo';
import { machineId, openPlace, problem, signedIn, type Place } from '../testing/place';
import { s3Store } from './s3Store';
import { databaseStore, type FileStore } from './store';

let place: Place;
type Agent = Awaited<ReturnType<typeof signedIn>>;
let ines: Agent;
let photo: Buffer;
const T118 = machineId('T118');
beforeAll(async () => {
  place = await openPlace();
  ines = await signedIn(place.app, 'ines');
  photo = await aPhoto();
});
afterAll(() => place.close());

const announce = (id: string, change: object = {}, who = ines) =>
  who.put(`/api/photos/${id}`).send(photoOf(T118, photo.length, change));
const part = (id: string, from: number, data: Buffer, who = ines) =>
  who.post(`/api/photos/${id}/parts?from=${from}`).type('image/jpeg').send(data);
const whole = async (data = photo, change: object = {}): Promise<string> => {
  const id = randomUUID();
  await announce(id, { bytes: data.length, ...change }).expect(200);
  await part(id, 0, data).expect(200);
  return id;
};
const kept = async (): Promise<Photo[]> =>
  MachineChanges.parse((await ines.get(`/api/machines/${T118}/changes`)).body).photos;

describe('a photo', () => {
  test('in parts, broken off and gone on with, is whole in the end, once', async () => {
    const id = randomUUID();
    expect((await announce(id)).body).toEqual({ have: 0, done: false });
    const half = Math.floor(photo.length / 2);
    expect((await part(id, 0, photo.subarray(0, half))).body).toEqual({ have: half, done: false });
    // the answer was lost: the same part again changes nothing, nor one from elsewhere
    expect((await part(id, 0, photo.subarray(0, half))).body).toEqual({ have: half, done: false });
    expect((await part(id, half + 5, photo.subarray(half + 5))).body.have).toBe(half);
    expect((await announce(id)).body).toEqual({ have: half, done: false });
    expect(await kept()).not.toContainEqual(expect.objectContaining({ id }));
    const last = await part(id, half, photo.subarray(half));
    expect(last.body).toEqual({ have: photo.length, done: true });
    expect((await part(id, half, photo.subarray(half))).body.done).toBe(true);
    expect((await announce(id)).body).toEqual({ have: photo.length, done: true });
    expect((await kept()).filter((p) => p.id === id)).toEqual([
      expect.objectContaining({ by: 'Ines Marrow', checkId: 'fan-drive-belt', dropped: null }),
    ]);
  });
  test('is shown as it was sent, and small; who may see it is asked each time, the bytes are sent once', async () => {
    const id = await whole();
    const full = await ines.get(`/api/photos/${id}`).responseType('blob').expect(200);
    expect(full.headers['cache-control']).toBe('private, no-cache');
    const again = { 'if-none-match': full.headers['etag'] ?? '' };
    await ines.get(`/api/photos/${id}`).set(again).expect(304);
    const corin = await signedIn(place.app, 'corin');
    await corin.get(`/api/photos/${id}`).set(again).expect(403);
    expect(full.headers['content-type']).toBe('image/jpeg');
    expect(Buffer.compare(full.body, photo)).toBe(0);
    const large = await whole(await aPhoto(900, 600));
    const small = await ines.get(`/api/photos/${large}?size=small`).responseType('blob');
    expect(await sharp(small.body).metadata()).toMatchObject({ width: 320, height: 213 });
  });
  test('all parts here but not yet looked through: an empty part ends it', async () => {
    const id = randomUUID();
    await announce(id).expect(200);
    // as after a server that was killed between the last part and its answer
    await place.db.sequelize.query('INSERT INTO photo_parts VALUES ($1, 0, $2)', {
      bind: [id, photo],
    });
    expect((await announce(id)).body).toEqual({ have: photo.length, done: false });
    const end = await part(id, photo.length, Buffer.alloc(0));
    expect(end.body.done).toBe(true);
  });
  test('leaves place and time of the camera behind, and stands upright', async () => {
    const told = await sharp(await aPhoto(200, 100))
      .withExif({ IFD0: { Copyright: 'somebody' }, IFD3: { GPSLatitude: '51/1 30/1 0/1' } })
      .withMetadata({ orientation: 6 })
      .jpeg()
      .toBuffer();
    expect((await sharp(told).metadata()).exif).toBeDefined();
    const id = await whole(told);
    const { body } = await ines.get(`/api/photos/${id}`).responseType('blob');
    const { exif, width, height, orientation } = await sharp(body).metadata();
    expect({ exif, width, height, orientation }).toEqual({
      exif: undefined,
      width: 100,
      height: 200,
      orientation: undefined,
    });
    expect((await kept()).find((p) => p.id === id)).toMatchObject({ width: 100, height: 200 });
  });
});

describe('what is no photo, or not theirs', () => {
  test.each([
    ['text', () => Buffer.from('<script>alert(1)</script>'.repeat(20))],
    [
      'a PNG',
      () =>
        sharp({ create: { width: 9, height: 9, channels: 3, background: 'red' } })
          .png()
          .toBuffer(),
    ],
    ['half a photo', () => photo.subarray(0, Math.floor(photo.length / 2))],
  ])('%s is refused, nothing of it is kept, and it may be announced anew', async (_, make) => {
    const data = await make();
    const id = randomUUID();
    await announce(id, { bytes: data.length }).expect(200);
    problem(await part(id, 0, data), 400);
    problem(await part(id, 0, data), 404);
    expect((await announce(id, { bytes: data.length })).body).toEqual({ have: 0, done: false });
    problem(await ines.get(`/api/photos/${id}`), 404);
  });
  test('more than was announced, and more than a photo may be', async () => {
    const id = randomUUID();
    await announce(id, { bytes: 10 }).expect(200);
    problem(await part(id, 0, photo), 400);
    problem(await announce(randomUUID(), { bytes: 5_000_000 }), 400);
  });
  test('the id of another photo', async () => {
    const id = await whole();
    problem(await announce(id, { checkId: 'knife-sections' }), 409);
    const open = randomUUID();
    await announce(open).expect(200);
    problem(await announce(open, { checkId: 'knife-sections' }), 409);
  });
  test('another branch neither sends nor sees it', async () => {
    const id = await whole();
    const other = await signedIn(place.app, 'sana');
    problem(await other.get(`/api/photos/${id}`), 403);
    problem(await announce(randomUUID(), {}, other), 403);
    problem(await other.delete(`/api/photos/${id}`), 403);
    const open = randomUUID();
    await announce(open).expect(200);
    problem(await part(open, 0, photo, other), 403);
  });
  test('taken away by who took it or a planner: it is seen no more, and stays on record', async () => {
    const id = await whole();
    const tobin = await signedIn(place.app, 'tobin');
    problem(await tobin.delete(`/api/photos/${id}`), 403);
    await ines.delete(`/api/photos/${id}`).expect(200);
    await ines.delete(`/api/photos/${id}`).expect(200);
    problem(await ines.get(`/api/photos/${id}`), 404);
    expect((await kept()).find((p) => p.id === id)?.dropped).toMatchObject({ by: 'Ines Marrow' });
    const rhea = await signedIn(place.app, 'rhea');
    await rhea.delete(`/api/photos/${await whole()}`).expect(200);
  });
});

/** A bucket in memory that speaks as much of S3 as is asked of it. */
function bucket(): Promise<{
  server: Server;
  url: string;
  files: Map<string, Buffer>;
  asked: string[];
}> {
  const files = new Map<string, Buffer>();
  const asked: string[] = [];
  const server = createServer((req, res) => {
    const key = (req.url ?? '').split('?')[0] ?? '';
    asked.push(
      `${req.method} ${/^AWS4-HMAC-SHA256 /.test(req.headers.authorization ?? '') ? 'signed' : 'unsigned'}`,
    );
    const parts: Buffer[] = [];
    req.on('data', (d: Buffer) => parts.push(d));
    req.on('end', () => {
      if (req.method === 'PUT') files.set(key, Buffer.concat(parts));
      if (req.method === 'DELETE') files.delete(key);
      const found = files.get(key);
      if (req.method === 'GET' && found) return res.end(found);
      if (req.method === 'GET') {
        res.writeHead(404, { 'content-type': 'application/xml' });
        return res.end('<Error><Code>NoSuchKey</Code><Message>none</Message></Error>');
      }
      return res.writeHead(req.method === 'DELETE' ? 204 : 200).end();
    });
  });
  return new Promise((resolve) =>
    server.listen(0, '127.0.0.1', () =>
      resolve({
        server,
        url: `http://127.0.0.1:${(server.address() as AddressInfo).port}`,
        files,
        asked,
      }),
    ),
  );
}

describe('where photos lie', () => {
  const keepsFiles = async (store: FileStore) => {
    await store.keep('photos/a/full.jpg', Buffer.from('one'));
    await store.keep('photos/a/full.jpg', Buffer.from('one'));
    expect(Buffer.from((await store.read('photos/a/full.jpg')) ?? []).toString()).toBe('one');
    expect(await store.read('photos/b/full.jpg')).toBeUndefined();
    await store.drop('photos/a/full.jpg');
    await store.drop('photos/a/full.jpg');
    expect(await store.read('photos/a/full.jpg')).toBeUndefined();
  };
  test('the database', () => keepsFiles(databaseStore(place.db.sequelize)));
  test('an S3-compatible store, asked with a signature', async () => {
    const { server, url, files, asked } = await bucket();
    try {
      await keepsFiles(
        s3Store({
          bucket: 'tally',
          endpoint: url,
          region: 'eu-test-1',
          credentials: { accessKeyId: 'key', secretAccessKey: 'secret' },
        }),
      );
      expect(files.size).toBe(0);
      expect(asked.every((a) => a.endsWith(' signed'))).toBe(true);
      expect(asked[0]).toBe('PUT signed');
    } finally {
      server.close();
    }
  });
});
