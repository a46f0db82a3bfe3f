import { v7 as uuidv7 } from 'uuid';
import type { Photo } from '@green-tally/core/contracts';
import { put } from '../../store';
import type { Shrunk } from './shrink';

/** No phone takes longer over one photo, ms. */
const PATIENCE = 60_000;

/** Shrinks a photo on a thread of its own. @throws Error in words */
export function shrinkApart(file: Blob): Promise<Shrunk> {
  const worker = new Worker(new URL('./shrink.worker', import.meta.url));
  return new Promise<Shrunk>((resolve, reject) => {
    const late = setTimeout(
      () => reject(new Error('The photo took too long. Try again.')),
      PATIENCE,
    );
    worker.onmessage = ({ data }: MessageEvent<{ shrunk?: Shrunk; trouble?: string }>) => {
      clearTimeout(late);
      if (data.shrunk) resolve(data.shrunk);
      else reject(new Error(data.trouble ?? 'The photo could not be read.'));
    };
    worker.onerror = () => {
      clearTimeout(late);
      reject(new Error('The photo could not be read.'));
    };
    worker.postMessage(file);
  }).finally(() => worker.terminate());
}

/**
 * Keeps a photo on this device, to be sent after the readings.
 * @throws Error in words when it is no picture, or there is no room for it
 */
export async function takePhoto(
  file: Blob,
  about: Pick<Photo, 'machineId' | 'walkId' | 'checkId' | 'place' | 'by'>,
  now: Date,
): Promise<void> {
  const { full, small, width, height } = await shrinkApart(file);
  const id = uuidv7();
  const { machineId } = about;
  const photo: Photo = {
    ...about,
    id,
    bytes: full.byteLength,
    width,
    height,
    takenAt: now.toISOString(),
    dropped: null,
  };
  await put([{ kind: 'photo', body: photo }], { files: [{ id, machineId, full, small }] });
}
