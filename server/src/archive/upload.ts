import { createWriteStream } from 'node:fs';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Transform, type Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { noArchive } from './zip';

/** No archive is larger, bytes: what is sent beyond it is not read. */
export const MOST_SENT = 50 * 1024 ** 3;

/**
 * Lays what is sent into a file of its own for as long as something is done with it.
 * @throws Invalid where more is sent than an archive may have
 */
export async function withSent<T>(
  sent: Readable,
  work: (file: string) => Promise<T>,
  most = MOST_SENT,
): Promise<T> {
  const folder = await mkdtemp(join(tmpdir(), 'green-tally-archive-'));
  try {
    const file = join(folder, 'sent.zip');
    let bytes = 0;
    const counted = new Transform({
      transform(chunk: Buffer, _, done) {
        bytes += chunk.length;
        done(bytes > most ? noArchive('It is larger than any archive.') : null, chunk);
      },
    });
    await pipeline(sent, counted, createWriteStream(file, { mode: 0o600 }));
    return await work(file);
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}
