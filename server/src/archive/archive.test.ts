import { createHash } from 'node:crypto';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Readable } from 'node:stream';
import { buffer } from 'node:stream/consumers';
import Ajv2020 from 'ajv/dist/2020';
import addFormats from 'ajv-formats';
import { ZipFile } from 'yazl';
import { ARCHIVE_LISTS } from '@green-tally/core/archive';
import { ArchiveManifest, ArchiveTaken, Formats } from '@green-tally/core/contracts/archive';
import { BookKind } from '@green-tally/core/contracts/books';
import { readBook } from '../books/readBook';
import { machineFileOf, MachineRow, PersonRow, ReadingRow } from '../db';
import { readSnapshot } from '../fleetHours/snapshot';
import { readReadingsCsv } from '../walks/readCsv';
import { databaseStore } from '../photos/store';
import { archiveOf, firstAdmin, sendArchive } from '../testing/archive';
import { sentPhoto } from '../testing/photo';
import { machineId, openPlace, problem, signedIn, type Place } from '../testing/place';
import { bringIn } from './read';
import { withSent } from './upload';
import { writeArchive } from './write';
import { openZip } from './zip';

type Agent = Awaited<ReturnType<typeof signedIn>>;

let demo: Place;
let maud: Agent;
let zip: Buffer;
let parts: Map<string, Buffer>;
let folder: string;
beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), 'archive-'));
  demo = await openPlace();
  maud = await signedIn(demo.app, 'maud');
  await sentPhoto(await signedIn(demo.app, 'ines'), machineId('T118'));
  await MachineRow.update(
    { customer: 'Ŵěıřđ 🌾 בדיקה "a", =1+1' },
    { where: { id: machineId('T118') } },
  );
  zip = await archiveOf(maud);
  parts = await unpacked(zip);
});
afterAll(async () => {
  rmSync(folder, { recursive: true });
  await demo.close();
});

let files = 0;
function onDisk(bytes: Buffer): string {
  files += 1;
  const path = join(folder, `${files}.zip`);
  writeFileSync(path, bytes);
  return path;
}

async function unpacked(bytes: Buffer): Promise<Map<string, Buffer>> {
  const open = await openZip(onDisk(bytes));
  const all = new Map<string, Buffer>();
  for (const name of open.entries.keys()) all.set(name, await buffer(await open.read(name)));
  open.close();
  return all;
}

const manifestOf = (of: ReadonlyMap<string, Buffer>): ArchiveManifest =>
  ArchiveManifest.parse(JSON.parse(String(of.get('manifest.json'))));
const sha = (bytes: Buffer): string => createHash('sha256').update(bytes).digest('hex');

/** A zip of some files; what is said of them in the manifest follows them, or is as it was of others. */
async function packed(
  of: ReadonlyMap<string, Buffer>,
  { as }: { as?: ReadonlyMap<string, Buffer> } = {},
): Promise<Buffer> {
  const out = new ZipFile();
  const manifest = manifestOf(as ?? parts);
  const said = as
    ? manifest
    : {
        ...manifest,
        files: manifest.files.flatMap((f) => {
          const bytes = of.get(f.path);
          if (!bytes) return [];
          const rows = f.path.startsWith('data/')
            ? { rows: String(bytes).split('\n').length - 1 }
            : {};
          return [{ ...f, bytes: bytes.length, sha256: sha(bytes), ...rows }];
        }),
      };
  for (const [name, bytes] of of)
    out.addBuffer(name === 'manifest.json' ? Buffer.from(JSON.stringify(said)) : bytes, name);
  out.end();
  return buffer(out.outputStream as Readable);
}

const into = async <T>(work: (place: Place) => Promise<T>): Promise<T> => {
  const place = await openPlace({ demo: false });
  try {
    return await work(place);
  } finally {
    await place.close();
  }
};
/** As the command does it: into a place where nobody is yet. */
const brought = (place: Place, bytes: Buffer, look = false) =>
  bringIn(onDisk(bytes), { db: place.db, photos: databaseStore(place.db.sequelize), look });

describe('an archive', () => {
  test('names every file with its length, hash and rows; the rows are as their schemas say', () => {
    const { files: named } = manifestOf(parts);
    expect(new Set(named.map((f) => f.path))).toEqual(
      new Set([...parts.keys()].filter((p) => p !== 'manifest.json')),
    );
    for (const f of named) {
      const bytes = parts.get(f.path) ?? Buffer.alloc(0);
      expect([f.path, bytes.length, sha(bytes)]).toEqual([f.path, f.bytes, f.sha256]);
    }
    const ajv = addFormats(new Ajv2020({ strict: false }));
    for (const { name } of ARCHIVE_LISTS) {
      const schema = JSON.parse(String(parts.get(`schemas/${name}.schema.json`))) as object;
      const lines = String(parts.get(`data/${name}.jsonl`))
        .split('\n')
        .slice(0, -1);
      const holds = ajv.compile(schema);
      for (const line of lines.slice(0, 200)) {
        const row: unknown = JSON.parse(line);
        expect([name, holds(row), holds.errors]).toEqual([name, true, null]);
      }
    }
    const rows = (name: string) => named.find((f) => f.path === `data/${name}.jsonl`)?.rows;
    expect(rows('readings')).toBeGreaterThan(10_000);
    expect(rows('machines')).toBe(24);
  });
  test('has no password, no session, no key of a link', () => {
    const people = String(parts.get('data/people.jsonl'));
    expect(people).not.toMatch(/argon2|passwordHash|password/);
    expect(String(parts.get('data/report-links.jsonl'))).not.toMatch(/secret/);
    expect([...parts.keys()].join()).not.toMatch(/session|token/);
  });
  test('a place that is not empty takes none', async () => {
    expect((await sendArchive(maud, zip)).status).toBe(409);
    expect(await MachineRow.count()).toBe(24);
  });
  test('every format is told with its fields and an example', async () => {
    const { formats } = Formats.parse((await maud.get('/api/formats').expect(200)).body);
    expect(formats.length).toBeGreaterThan(35);
    for (const f of formats) {
      expect([f.name, f.fields.length > 0, f.example.length > 0]).toEqual([f.name, true, true]);
      for (const { name } of f.fields) expect(name).not.toBe('');
    }
    const readings = formats.find((f) => f.name === 'Readings');
    for (const { about } of readings?.fields ?? []) expect(about).not.toBe('');
    // an example is one that its own reader takes
    const example = (name: string) => formats.find((f) => f.name === name)?.example ?? '';
    const file = (await machineFileOf(machineId('T118')))?.file;
    const [row] = readReadingsCsv(
      example('Readings').replace('A1001', 'T118'),
      file ? [file.machine] : [],
      file?.sheets ?? [],
    );
    expect([row?.errors, row?.reading?.value]).toMatchObject([[], { values: [37.1] }]);
    expect(readSnapshot(example('Fleet snapshot')).equipment).toMatchObject([
      { serial: 'A1001', engine: { hours: 1240.5 } },
    ]);
    for (const { name, row: contract } of ARCHIVE_LISTS) {
      const told = Object.keys(JSON.parse(example(`Archive: ${name}`)) as object);
      expect([name, told]).toEqual([name, Object.keys(contract.shape)]);
    }
    for (const kind of BookKind.options) {
      const lines = await readBook(kind, example(`List of ${kind}`), { branch: 'Here' });
      expect([kind, lines.map((l) => l.errors)]).toEqual([kind, [[]]]);
    }
    const rhea = await signedIn(demo.app, 'rhea');
    const parts = await rhea
      .post('/api/catalogue/import')
      .type('text/csv')
      .send(example('Parts, prices, stock'));
    expect([parts.status, parts.body.errors]).toEqual([200, undefined]);
  });
  test('is for admins', async () => {
    for (const who of ['rhea', 'ines'])
      expect((await (await signedIn(demo.app, who)).get('/api/archive.zip')).status).toBe(403);
  });
});

describe('into an empty place', () => {
  test('and out again: the same counts and the same hashes, file by file', () =>
    into(async (place) => {
      const taken = await brought(place, zip);
      expect(taken.stored).toBe(true);
      expect(taken.photos).toBe(1);
      expect(await ReadingRow.count()).toBe(taken.lists.find((l) => l.name === 'readings')?.rows);
      const again = await unpacked(
        await buffer(
          writeArchive({
            ...{ db: place.db, photos: databaseStore(place.db.sequelize) },
            ...{ by: 'test', now: new Date() },
          }),
        ),
      );
      expect(manifestOf(again).files).toEqual(manifestOf(parts).files);
    }));
  test('by screen: the admin who set it up goes on, by the archive’s own name where it has one', () =>
    into(async (place) => {
      const agent = await firstAdmin(place.app, 'maud');
      const looked = ArchiveTaken.parse((await sendArchive(agent, zip, true)).body);
      expect(looked.stored).toBe(false);
      expect(await MachineRow.count()).toBe(0);
      expect(await PersonRow.count()).toBe(1);
      const taken = ArchiveTaken.parse((await sendArchive(agent, zip)).body);
      expect({ ...taken, stored: false }).toEqual(looked);
      const { body } = await agent.get('/api/session').expect(200);
      expect(body.person).toMatchObject({ name: 'Maud Ellery', signIn: 'maud' });
      await agent.get('/api/yard').expect(200);
      expect(await MachineRow.count()).toBe(24);
      // nothing of it twice: it is not empty any more
      expect((await sendArchive(agent, zip)).status).toBe(409);
      await agent.delete('/api/session');
      await agent
        .post('/api/session')
        .send({ signIn: 'maud', password: 'a long one to type' })
        .expect(201);
      await agent
        .post('/api/session')
        .send({ signIn: 'ines', password: 'before-harvest' })
        .expect(401);
    }));
  test('an admin whom the archive does not know stands beside its people', () =>
    into(async (place) => {
      const agent = await firstAdmin(place.app);
      await sendArchive(agent, zip);
      expect((await agent.get('/api/session')).body.person).toMatchObject({ signIn: 'ada' });
      expect(await PersonRow.count()).toBe(10);
    }));
});

describe('what is no archive, or a spoilt one, stores nothing and says what is wrong', () => {
  /** The same archive with few readings: what is wrong with it is found as well, and sooner. */
  const few = () => {
    const lines = String(parts.get('data/readings.jsonl')).split('\n').slice(0, 50);
    return new Map([...parts, ['data/readings.jsonl', Buffer.from(`${lines.join('\n')}\n`)]]);
  };
  const changed = (path: string, change: (text: string) => string): Map<string, Buffer> =>
    new Map([...few(), [path, Buffer.from(change(String(few().get(path))))]]);
  const without = (path: string) => new Map([...few()].filter(([name]) => name !== path));
  /** One figure is another; the file is as long as it was. */
  const nineForEight = (path: string) =>
    Buffer.from(String(parts.get(path)).replace(/\d/, (d) => (d === '9' ? '8' : '9')));
  const photo = () => [...parts.keys()].find((p) => p.endsWith('.full.jpg')) ?? '';

  test.each<[string, () => Promise<Buffer>, RegExp]>([
    ['a text', async () => Buffer.from('hello'), /cannot be opened as a zip/],
    ['half of one', async () => zip.subarray(0, zip.length / 2), /cannot be opened as a zip/],
    ['no manifest', () => packed(without('manifest.json')), /no manifest/],
    ['a list missing', () => packed(without('data/ticks.jsonl')), /data\/ticks\.jsonl is missing/],
    [
      'a list changed',
      async () => {
        const honest = await unpacked(await packed(few()));
        const suppliers = nineForEight('data/suppliers.jsonl');
        return packed(new Map([...honest, ['data/suppliers.jsonl', suppliers]]), { as: honest });
      },
      /suppliers\.jsonl is not what its manifest says/,
    ],
    [
      'a file more',
      () => packed(new Map([...few(), ['data/more.jsonl', Buffer.from('{}\n')]])),
      /more\.jsonl is in it and not in its manifest/,
    ],
    [
      'no JSON',
      () => packed(changed('data/ticks.jsonl', (t) => `${t}half{\n`)),
      /ticks\.jsonl line \d+ is no JSON/,
    ],
    [
      'cut off',
      () => packed(changed('data/ticks.jsonl', (t) => t.slice(0, -1))),
      /ends in the middle of a row/,
    ],
    [
      'a machine of nobody’s branch',
      () => packed(changed('data/machines.jsonl', (t) => t.replace('Upper Larkmoor', 'Nowhere'))),
      /What it names is not in it/,
    ],
    ['a photo lost', () => packed(without(photo())), /full\.jpg is missing/],
  ])('%s', (_, make, why) =>
    into(async (place) => {
      await expect(brought(place, await make())).rejects.toThrow(why);
      expect([await MachineRow.count(), await PersonRow.count()]).toEqual([0, 0]);
      const [{ n }] = (
        await place.db.sequelize.query('SELECT count(*)::int AS n FROM stored_files')
      )[0] as [{ n: number }];
      expect(n).toBe(0);
    }),
  );
  test('a value that cannot be is named by file, line and field', () =>
    into(async (place) => {
      const agent = await firstAdmin(place.app);
      const spoilt = await packed(
        changed('data/readings.jsonl', (t) => t.replace(/"hours" : [\d.]+/, '"hours" : "many"')),
      );
      const body = problem(await sendArchive(agent, spoilt), 400);
      expect(body.errors[0].field).toMatch(/^data\/readings\.jsonl line 1: hours$/);
      expect((await agent.get('/api/session')).body.person.signIn).toBe('ada');
    }));
  test('one that is written to unpack to more than it says is not unpacked', async () => {
    const bomb = new ZipFile();
    bomb.addBuffer(Buffer.alloc(65 * 1024 * 1024), 'manifest.json');
    bomb.end();
    const bytes = await buffer(bomb.outputStream as Readable);
    expect(bytes.length).toBeLessThan(1_000_000);
    await into((place) => expect(brought(place, bytes)).rejects.toThrow(/manifest is too long/));
  });
  test('more than may be sent is not read to its end', async () => {
    const endless = Readable.from(
      (async function* () {
        for (;;) yield Buffer.alloc(65_536);
      })(),
    );
    await expect(withSent(endless, async () => 'never', 1_000_000)).rejects.toThrow(/larger/);
  });
});
