import { call, ApiProblem, pathOf, request, troubleText, Unreachable } from './api';

const ID = '0197a000-0000-7000-8000-000000000001';

/** The next answer of the server. */
function answer(status: number, body?: unknown, type = 'application/json'): jest.Mock {
  const sent = jest.fn(async () => ({
    status,
    ok: status < 400,
    headers: new Headers({ 'content-type': type }),
    json: async () => body,
  }));
  globalThis.fetch = sent as unknown as typeof fetch;
  return sent;
}

const problem = (change: object = {}) => ({
  type: 'about:blank',
  title: 'Some of this cannot be used',
  status: 422,
  detail: 'The hours are below the books.',
  ...change,
});

describe('the path of a route', () => {
  test('with its parameters', () =>
    expect(pathOf('GET /machines/{id}', { params: { id: ID } })).toBe(`/machines/${ID}`));
  test('parameters are made safe', () =>
    expect(pathOf('GET /specs/{model}', { params: { model: 'A/7 ?' } })).toBe(
      '/specs/A%2F7%20%3F',
    ));
  test('with its query, without what is not asked', () => {
    expect(pathOf('GET /spec-models', { query: { limit: 500 } })).toBe('/spec-models?limit=500');
    expect(
      pathOf('GET /specs/{model}', {
        params: { model: 'Ouzel 7' },
        query: { revision: undefined },
      }),
    ).toBe('/specs/Ouzel%207');
  });
});

describe('asking', () => {
  test('an answer comes as it is; what is sent is JSON, with the cookie', async () => {
    const sent = answer(200, { visit: null });
    await request('PUT', '/visits/1', { startsOn: '2026-06-16' });
    expect(sent).toHaveBeenCalledWith('/api/visits/1', {
      method: 'PUT',
      credentials: 'same-origin',
      body: '{"startsOn":"2026-06-16"}',
      headers: { accept: 'application/json', 'content-type': 'application/json' },
      signal: expect.any(AbortSignal),
    });
  });
  test('text goes as text', async () => {
    const sent = answer(200, {});
    await request('POST', '/readings/import', 'machine,check');
    expect(sent.mock.calls[0]).toMatchObject([
      '/api/readings/import',
      { body: 'machine,check', headers: { 'content-type': 'text/plain' } },
    ]);
  });
  test('nothing to answer is nothing', async () => {
    answer(204);
    expect(await call('DELETE /session', {})).toBeUndefined();
  });
  test('no connection is told apart from a refusal', async () => {
    globalThis.fetch = jest.fn().mockRejectedValue(new TypeError('Failed to fetch'));
    await expect(request('GET', '/yard')).rejects.toBeInstanceOf(Unreachable);
  });
  test('a page of some gateway is no answer of ours: it counts as not reached', async () => {
    answer(200, '<html>', 'text/html');
    await expect(request('GET', '/yard')).rejects.toBeInstanceOf(Unreachable);
    answer(502, '<html>', 'text/html');
    await expect(request('GET', '/yard')).rejects.toBeInstanceOf(Unreachable);
  });
  test('a server that cannot just now is asked again when it is only asked, and counts as not reached', async () => {
    jest.useFakeTimers();
    try {
      const sent = answer(503, problem({ status: 503 }));
      const asked = request('GET', '/yard').catch((e: unknown) => e);
      await jest.advanceTimersByTimeAsync(10_000);
      expect(await asked).toBeInstanceOf(Unreachable);
      expect(sent).toHaveBeenCalledTimes(3);
      const told = request('POST', '/ticks', {}).catch((e: unknown) => e);
      await jest.advanceTimersByTimeAsync(10_000);
      expect(await told).toBeInstanceOf(Unreachable);
      // what changes something goes once: the outbox sends it again in its own time
      expect(sent).toHaveBeenCalledTimes(4);
    } finally {
      jest.useRealTimers();
    }
  });
  test('an answer that does not come is given up, later for what is large', async () => {
    jest.useFakeTimers();
    try {
      globalThis.fetch = jest.fn(
        (_url, init) =>
          new Promise((_done, fail) =>
            init?.signal?.addEventListener('abort', () => fail(new Error('aborted'))),
          ),
      ) as unknown as typeof fetch;
      let given = 0;
      const small = request('POST', '/ticks', {}).catch(() => (given += 1));
      const large = request('POST', '/readings/import', 'x'.repeat(40_000)).catch(() => {
        given += 1;
      });
      await jest.advanceTimersByTimeAsync(29_000);
      expect(given).toBe(0);
      await jest.advanceTimersByTimeAsync(2000);
      await small;
      expect(given).toBe(1);
      await jest.advanceTimersByTimeAsync(20_000);
      await large;
      expect(given).toBe(2);
    } finally {
      jest.useRealTimers();
    }
  });
  test('a refusal keeps its words and its fields', async () => {
    const errors = [{ field: 'hours', message: 'wanted 1,284 or more' }];
    answer(422, problem({ errors }));
    const refused = await request('PATCH', '/machines/1', {}).catch((e: unknown) => e);
    expect(refused).toBeInstanceOf(ApiProblem);
    expect((refused as ApiProblem).fields).toEqual(errors);
    expect(troubleText(refused)).toBe('The hours are below the books. hours: wanted 1,284 or more');
  });
  test('a refusal in a shape we do not know is still one, with its status', async () => {
    answer(418, { teapot: true });
    const refused = await request('GET', '/yard').catch((e: unknown) => e);
    expect((refused as ApiProblem).problem).toMatchObject({ status: 418, title: 'Refused' });
    expect(troubleText(refused)).toBe('Refused');
  });
});

describe('what went wrong, in words', () => {
  test.each([
    [new Unreachable(), 'The server cannot be reached.'],
    [new Error('Enter your password.'), 'Enter your password.'],
    ['thrown text', 'Something went wrong.'],
    [new ApiProblem(problem() as never), 'The hours are below the books.'],
    [new ApiProblem(problem({ detail: undefined }) as never), 'Some of this cannot be used'],
  ])('%s', (error, words) => expect(troubleText(error)).toBe(words));
  test('a field that the words name already is not told twice', () => {
    const errors = [{ field: 'hours', message: 'below the books' }];
    expect(troubleText(new ApiProblem(problem({ errors }) as never))).toBe(
      'The hours are below the books.',
    );
  });
});
