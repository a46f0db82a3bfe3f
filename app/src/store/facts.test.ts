import { Dexie } from 'dexie';
import type { MachineChanges, Reading, SheetRef, SpecSheet } from '@green-tally/core/contracts';
import { answering } from '../testing/answering';
import { machineFile, MACHINE_ID, reading } from '../testing/fixtures';
import { Unreachable } from './api';
import { askMachine, forget, layIn, layTables, noteLook } from './facts';
import { machineHere } from './here';
import { local } from './local';

const file = machineFile();
const sheets = new Map(file.sheets.map((s) => [s.model, s]));
const belt = (mm: number): Reading =>
  reading('fan-drive-belt', 'belt', { kind: 'measure', values: [mm], typed: [], unit: 'mm' });

/** What the server has, and what it was asked. */
let server: { version: number; basis: string; since: Map<number, Reading[]>; dropped: string[] };
let asked: string[] = [];
let offline = false;
/** Runs while an answer is under way. */
let meanwhile: (() => Promise<unknown>) | undefined;

const ref = ({ model, revision }: SpecSheet): SheetRef => ({ model, revision });
function answer(url: URL): unknown {
  const sheet = /specs\/(.+)\/revisions/.exec(url.pathname)?.[1];
  if (sheet) return sheets.get(decodeURIComponent(sheet));
  const wanted = Number(url.searchParams.get('since'));
  const since = wanted > server.version ? 0 : wanted;
  const known = url.searchParams.get('basis') === server.basis && since > 0;
  return {
    machine: file.machine,
    version: server.version,
    since,
    basis: server.basis,
    judgedBy: known
      ? null
      : { sheets: file.sheets.map(ref), earlier: [], rates: {}, hands: {}, times: {}, costs: null },
    readings: [...server.since].flatMap(([at, readings]) => (at > since ? readings : [])),
    walks: file.walks,
    ...{
      work: [],
      ticks: [],
      visits: [],
      photos: [],
      said: [],
      dropped: since ? server.dropped : [],
    },
  } satisfies MachineChanges;
}

beforeEach(async () => {
  for (const table of local.tables) await table.clear();
  server = { version: 3, basis: 'b1', since: new Map(), dropped: [] };
  asked = [];
  offline = false;
  meanwhile = undefined;
  answering(async (path) => {
    if (offline) return undefined;
    const url = new URL(path, 'http://here');
    asked.push(`${url.pathname}${url.search}`);
    const body = answer(url);
    await meanwhile?.();
    return { body };
  });
});
afterAll(() => local.close());

const readingsHere = async () =>
  (await machineHere(MACHINE_ID))?.file.readings.map((r) => r.id).sort();
const ids = (...readings: Reading[]) => readings.map((r) => r.id).sort();

test('work kept by an earlier edition has what it has now, with nothing in it', async () => {
  await local.layFile(file, '');
  const old = {
    ...{ id: '0197a000-0000-7000-8000-00000000aa01', machineId: MACHINE_ID, cover: null },
    ...{ checkId: 'fan-drive-belt', decision: 'replace', places: ['belt'], reason: 'worn' },
    ...{ minutes: 90, parts: [], acceptedBy: 'Rhea', withdrawnAt: null },
    acceptedAt: '2026-06-09T08:00:00.000Z',
  };
  await local.work.put(old as never);
  expect((await machineHere(MACHINE_ID))?.file.work).toEqual([
    { ...old, from: 'verdict', task: null, mates: [], learnt: null, proposed: null, worked: [] },
  ]);
});

describe("a machine's facts on this device", () => {
  test('are not there before they were asked for', async () =>
    expect(await machineHere(MACHINE_ID)).toBeUndefined());

  test('come whole the first time, with each sheet fetched once', async () => {
    const r = belt(37);
    server.since.set(3, [r]);
    await askMachine(MACHINE_ID);
    expect((await machineHere(MACHINE_ID))?.file).toEqual({ ...file, readings: [r] });
    expect(asked.filter((a) => a.startsWith('/specs'))).toHaveLength(2);
    await askMachine(MACHINE_ID);
    expect(asked.filter((a) => a.startsWith('/specs'))).toHaveLength(2);
    expect(asked.at(-1)).toBe(`/machines/${MACHINE_ID}/changes?since=3&basis=b1`);
  });

  test('then only what is new is asked for, and added', async () => {
    const [first, second] = [belt(37), belt(36)];
    server.since.set(3, [first]);
    await askMachine(MACHINE_ID);
    server.version = 4;
    server.since = new Map([[4, [second]]]);
    await askMachine(MACHINE_ID);
    expect(await readingsHere()).toEqual(ids(first, second));
    await askMachine(MACHINE_ID);
    expect(await readingsHere()).toEqual(ids(first, second));
  });

  test('what was sent while the whole was under way is not lost by it', async () => {
    const [old, sentNow] = [belt(37), belt(36)];
    server.since.set(3, [old]);
    await local.layFile(machineFile([belt(35)]), '');
    meanwhile = () => local.readings.put(sentNow);
    await askMachine(MACHINE_ID);
    // the one that the server does not have is gone, the one just sent is not
    expect(await readingsHere()).toEqual(ids(old, sentNow));
  });

  test('a server that was put back to an earlier day is followed', async () => {
    server.since.set(3, [belt(37)]);
    await askMachine(MACHINE_ID);
    const left = belt(36);
    server = { version: 2, basis: 'b1', since: new Map([[2, [left]]]), dropped: [] };
    await askMachine(MACHINE_ID);
    expect(await readingsHere()).toEqual(ids(left));
  });

  test('forgotten while an answer was under way, it is not half there', async () => {
    await askMachine(MACHINE_ID);
    server.version = 4;
    meanwhile = () => forget([MACHINE_ID]);
    await askMachine(MACHINE_ID);
    expect(await machineHere(MACHINE_ID)).toBeUndefined();
    expect(await local.walks.count()).toBe(0);
  });

  test.each([0, 1])(
    'revisions it needs are not cleared away as needed by nobody before it is kept (%d there before)',
    async (there) => {
      await local.sheets.bulkPut(file.sheets.slice(0, there));
      // what tidies up comes between any two answers
      meanwhile = () => forget([]);
      await askMachine(MACHINE_ID);
      expect(asked.length).toBeGreaterThan(2 - there);
      expect(await local.sheets.count()).toBe(2);
      expect(await machineHere(MACHINE_ID)).toBeDefined();
    },
  );

  test('two questions at once: the later answer is the one that stays', async () => {
    const [old, later] = [belt(37), belt(36)];
    server.since.set(3, [old]);
    let slow = true;
    meanwhile = async () => {
      if (!slow) return;
      slow = false;
      server.version = 4;
      server.since.set(4, [{ ...later, note: 'as it is now' }]);
      await new Promise((done) => setTimeout(done, 30));
    };
    await Promise.all([askMachine(MACHINE_ID), askMachine(MACHINE_ID)]);
    expect(await readingsHere()).toEqual(ids(old, later));
    expect((await local.machines.get(MACHINE_ID))?.version).toBe(4);
  });

  test('an answer older than what another tab has laid meanwhile is left', async () => {
    await askMachine(MACHINE_ID);
    const changed = { ...belt(36), note: 'as it is now' };
    server.version = 4;
    server.since.set(4, [{ ...changed, note: '' }]);
    meanwhile = async () => {
      await local.readings.put(changed);
      await local.machines.update(MACHINE_ID, { version: 5, stamp: 2 });
    };
    await askMachine(MACHINE_ID);
    expect((await local.readings.get(changed.id))?.note).toBe('as it is now');
    expect((await local.machines.get(MACHINE_ID))?.version).toBe(5);
  });

  test('without signal what is here stays, and that it was not reached is said', async () => {
    server.since.set(3, [belt(37)]);
    await askMachine(MACHINE_ID);
    offline = true;
    await expect(askMachine(MACHINE_ID)).rejects.toBeInstanceOf(Unreachable);
    expect(await readingsHere()).toHaveLength(1);
  });

  test('forgetting leaves nothing of it behind but what is still to be sent', async () => {
    server.since.set(3, [belt(37)]);
    await askMachine(MACHINE_ID);
    const r = belt(36);
    const entry = { id: r.id, machineId: MACHINE_ID, kind: 'reading' as const, body: r };
    await local.outgoing.put({ ...entry, queuedAt: '', state: 'waiting', why: '' });
    expect(await forget([MACHINE_ID])).toBe(0);
    expect(await readingsHere()).toHaveLength(1);
    await local.outgoing.clear();
    expect(await forget([MACHINE_ID])).toBe(1);
    expect(await Promise.all(local.tables.map((t) => t.count()))).toEqual(
      local.tables.map(() => 0),
    );
  });

  test('what has not changed is not read again: the same file, whatever waits beside it', async () => {
    const r = belt(37);
    server.since.set(3, [r]);
    await askMachine(MACHINE_ID);
    const first = await machineHere(MACHINE_ID);
    const entry = { machineId: MACHINE_ID, kind: 'reading' as const, queuedAt: '', why: '' };
    const waits = belt(36);
    await local.outgoing.put({ ...entry, id: waits.id, body: waits, state: 'waiting' });
    const second = await machineHere(MACHINE_ID);
    expect(second?.file).toBe(first?.file);
    expect(second?.outgoing).toHaveLength(1);
    // sent, it is among the facts; told once more by the server, nothing has changed
    await local.transaction('rw', [local.outgoing, ...layTables()], async () => {
      await layIn([{ ...entry, id: waits.id, body: waits, state: 'waiting' }]);
      await local.outgoing.clear();
    });
    const third = await machineHere(MACHINE_ID);
    expect(third?.file).not.toBe(first?.file);
    expect(third?.file.readings).toHaveLength(2);
    server.version = 4;
    server.since.set(4, [waits]);
    await askMachine(MACHINE_ID);
    expect((await machineHere(MACHINE_ID))?.file).toBe(third?.file);
    expect((await local.machines.get(MACHINE_ID))?.version).toBe(4);
  });

  test('what was sent is laid into what was read: all else the same, and as if read again', async () => {
    const [r, later] = [belt(37), belt(36)];
    server.since.set(3, [r]);
    await askMachine(MACHINE_ID);
    const first = await machineHere(MACHINE_ID);
    const entry = { machineId: MACHINE_ID, queuedAt: '', state: 'waiting' as const, why: '' };
    const tick = {
      ...{
        id: '0197a000-0000-7000-8000-00000000aa02',
        machineId: MACHINE_ID,
        key: 'a',
        done: true,
      },
      ...{ at: '2026-06-09T08:00:00.000Z', by: 'Ines', note: '', until: null, answer: null },
    };
    const sent = [
      { ...entry, id: later.id, kind: 'reading' as const, body: later },
      { ...entry, id: tick.id, kind: 'tick' as const, body: tick },
    ];
    await local.transaction('rw', layTables(), () => layIn(sent));
    const laid = await machineHere(MACHINE_ID);
    expect(laid?.file.readings).toHaveLength(2);
    expect(laid?.file.readings).toContain(first?.file.readings[0]);
    expect(laid?.file.ticks).toHaveLength(1);
    await local.machines.update(MACHINE_ID, { stamp: 1 });
    const again = await machineHere(MACHINE_ID);
    expect(again?.file.readings[0]).not.toBe(laid?.file.readings[0]);
    expect(again?.file).toEqual(laid?.file);
  });

  test('where laying in breaks off, nothing of it is shown', async () => {
    await askMachine(MACHINE_ID);
    await machineHere(MACHINE_ID);
    const r = belt(37);
    const entry = { machineId: MACHINE_ID, queuedAt: '', state: 'waiting' as const, why: '' };
    const laying = local.transaction('rw', layTables(), async () => {
      await layIn([{ ...entry, id: r.id, kind: 'reading', body: r }]);
      throw new Error('broke off');
    });
    await expect(laying).rejects.toThrow('broke off');
    expect((await machineHere(MACHINE_ID))?.file.readings).toEqual([]);
  });

  test('a look is noted, and stays over the next question', async () => {
    await askMachine(MACHINE_ID);
    await local.machines.update(MACHINE_ID, { lookedAt: '2020', chosen: true });
    await askMachine(MACHINE_ID);
    expect(await local.machines.get(MACHINE_ID)).toMatchObject({ lookedAt: '2020', chosen: true });
    await noteLook(MACHINE_ID);
    expect((await local.machines.get(MACHINE_ID))?.lookedAt).not.toBe('2020');
  });
});

test('files that an earlier edition kept whole are there after the app has changed', async () => {
  local.close();
  await Dexie.delete('green-tally');
  const before = new Dexie('green-tally');
  before.version(1).stores({ outgoing: 'id, machineId, state', kept: 'path' });
  const r = belt(37);
  await before.table('kept').bulkPut([
    { path: `/machines/${MACHINE_ID}`, answer: machineFile([r]), at: '2026-06-09' },
    { path: '/machines/other', answer: { nonsense: true }, at: '2026-06-09' },
    { path: '/yard', answer: { rows: [] }, at: '2026-06-09' },
  ]);
  before.close();
  await local.open();
  expect((await machineHere(MACHINE_ID))?.file.readings).toEqual([r]);
  expect((await local.kept.toArray()).map((k) => k.path)).toEqual(['/yard']);
  expect((await local.machines.get(MACHINE_ID))?.version).toBe(0);
});
