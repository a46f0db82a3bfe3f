import { local } from './local';
import { flush, othersWait, ownOutbox, pauseOutbox, put } from './outbox';
import { syncNow } from './sync';
import { clearDevice, makeOwn, setOwner } from './owner';
import { answering } from '../testing/answering';
import { machineFile, reading } from '../testing/fixtures';
import { textStore } from '../testing/textStore';

const kept = textStore();

const sent: string[] = [];
beforeEach(async () => {
  kept.clear();
  sent.length = 0;
  setOwner(undefined);
  await Promise.all([local.outgoing.clear(), local.machines.clear(), local.kept.clear()]);
  answering((_, init) => {
    const { readings = [] } = JSON.parse(String(init?.body ?? '{}')) as {
      readings?: { id: string }[];
    };
    sent.push(...readings.map((r) => r.id));
    return { body: { results: readings.map((r) => ({ id: r.id, result: 'accepted' })) } };
  });
});
afterEach(() => pauseOutbox());
afterAll(() => local.close());

const width = () =>
  reading('fan-drive-belt', 'belt', { kind: 'measure', values: [37], typed: [], unit: 'mm' });

describe('a shared phone', () => {
  test('what one took goes only under their name: the next neither sees nor sends it', async () => {
    await makeOwn('ines');
    const hers = width();
    answering(() => undefined);
    await put([{ kind: 'reading', body: hers }]);
    await flush();
    expect(syncNow().waiting).toBe(1);
    answering((_, init) => {
      const { readings = [] } = JSON.parse(String(init?.body)) as { readings?: { id: string }[] };
      sent.push(...readings.map((r) => r.id));
      return { body: { results: readings.map((r) => ({ id: r.id, result: 'accepted' })) } };
    });

    await makeOwn('tobin');
    ownOutbox('tobin');
    const his = width();
    await put([{ kind: 'reading', body: his }]);
    await flush();
    expect(sent).toEqual([his.id]);
    expect(syncNow().waiting).toBe(0);
    expect(await othersWait()).toBe(1);

    await makeOwn('ines');
    ownOutbox('ines');
    // one may be under way still that began under the other name
    await flush();
    await flush();
    expect(sent).toEqual([his.id, hers.id]);
    expect(await local.outgoing.count()).toBe(0);
  });

  test('the next person finds nothing to look at, and nothing half typed; the look of the device stays', async () => {
    await makeOwn('ines');
    await local.layFile(machineFile(), new Date().toISOString());
    await local.kept.put({ path: '/yard', answer: {}, at: '' });
    kept.set('draft|x', '36');
    kept.set('green-tally-theme', 'shed');
    await makeOwn('ines');
    expect(await local.machines.count()).toBe(1);
    await makeOwn('corin');
    expect(await local.machines.count()).toBe(0);
    expect(await local.readings.count()).toBe(0);
    expect(await local.kept.count()).toBe(0);
    expect([...kept.keys()].sort()).toEqual(['green-tally-person', 'green-tally-theme']);
  });

  test('clearing the device leaves what waits, with the photo that goes with it', async () => {
    setOwner('ines');
    answering(() => undefined);
    const { machine } = machineFile();
    const photo = {
      id: '0197a000-0000-7000-8000-00000000f001',
      machineId: machine.id,
      walkId: null,
      checkId: 'fan-drive-belt',
      place: '',
      bytes: 3,
      width: 1,
      height: 1,
      takenAt: '2026-06-09T08:00:00.000Z',
      by: 'Ines Marrow',
      dropped: null,
    };
    const bytes = new Uint8Array([1, 2, 3]).buffer;
    await put([{ kind: 'photo', body: photo }], {
      files: [{ id: photo.id, machineId: machine.id, full: bytes, small: bytes }],
    });
    await local.photoFiles.put({ id: 'seen', machineId: machine.id, full: null, small: bytes });
    await clearDevice();
    expect(await local.outgoing.count()).toBe(1);
    expect((await local.photoFiles.toArray()).map((p) => p.id)).toEqual([photo.id]);
  });

  test('what an earlier edition took, or an operator says, belongs to nobody and goes', async () => {
    setOwner('ines');
    const old = width();
    await local.outgoing.put({
      kind: 'reading',
      body: old,
      id: old.id,
      machineId: old.machineId,
      queuedAt: '2026-06-09T08:00:00.000Z',
      state: 'waiting',
      why: '',
    });
    await flush();
    expect(sent).toEqual([old.id]);
  });

  test('no room left: it is said, and nothing counts as kept', async () => {
    const full = jest
      .spyOn(local.outgoing, 'bulkPut')
      .mockRejectedValueOnce(Object.assign(new Error('full'), { name: 'QuotaExceededError' }));
    await expect(put([{ kind: 'reading', body: width() }])).rejects.toThrow();
    full.mockRestore();
    expect(await local.outgoing.count()).toBe(0);
  });
});
