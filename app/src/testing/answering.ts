/** What a request is answered with. */
export interface Answer {
  readonly status?: number;
  readonly body: unknown;
}

/**
 * Puts a server of the test's own in the place of the network.
 * @param answer gives the answer for a path under /api, or undefined: no signal
 */
export function answering(
  answer: (
    path: string,
    init: RequestInit | undefined,
  ) => Answer | undefined | Promise<Answer | undefined>,
): void {
  globalThis.fetch = jest.fn(async (url: string, init?: RequestInit) => {
    const given = await answer(url.replace(/^\/api/, ''), init);
    if (!given) throw new TypeError('Failed to fetch');
    const { status = 200, body } = given;
    return {
      status,
      ok: status < 400,
      headers: new Headers({ 'content-type': 'application/json' }),
      json: async () => JSON.parse(JSON.stringify(body)) as unknown,
      arrayBuffer: async () => new TextEncoder().encode(JSON.stringify(body)).buffer,
    } as Response;
  }) as unknown as typeof fetch;
}
