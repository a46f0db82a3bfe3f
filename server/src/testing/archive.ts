import type { Express } from 'express';
import request, { type Response } from 'supertest';

/** Collects an answer that is no text. */
export function asBytes(
  res: NodeJS.ReadableStream & { data?: unknown },
  done: (error: Error | null, body: Buffer) => void,
): void {
  const parts: Buffer[] = [];
  res.on('data', (part: Buffer) => parts.push(part));
  res.on('end', () => done(null, Buffer.concat(parts)));
}

/** The archive of a place, as its bytes. */
export async function archiveOf(agent: ReturnType<typeof request.agent>): Promise<Buffer> {
  const response = await agent
    .get('/api/archive.zip')
    .buffer(true)
    .parse(asBytes as never)
    .expect(200);
  return response.body as Buffer;
}

/** An admin who has just set an empty place up. */
export async function firstAdmin(
  app: Express,
  signIn = 'ada',
): Promise<ReturnType<typeof request.agent>> {
  const agent = request.agent(app);
  await agent
    .post('/api/setup')
    .send({ branch: 'Here', name: 'Ada Reed', signIn, password: 'a long one to type' })
    .expect(201);
  return agent;
}

/** Sends an archive, to be looked through or brought in. */
export const sendArchive = (
  agent: ReturnType<typeof request.agent>,
  zip: Buffer,
  look = false,
): Promise<Response> =>
  new Promise((resolve, reject) => {
    void agent
      .post(`/api/archive?look=${look ? 'yes' : 'no'}`)
      .type('application/zip')
      .send(zip)
      .then(resolve, reject);
  });
