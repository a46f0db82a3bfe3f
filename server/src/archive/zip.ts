import type { Readable } from 'node:stream';
import { promisify } from 'node:util';
import { open, type Entry, type ZipFile } from 'yauzl';
import { Invalid } from '../errors';

/** A zip whose files are read by their names. */
export interface OpenZip {
  readonly entries: ReadonlyMap<string, Entry>;
  read(path: string): Promise<Readable>;
  close(): void;
}

/** No archive has more files than this. */
const MOST_FILES = 2_000_000;

/**
 * Opens a zip and lists what is in it; nothing is unpacked yet.
 * @throws Invalid for what is none
 */
export async function openZip(path: string): Promise<OpenZip> {
  const zip = await opened(path);
  try {
    const entries = await listed(zip);
    const stream = promisify<Entry, Readable>(zip.openReadStream.bind(zip));
    return {
      entries,
      read: async (name) => {
        const entry = entries.get(name);
        if (!entry) throw noArchive(`${name} is missing.`);
        return stream(entry);
      },
      close: () => zip.close(),
    };
  } catch (error) {
    zip.close();
    throw error;
  }
}

export const noArchive = (detail: string): Invalid =>
  new Invalid('This is no archive that can be brought in', `${detail} Nothing was stored.`);

function opened(path: string): Promise<ZipFile> {
  return new Promise((resolve, reject) => {
    const how = { lazyEntries: true, autoClose: false, strictFileNames: true };
    open(path, how, (error, zip) => {
      if (error) reject(noArchive(`It cannot be opened as a zip: ${error.message}.`));
      else resolve(zip);
    });
  });
}

function listed(zip: ZipFile): Promise<ReadonlyMap<string, Entry>> {
  const entries = new Map<string, Entry>();
  return new Promise((resolve, reject) => {
    zip.on('entry', (entry: Entry) => {
      if (entries.has(entry.fileName))
        return reject(noArchive(`${entry.fileName} is in it twice.`));
      if (entries.size >= MOST_FILES) return reject(noArchive('It has too many files.'));
      entries.set(entry.fileName, entry);
      zip.readEntry();
    });
    zip.once('end', () => resolve(entries));
    zip.once('error', (error: Error) => reject(noArchive(`It is spoilt: ${error.message}.`)));
    zip.readEntry();
  });
}
