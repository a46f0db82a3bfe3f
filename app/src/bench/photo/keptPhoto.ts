import { local } from '../../store';

/*
 * The photo on the bench lies on this device until it is taken to its check or another is chosen, so
 * that a reload or a phone that put the app aside does not cost the photo.
 */

/** An older one is not what is before the camera now, ms. */
const KEPT_MS = 12 * 60 * 60_000;

/** The photo that was chosen for what goes by `key`, and when. */
export async function keptPhoto(
  key: string,
): Promise<{ readonly file: Blob; readonly at: string } | undefined> {
  const kept = await local.benchPhotos.get(key);
  if (!kept || Date.now() - Date.parse(kept.at) > KEPT_MS) return undefined;
  return { file: new Blob([kept.bytes], { type: kept.type }), at: kept.at };
}

/** Keeps it, and no other. Where there is no room it is on the screen all the same. */
export async function keepPhoto(key: string, file: Blob): Promise<void> {
  const bytes = await file.arrayBuffer();
  const at = new Date().toISOString();
  await local
    .transaction('rw', local.benchPhotos, async () => {
      await local.benchPhotos.clear();
      await local.benchPhotos.put({ key, bytes, type: file.type, at });
    })
    .catch(() => undefined);
}

/** It is where it belongs. */
export const dropPhoto = (key: string): Promise<void> => local.benchPhotos.delete(key);
