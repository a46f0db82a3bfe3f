import { answering } from '../testing/answering';
import { machineFile } from '../testing/fixtures';
import { choose, freeRoom, LOOKED_AT_KEPT, onlyLookedAt, takeAlong } from './along';
import { local, type KeptMachine } from './local';

const ines = 'ines';
const { machine } = machineFile();
let visits: { machineId: string; technicianId: string; startsOn: string }[] = [];
let asked: string[] = [];
let offline = false;

beforeEach(async () => {
  for (const table of local.tables) await table.clear();
  visits = [];
  asked = [];
  offline = false;
  answering((path) => {
    if (offline) return undefined;
    const id = /machines\/([^/]+)\/changes/.exec(path)?.[1];
    if (!id) return { body: { visits: visits.map((visit) => ({ visit, machine })), next: null } };
    asked.push(id);
    return {
      body: {
        ...{ machine: { ...machine, id }, version: 1, since: 0, basis: 'b', dropped: [] },
        judgedBy: { sheets: [], earlier: [], rates: {}, hands: {}, times: {}, costs: null },
        ...{ readings: [], walks: [], work: [], ticks: [], visits: [] },
      },
    };
  });
});
afterAll(() => local.close());

const uuid = (n: number) => `0197a000-0000-7000-8000-${String(n).padStart(12, '0')}`;
const keep = (id: string, change: Partial<KeptMachine> = {}) =>
  local.machines.put({
    ...{ id, machine: { ...machine, id }, version: 1, basis: 'b' },
    judgedBy: { sheets: [], earlier: [], rates: {}, hands: {}, times: {}, costs: null },
    ...{
      askedAt: '2020-01-01',
      lookedAt: '2020-01-01',
      stamp: 1,
      chosen: false,
      planned: false,
      ...change,
    },
  });
const here = async () => (await local.machines.toArray()).map((m) => m.id).sort();

describe('what a device takes along', () => {
  test('machines its person has a visit to within two weeks, and no others’', async () => {
    visits = [
      { machineId: uuid(1), technicianId: 'ines', startsOn: '2026-06-12' },
      { machineId: uuid(2), technicianId: 'odd', startsOn: '2026-06-12' },
      { machineId: uuid(3), technicianId: 'ines', startsOn: '2026-07-12' },
    ];
    await takeAlong(ines, '2026-06-09');
    expect(await here()).toEqual([uuid(1)]);
    expect(await local.machines.get(uuid(1))).toMatchObject({ planned: true, chosen: false });
  });

  test('those that were chosen, asked for anew when they are no longer new', async () => {
    await keep(uuid(1), { chosen: true });
    await keep(uuid(2), { chosen: true, askedAt: new Date().toISOString() });
    await takeAlong(ines, '2026-06-09');
    expect(asked).toEqual([uuid(1)]);
  });

  test('a visit that is off again no longer holds its machine', async () => {
    await keep(uuid(1), { planned: true });
    await takeAlong(ines, '2026-06-09');
    expect(await local.machines.get(uuid(1))).toMatchObject({ planned: false });
  });

  test('what was only looked at makes room, the oldest first', async () => {
    for (let n = 1; n <= LOOKED_AT_KEPT + 3; n += 1)
      await keep(uuid(n), { lookedAt: `2026-01-01T00:00:${String(n).padStart(2, '0')}` });
    await keep(uuid(90), { chosen: true, lookedAt: '2019', askedAt: new Date().toISOString() });
    await takeAlong(ines, '2026-06-09');
    expect(await here()).toHaveLength(LOOKED_AT_KEPT + 1);
    expect(await here()).not.toContain(uuid(3));
    expect(await here()).toEqual(expect.arrayContaining([uuid(4), uuid(90)]));
    expect((await onlyLookedAt())[0]?.id).toBe(uuid(LOOKED_AT_KEPT + 3));
  });

  test('without signal nothing is cleared away and nothing is said', async () => {
    for (let n = 1; n <= LOOKED_AT_KEPT + 1; n += 1) await keep(uuid(n));
    offline = true;
    await takeAlong(ines, '2026-06-09');
    expect(await here()).toHaveLength(LOOKED_AT_KEPT + 1);
  });

  test('chosen it is fetched and stays; room is freed of all else', async () => {
    await keep(uuid(2));
    await choose(uuid(1), true);
    await local.kept.put({ path: '/yard', answer: {}, at: '' });
    expect(await freeRoom()).toBe(1);
    expect(await here()).toEqual([uuid(1)]);
    expect(await local.kept.count()).toBe(0);
    await choose(uuid(1), false);
    expect(await freeRoom()).toBe(1);
    expect(await here()).toEqual([]);
  });
});

describe('small pictures', () => {
  const photo = (n: number, change: object = {}) => ({
    ...{ id: uuid(100 + n), machineId: uuid(1), walkId: null, checkId: 'x', place: '' },
    ...{ bytes: 9, width: 1, height: 1, takenAt: `2026-06-0${n}T08:00:00.000Z`, by: 'Ines' },
    ...{ dropped: null, ...change },
  });

  test('of a machine taken along come along, but for what is here or was taken away', async () => {
    const asked: string[] = [];
    answering((path) => {
      const id = /photos\/([^?]+)/.exec(path)?.[1];
      if (id) {
        asked.push(id);
        return id === uuid(103)
          ? { status: 404, body: { type: 'about:blank', title: 'gone', status: 404 } }
          : { body: {} };
      }
      if (!path.includes('/changes')) return { body: { visits: [], next: null } };
      return {
        body: {
          ...{ machine: { ...machine, id: uuid(1) }, version: 1, since: 0, basis: 'b' },
          judgedBy: { sheets: [], earlier: [], rates: {}, hands: {}, times: {}, costs: null },
          ...{ readings: [], walks: [], work: [], ticks: [], visits: [], dropped: [] },
          photos: [
            photo(1),
            photo(2),
            photo(3),
            photo(4, { dropped: { by: 'x', at: '2026-06-05T08:00:00.000Z' } }),
          ],
        },
      };
    });
    await keep(uuid(1), { chosen: true });
    const small = new Uint8Array([1]).buffer;
    await local.photoFiles.put({ id: uuid(101), machineId: uuid(1), full: null, small });
    await takeAlong(ines, '2026-06-09');
    expect(asked).toEqual([uuid(103), uuid(102)]);
    expect(await local.photoFiles.toCollection().primaryKeys()).toEqual([uuid(101), uuid(102)]);
  });
});
