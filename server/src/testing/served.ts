import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { createServer, type AddressInfo } from 'node:net';
import { resolve } from 'node:path';
import { DEMO_PASSWORD } from '@green-tally/demo';

/** A server as it runs in earnest, a process of its own on a database of the tests. */
export interface Served {
  /** asks as who is signed in; resolves when the whole answer is there */
  readonly ask: (path: string) => Promise<{ readonly status: number; readonly ms: number }>;
  readonly end: () => Promise<void>;
}

/**
 * Starts one from the bundle that the set-up made, and signs somebody in.
 * @param url of the database
 * @throws Error when it does not start, or nobody can sign in
 */
export async function served(url: string, signIn: string): Promise<Served> {
  const port = await freePort();
  const child = spawn(process.execPath, [resolve(__dirname, '../../dist/serve.mjs')], {
    env: { ...process.env, DATABASE_URL: url, PORT: String(port), GREEN_TALLY_DEMO: '1' },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  const end = async () => {
    if (child.exitCode !== null) return;
    child.kill('SIGTERM');
    await once(child, 'exit');
  };
  await new Promise<void>((ready, fail) => {
    child.stdout.on('data', (said: Buffer) => String(said).includes('listening') && ready());
    child.once('exit', (code) => fail(new Error(`the server ended (${code})`)));
  });
  const at = `http://127.0.0.1:${port}/api`;
  const session = await fetch(`${at}/session`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', origin: `http://127.0.0.1:${port}` },
    body: JSON.stringify({ signIn, password: DEMO_PASSWORD }),
  });
  const cookie = session.headers.get('set-cookie')?.split(';')[0];
  if (!session.ok || !cookie) {
    await end();
    throw new Error(`${signIn} was not signed in: ${session.status}`);
  }
  const ask = async (path: string) => {
    const from = performance.now();
    const answer = await fetch(`${at}${path}`, { headers: { cookie } });
    await answer.arrayBuffer();
    return { status: answer.status, ms: performance.now() - from };
  };
  return { ask, end };
}

async function freePort(): Promise<number> {
  const server = createServer().listen(0, '127.0.0.1');
  await once(server, 'listening');
  const { port } = server.address() as AddressInfo;
  server.close();
  await once(server, 'close');
  return port;
}
