import { ARCHIVE_LISTS } from '@green-tally/core/archive';
import { ArchiveManifest } from '@green-tally/core/contracts/archive';
import { fieldErrors, Invalid } from '../errors';
import { jsonOf, whole } from './contents';
import { noArchive, type OpenZip } from './zip';

/** A manifest names every photo: so large at most, bytes. */
const MOST_MANIFEST = 64 * 1024 * 1024;
/** What is unpacked at most, bytes. */
const MOST_ALL = 500 * 1024 ** 3;

/**
 * What an archive says is in it, once that is what is in it: the same files, each as long as it says.
 * @throws Invalid in words
 */
export async function manifestOf(zip: OpenZip): Promise<ArchiveManifest> {
  const entry = zip.entries.get('manifest.json');
  if (!entry) throw noArchive('It has no manifest.json.');
  if (entry.uncompressedSize > MOST_MANIFEST) throw noArchive('Its manifest is too long.');
  const read = ArchiveManifest.safeParse(jsonOf(await whole(await zip.read('manifest.json'))));
  if (!read.success)
    throw new Invalid(
      'This is no archive that can be brought in',
      'Its manifest.json is not as it should be. Nothing was stored.',
      fieldErrors(read.error).slice(0, 20),
    );
  compare(zip, read.data);
  return read.data;
}

/** What is in the zip is what the manifest names, each as long as it says. */
function compare({ entries }: OpenZip, { files }: ArchiveManifest): void {
  const named = new Set(files.map((f) => f.path));
  if (named.size !== files.length) throw noArchive('Its manifest names a file twice.');
  const more = [...entries.keys()].find((name) => name !== 'manifest.json' && !named.has(name));
  if (more) throw noArchive(`${more} is in it and not in its manifest.`);
  let all = 0;
  for (const { path, bytes } of files) {
    const entry = entries.get(path);
    if (!entry) throw noArchive(`${path} is in its manifest and not in it.`);
    if (entry.uncompressedSize !== bytes)
      throw noArchive(`${path} is ${entry.uncompressedSize} bytes long, not ${bytes}.`);
    all += bytes;
  }
  if (all > MOST_ALL) throw noArchive('It is larger than any archive.');
  for (const { name } of ARCHIVE_LISTS)
    if (!named.has(`data/${name}.jsonl`)) throw noArchive(`data/${name}.jsonl is missing.`);
}
