import { createHash } from 'node:crypto';
import type { ArchiveFile } from '@green-tally/core/contracts/archive';
import type { Readable } from 'node:stream';
import { Invalid } from '../errors';
import { noArchive, type OpenZip } from './zip';

/** No row is longer, bytes. */
const MOST_ROW = 16 * 1024 * 1024;
/** What is read into memory as one file: a picture, a page, bytes. */
const MOST_FILE = 64 * 1024 * 1024;

export function jsonOf(text: string | Uint8Array, where = 'manifest.json'): unknown {
  try {
    return JSON.parse(typeof text === 'string' ? text : textOf(text, where));
  } catch (error) {
    if (error instanceof Invalid) throw error;
    throw noArchive(`${where} is no JSON.`);
  }
}

function textOf(bytes: Uint8Array, where: string): string {
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    throw noArchive(`${where} is no UTF-8.`);
  }
}

/** The lines of a file; once it is read, it was what its manifest says. */
export async function* linesOf(zip: OpenZip, file: ArchiveFile): AsyncGenerator<string> {
  let rest: Buffer = Buffer.alloc(0);
  for await (const chunk of hashed(zip, file)) {
    const text = rest.length ? Buffer.concat([rest, chunk]) : chunk;
    let from = 0;
    for (let at = text.indexOf(10); at >= 0; at = text.indexOf(10, from)) {
      yield textOf(text.subarray(from, at), file.path);
      from = at + 1;
    }
    rest = text.subarray(from);
    if (rest.length > MOST_ROW) throw noArchive(`${file.path} has a row that is too long.`);
  }
  if (rest.length) throw noArchive(`${file.path} ends in the middle of a row.`);
}

/** A file's bytes as they come. @throws Invalid at their end, where they are not what the manifest says */
async function* hashed(zip: OpenZip, { path, sha256 }: ArchiveFile): AsyncGenerator<Buffer> {
  const hash = createHash('sha256');
  try {
    for await (const chunk of await zip.read(path)) {
      hash.update(chunk as Buffer);
      yield chunk as Buffer;
    }
  } catch (error) {
    if (error instanceof Invalid) throw error;
    throw noArchive(`${path} cannot be unpacked: ${error instanceof Error ? error.message : ''}.`);
  }
  if (hash.digest('hex') !== sha256)
    throw noArchive(`${path} is not what its manifest says: it was changed or is spoilt.`);
}

/** All of a stream that was found to be short enough. */
export async function whole(chunks: Readable | AsyncIterable<Buffer>): Promise<Buffer> {
  const parts: Buffer[] = [];
  for await (const chunk of chunks) parts.push(chunk as Buffer);
  return Buffer.concat(parts);
}

/** A picture or a page, as its manifest says it is. */
export const wholeFile = (zip: OpenZip, file: ArchiveFile): Promise<Buffer> => {
  if (file.bytes > MOST_FILE) throw noArchive(`${file.path} is too large.`);
  return whole(hashed(zip, file));
};
