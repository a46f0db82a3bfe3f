import { waitFor } from '@testing-library/react-native';
import { v7 as uuidv7 } from 'uuid';
import type { Tick, WorkItem } from '@green-tally/core/contracts';
import { withOutgoing } from './laid';
import { forget } from './facts';
import { machineHere } from './here';
import { local } from './local';
import { dismiss, flush, isHeld, pauseOutbox, put, sendAgain, takeBack } from './outbox';
import { syncNow } from './sync';
import { answering, type Answer } from '../testing/answering';
import { machineFile, reading } from '../testing/fixtures';

let answers: (Answer | 'no signal')[] = [];
const refusal = (status: number) => ({
  type: 'about:blank',
  title: 'Refused',
  status,
  detail: 'Cannot be used.',
});
/** Every batch with this reading in it is refused as a whole. */
let poison: { id: string; status: number } | undefined;
const refuseBatchesWith = (id: string, status: number) => {
  poison = { id, status };
};
const sent: { url: string; ids: string[]; at: number }[] = [];

beforeEach(async () => {
  await local.outgoing.clear();
  answers = [];
  poison = undefined;
  sent.length = 0;
  answering((url, init) => {
    const body = JSON.parse(String(init?.body ?? '{}')) as {
      readings?: { id: string }[];
      id?: string;
    };
    const ids = body.readings?.map((r) => r.id) ?? [String(body.id)];
    sent.push({ url, ids, at: Date.now() });
    if (poison && body.readings?.some((r) => r.id === poison?.id))
      return { status: poison.status, body: refusal(poison.status) };
    const answer = answers.shift() ?? {
      body: { results: (body.readings ?? []).map((r) => ({ id: r.id, result: 'accepted' })) },
    };
    return answer === 'no signal' ? undefined : answer;
  });
});
afterEach(() => pauseOutbox());
afterAll(() => local.close());

const belt = (mm: number) =>
  reading('fan-drive-belt', 'belt', { kind: 'measure', values: [mm], typed: [], unit: 'mm' });
const put1 = async (r = belt(37)) => {
  await put([{ kind: 'reading', body: r }]);
  await flush();
  return r;
};

describe('the outbox', () => {
  test('what is accepted leaves it', async () => {
    await put1();
    expect(await local.outgoing.count()).toBe(0);
    expect(syncNow()).toMatchObject({ waiting: 0, refused: 0, offline: false });
  });
  test('without signal it stays, and goes with the next flush, under the same id', async () => {
    answers = ['no signal'];
    const r = await put1();
    expect(await local.outgoing.count()).toBe(1);
    expect(syncNow()).toMatchObject({ waiting: 1, offline: true });
    answers = [];
    await flush();
    expect(await local.outgoing.count()).toBe(0);
    expect(new Set(sent.flatMap((s) => s.ids))).toEqual(new Set([r.id]));
  });
  test('an answer lost on the way: sent again, a duplicate counts as stored', async () => {
    const r = belt(37);
    answers = [
      'no signal',
      { status: 200, body: { results: [{ id: r.id, result: 'duplicate' }] } },
    ];
    await put1(r);
    await flush();
    expect(await local.outgoing.count()).toBe(0);
  });
  test('a refused reading stays with the reason until somebody has read it', async () => {
    const r = belt(37);
    const refusal = {
      status: 200,
      body: {
        results: [
          { id: r.id, result: 'rejected', errors: [{ field: 'place', message: 'not a place' }] },
        ],
      },
    };
    answers = [refusal];
    await put1(r);
    expect(await local.outgoing.get(r.id)).toMatchObject({
      state: 'refused',
      why: 'place: not a place',
    });
    await dismiss(r.id);
    expect(syncNow().refused).toBe(0);
  });
  test('a refused one goes once more when somebody says so, as it was taken', async () => {
    const r = belt(37);
    const result = (how: string) => ({
      status: 200,
      body: {
        results: [{ id: r.id, result: how, errors: [{ field: 'takenAt', message: 'ahead' }] }],
      },
    });
    answers = [result('rejected'), result('accepted')];
    await put1(r);
    expect(await local.outgoing.get(r.id)).toMatchObject({ state: 'refused', body: r });
    await sendAgain([r.id]);
    await flush();
    await flush();
    expect(await local.outgoing.get(r.id)).toBeUndefined();
    expect(syncNow()).toMatchObject({ refused: 0, waiting: 0 });
  });
  test('signed out is no refusal: it waits', async () => {
    const out = { status: 401, body: { type: 'about:blank', title: 'Not signed in', status: 401 } };
    answers = [out];
    const r = await put1();
    expect(await local.outgoing.get(r.id)).toMatchObject({ state: 'waiting' });
  });
  test('one bad reading does not block the rest: a batch refused as a whole is halved down to it', async () => {
    const good = Array.from({ length: 6 }, () => belt(37));
    const bad = belt(36);
    refuseBatchesWith(bad.id, 422);
    await put(
      [...good.slice(0, 3), bad, ...good.slice(3)].map((body) => ({ kind: 'reading', body })),
    );
    await flush();
    expect(await local.outgoing.toArray()).toMatchObject([
      { id: bad.id, state: 'refused', why: expect.stringContaining('Cannot be used') },
    ]);
    expect(syncNow()).toMatchObject({ waiting: 0, refused: 1 });
    const arrived = sent.filter((s) => !s.ids.includes(bad.id)).flatMap((s) => s.ids);
    expect(new Set(arrived)).toEqual(new Set(good.map((r) => r.id)));
  });
  test('what is too large to take in one go is sent in parts', async () => {
    const many = Array.from({ length: 5 }, () => belt(37));
    answers = [{ status: 413, body: { type: 'about:blank', title: 'Too large', status: 413 } }];
    await put(many.map((body) => ({ kind: 'reading', body })));
    await flush();
    expect(await local.outgoing.count()).toBe(0);
    expect(sent.map((s) => s.ids.length)).toEqual([5, 3, 2]);
  });
  describe('a machine that is not on screen', () => {
    const { machineId } = belt(37);
    const kept = async () => (await machineHere(machineId))?.file.readings.map((r) => r.id);
    beforeEach(async () => {
      await forget([machineId]);
      await local.layFile(machineFile(), '');
    });
    test('its facts here have the reading before the outbox forgets it', async () => {
      const r = await put1();
      expect(await local.outgoing.count()).toBe(0);
      expect(await kept()).toEqual([r.id]);
    });
    test('when they cannot be written, the outbox forgets nothing', async () => {
      const broken = jest.spyOn(local.readings, 'put').mockRejectedValue(new Error('disk full'));
      const r = belt(37);
      await put([{ kind: 'reading', body: r }]);
      await expect(flush()).rejects.toThrow(/disk full/);
      expect(await local.outgoing.get(r.id)).toMatchObject({ state: 'waiting' });
      broken.mockRestore();
    });
    test('of one that is not kept here nothing is laid by: it is asked for whole some day', async () => {
      await forget([machineId]);
      await put1();
      expect(await local.outgoing.count()).toBe(0);
      expect(await local.readings.count()).toBe(0);
    });
  });
  test('where there is no signal it says so, though nothing waits', async () => {
    const hasSignal = (onLine: boolean) =>
      Object.defineProperty(globalThis, 'navigator', { value: { onLine }, configurable: true });
    const before = Object.getOwnPropertyDescriptor(globalThis, 'navigator');
    hasSignal(false);
    await flush();
    expect(syncNow()).toMatchObject({ waiting: 0, offline: true });
    hasSignal(true);
    await flush();
    expect(syncNow()).toMatchObject({ waiting: 0, offline: false });
    if (before) Object.defineProperty(globalThis, 'navigator', before);
    else Reflect.deleteProperty(globalThis, 'navigator');
  });
  test('a walk goes before its readings', async () => {
    const walk = machineFile().walks[0]!;
    answers = ['no signal', { status: 200, body: {} }];
    await put([
      { kind: 'reading', body: belt(37) },
      { kind: 'walk', body: walk },
    ]);
    await flush();
    await flush();
    expect(sent.filter((s) => s.url.includes('readings')).length).toBeGreaterThan(0);
    expect(sent.findIndex((s) => s.url.includes('walks'))).toBeLessThan(
      sent.findIndex((s) => s.url.includes('readings')),
    );
  });
  describe('work taken back', () => {
    const item: WorkItem = {
      ...{ id: '0197a000-0000-7000-8000-00000000bbbb', machineId: belt(37).machineId },
      ...{ checkId: 'fan-drive-belt', decision: 'replace', places: ['belt'], reason: 'worn' },
      ...{ minutes: 90, cover: null, parts: [], acceptedBy: 'Rhea', withdrawnAt: null },
      ...{ from: 'verdict', task: null, mates: [], learnt: null, proposed: null, worked: [] },
      acceptedAt: '2026-06-09T08:00:00.000Z',
    };
    const withdrawn = { ...item, withdrawnAt: '2026-06-09T08:00:05.000Z' };
    const open = async () => {
      const here = await machineHere(item.machineId);
      const work = here ? withOutgoing(here.file, here.outgoing).work : [];
      return work.filter((w) => w.withdrawnAt === null).length;
    };
    beforeEach(async () => {
      await forget([item.machineId]);
      await local.layFile(machineFile(), '');
    });
    test('before it was sent: gone here at once, and the server has both in that order', async () => {
      answers = ['no signal'];
      await put([{ kind: 'work', body: item }]);
      await flush();
      expect(await open()).toBe(1);
      answers = ['no signal'];
      await put([{ kind: 'withdrawal', body: withdrawn }]);
      await flush();
      expect(await open()).toBe(0);
      answers = [{ body: { items: [item] } }, { body: withdrawn }];
      sent.length = 0;
      await flush();
      expect(sent.map((s) => s.url)).toEqual(['/work', `/work/${item.id}`]);
      expect(await local.outgoing.count()).toBe(0);
      expect(await open()).toBe(0);
    });
    test('what was done of it goes after it, and stands in it once, before and after', async () => {
      const entry = {
        ...{ id: '0197a000-0000-7000-8000-00000000cccc', by: 'Ines', hands: ['Ines'], minutes: 45 },
        ...{ parts: [], hours: 1284, note: '', strikes: null, at: '2026-06-09T09:00:00.000Z' },
      };
      const worked = async () => {
        const here = await machineHere(item.machineId);
        const work = here ? withOutgoing(here.file, here.outgoing).work : [];
        return work.flatMap((w) => w.worked.map((e) => e.minutes));
      };
      answers = ['no signal'];
      await put([{ kind: 'work', body: item }]);
      await put([{ kind: 'worked', workId: item.id, machineId: item.machineId, body: entry }]);
      await flush();
      expect(await worked()).toEqual([45]);
      answers = [{ body: { items: [item] } }, { body: { ...item, worked: [entry] } }];
      sent.length = 0;
      await flush();
      expect(sent.map((s) => s.url)).toEqual(['/work', `/work/${item.id}/worked`]);
      expect(await local.outgoing.count()).toBe(0);
      expect(await worked()).toEqual([45]);
    });
    test('where somebody else was faster, what was accepted here is told and not kept', async () => {
      answers = [{ body: { items: [] } }];
      await put([{ kind: 'work', body: item }]);
      await flush();
      expect(await local.outgoing.get(item.id)).toMatchObject({
        state: 'refused',
        why: expect.stringContaining('in work already'),
      });
      expect(await open()).toBe(0);
      await dismiss(item.id);
    });
  });
  test("a machine's file shows what waits here, once", () => {
    const r = belt(37);
    const entry = {
      id: r.id,
      machineId: r.machineId,
      kind: 'reading' as const,
      body: r,
      queuedAt: '',
      state: 'waiting' as const,
      why: '',
    };
    expect(withOutgoing(machineFile(), [entry]).readings).toHaveLength(1);
    expect(withOutgoing(machineFile([r]), [entry]).readings).toHaveLength(1);
  });
});

describe('what can be taken back', () => {
  const hold = async (ms: number, ...readings: ReturnType<typeof belt>[]) => {
    await put(
      readings.map((body) => ({ kind: 'reading' as const, body })),
      { held: ms },
    );
    await flush();
  };
  test('is kept and shown, not sent, while other things go', async () => {
    const held = belt(36);
    await hold(60_000, held);
    const other = await put1(belt(37));
    expect(sent.flatMap((s) => s.ids)).toEqual([other.id]);
    expect((await local.outgoing.toArray()).map((o) => o.id)).toEqual([held.id]);
    const laid = withOutgoing(machineFile(), await local.outgoing.toArray());
    expect(laid.readings.some((r) => r.id === held.id)).toBe(true);
  });
  test('taken back it has never been', async () => {
    const [a, b] = [belt(36), belt(37)];
    await hold(60_000, a, b);
    expect(await takeBack([a.id, b.id])).toBe(2);
    expect(await local.outgoing.count()).toBe(0);
    expect(sent).toEqual([]);
  });
  test('after its time it is sent by itself, and cannot be taken back any more', async () => {
    const late = belt(36);
    const from = Date.now();
    await hold(200, late);
    await waitFor(() => expect(sent.flatMap((s) => s.ids)).toEqual([late.id]), { timeout: 10_000 });
    await waitFor(async () => expect(await local.outgoing.count()).toBe(0), { timeout: 10_000 });
    expect(sent[0]?.at).toBeGreaterThanOrEqual(from + 200);
    expect(await takeBack([late.id])).toBe(0);
  });
  test('time that is up, or what was refused, is held no more', async () => {
    await hold(60_000, belt(36));
    const [row] = await local.outgoing.toArray();
    expect(row && isHeld(row)).toBe(true);
    expect(row && isHeld(row, Date.now() + 61_000)).toBe(false);
    expect(row && isHeld({ ...row, state: 'refused' })).toBe(false);
    await local.outgoing.update(row?.id ?? '', { heldUntil: new Date(0).toISOString() });
    expect(await takeBack([row?.id ?? ''])).toBe(0);
    expect(await local.outgoing.count()).toBe(1);
  });
});

describe('photos', () => {
  const file = machineFile();
  const bytes = new Uint8Array(150_000).map((_, i) => i % 251);
  const photo = (change: object = {}) => ({
    id: uuidv7(),
    machineId: file.machine.id,
    walkId: null,
    checkId: 'fan-drive-belt',
    place: '',
    bytes: bytes.length,
    width: 1200,
    height: 900,
    takenAt: '2026-06-09T08:00:00.000Z',
    by: 'Ines Marrow',
    dropped: null,
    ...change,
  });
  const keep = async (p = photo()) => {
    const small = new Uint8Array([1, 2, 3]).buffer;
    const files = [{ id: p.id, machineId: p.machineId, full: bytes.slice().buffer, small }];
    await put([{ kind: 'photo', body: p }], { files });
    await flush();
    return p;
  };
  /** A server that takes parts of photos, and breaks off after so many. */
  const takingParts = (breaksAfter = Infinity) => {
    const came: number[] = [];
    const order: string[] = [];
    answering((url, init) => {
      order.push(url.replace(/[0-9a-f-]{36}/, '…').split('?')[0] ?? '');
      if (url.includes('readings'))
        return {
          body: { results: [{ id: String(init?.body).slice(21, 57), result: 'accepted' }] },
        };
      const have = came.reduce((a, b) => a + b, 0);
      if (init?.method === 'POST') {
        if (came.length >= breaksAfter) return undefined;
        const from = Number(/from=(\d+)/.exec(url)?.[1]);
        if (from === have) came.push((init?.body as Blob).size);
      }
      const now = came.reduce((a, b) => a + b, 0);
      return { body: { have: now, done: now === bytes.length } };
    });
    return { came, order };
  };

  test('go in parts after the readings; the whole of it leaves, the small one stays', async () => {
    const { came, order } = takingParts();
    const p = photo();
    const small = new Uint8Array([1]).buffer;
    const files = [{ id: p.id, machineId: p.machineId, full: bytes.slice().buffer, small }];
    await put(
      [
        { kind: 'photo', body: p },
        { kind: 'reading', body: belt(37) },
      ],
      { files },
    );
    await flush();
    expect(order.slice(0, 2)).toEqual(['/readings:batch', '/photos/…']);
    expect(came).toEqual([65536, 65536, bytes.length - 2 * 65536]);
    expect(await local.outgoing.count()).toBe(0);
    expect((await local.photoFiles.get(p.id))?.full).toBeNull();
    expect((await local.photoFiles.get(p.id))?.small.byteLength).toBe(1);
  });
  test('broken off, it goes on where it stopped, and stays whole here until then', async () => {
    const { came } = takingParts(1);
    const p = await keep();
    expect(came).toEqual([65536]);
    expect(await local.outgoing.count()).toBe(1);
    expect((await local.photoFiles.get(p.id))?.full?.byteLength).toBe(bytes.length);
    answering((url, init) => {
      const from = Number(/from=(\d+)/.exec(url)?.[1]);
      const have = init?.method === 'POST' ? from + (init.body as Blob).size : 65536;
      if (init?.method === 'POST') came.push((init.body as Blob).size);
      return { body: { have, done: have === bytes.length } };
    });
    await flush();
    expect(came).toEqual([65536, 65536, bytes.length - 2 * 65536]);
    expect(await local.outgoing.count()).toBe(0);
  });
  test('one whose picture is gone from here is told, and keeps nobody waiting', async () => {
    takingParts();
    const p = photo();
    await put([{ kind: 'photo', body: p }]);
    await flush();
    expect((await local.outgoing.get(p.id))?.why).toContain('no longer on this device');
    await dismiss(p.id);
  });
  test('a server that never moves on is asked again later, not for ever', async () => {
    let asked = 0;
    answering(() => {
      asked += 1;
      return { body: { have: 0, done: false } };
    });
    const p = await keep();
    expect(asked).toBeLessThan(6);
    expect((await local.outgoing.get(p.id))?.state).toBe('waiting');
  });
});

describe('ticks', () => {
  const tickOf = (key: string): Tick => ({
    id: uuidv7(),
    machineId: machineFile().machine.id,
    key,
    done: true,
    at: '2026-06-09T08:00:00.000Z',
    by: 'Ines Marrow',
    note: '',
    until: null,
    answer: null,
  });
  const three = ['stand|w|a', 'stand|w|b', 'close|w|c'].map(tickOf);
  const putAll = async () => {
    await put(three.map((body) => ({ kind: 'tick', body })));
    await flush();
  };

  test('go together, once', async () => {
    await putAll();
    expect(sent.filter((s) => s.url.includes('/ticks'))).toHaveLength(1);
    expect(await local.outgoing.count()).toBe(0);
  });
  test('one that is refused is found, and keeps nobody waiting', async () => {
    answers = [
      { status: 422, body: refusal(422) },
      { body: { ticks: [] } },
      { status: 422, body: refusal(422) },
      { body: { ticks: [] } },
    ];
    await putAll();
    expect(await local.outgoing.toArray()).toEqual([
      expect.objectContaining({ id: three[1]?.id, state: 'refused' }),
    ]);
  });
});

test('while something comes through, however little, the next try stays soon', async () => {
  const later = jest.spyOn(globalThis, 'setTimeout');
  try {
    // the first of two goes through, the answer to the second is lost; again and again
    for (let i = 0; i < 5; i += 1) {
      answers = [{ status: 422, body: refusal(422) }, { body: { results: [] } }, 'no signal'];
      await put([belt(37), belt(36)].map((body) => ({ kind: 'reading', body })));
      await flush();
      pauseOutbox();
    }
    // a request gives up after half a minute: that is no try
    const tries = later.mock.calls
      .map(([, ms = 0]) => ms)
      .filter((ms) => ms >= 1000 && ms < 30_000);
    expect(tries.length).toBeGreaterThan(2);
    expect(Math.max(...tries)).toBeLessThanOrEqual(4000);
  } finally {
    later.mockRestore();
  }
});
