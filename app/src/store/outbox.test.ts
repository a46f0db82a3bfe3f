import { sentCount, withOutgoing, withSentSince } from './laid';
import { local } from './local';
import { dismiss, flush, pauseOutbox, put, syncNow } from './outbox';
import { MachineFile } from '@green-tally/core/contracts';
import { machineFile, reading } from '../testing/fixtures';

type Answer = { status: number; body: unknown } | 'no signal';
let answers: Answer[] = [];
/** Every batch with this reading in it is refused as a whole. */
let poison: { id: string; status: number } | undefined;
const refuseBatchesWith = (id: string, status: number) => {
  poison = { id, status };
};
const sent: { url: string; ids: string[] }[] = [];

beforeEach(async () => {
  await local.outgoing.clear();
  answers = [];
  poison = undefined;
  sent.length = 0;
  globalThis.fetch = jest.fn(async (url: string, init: RequestInit) => {
    const body = JSON.parse(String(init.body)) as { readings?: { id: string }[]; id?: string };
    sent.push({ url, ids: body.readings?.map((r) => r.id) ?? [String(body.id)] });
    const spoilt = poison && body.readings?.some((r) => r.id === poison?.id);
    const refusal = {
      status: poison?.status ?? 422,
      body: {
        type: 'about:blank',
        title: 'Refused',
        status: poison?.status ?? 422,
        detail: 'Cannot be used.',
      },
    };
    const answer = spoilt
      ? refusal
      : (answers.shift() ?? {
          status: 200,
          body: { results: (body.readings ?? []).map((r) => ({ id: r.id, result: 'accepted' })) },
        });
    if (answer === 'no signal') throw new TypeError('Failed to fetch');
    return {
      status: answer.status,
      ok: answer.status < 400,
      headers: new Headers({ 'content-type': 'application/json' }),
      json: async () => answer.body,
    } as Response;
  }) as unknown as typeof fetch;
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
    const path = `/machines/${belt(37).machineId}`;
    const kept = async () =>
      MachineFile.parse((await local.kept.get(path))?.answer).readings.map((r) => r.id);
    beforeEach(() => local.kept.put({ path, answer: machineFile(), at: '' }));
    test('its kept answer has the reading before the outbox forgets it', async () => {
      const r = await put1();
      expect(await local.outgoing.count()).toBe(0);
      expect(await kept()).toEqual([r.id]);
    });
    test('when the kept answer cannot be written, the outbox forgets nothing', async () => {
      const broken = jest.spyOn(local.kept, 'put').mockRejectedValue(new Error('disk full'));
      const r = belt(37);
      await put([{ kind: 'reading', body: r }]);
      await expect(flush()).rejects.toThrow(/disk full/);
      broken.mockRestore();
      expect(await local.outgoing.get(r.id)).toMatchObject({ state: 'waiting' });
    });
    test('an answer asked for before it was sent is laid over with it', async () => {
      const askedAt = sentCount();
      const r = await put1();
      const late = MachineFile.parse(withSentSince(askedAt, path, machineFile()));
      expect(late.readings.map((x) => x.id)).toEqual([r.id]);
      expect(MachineFile.parse(withSentSince(sentCount(), path, machineFile())).readings).toEqual(
        [],
      );
      expect(withSentSince(askedAt, '/yard', { rows: [] })).toEqual({ rows: [] });
    });
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
