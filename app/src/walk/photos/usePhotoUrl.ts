import { useEffect, useState } from 'react';
import type { Photo } from '@green-tally/core/contracts';
import { bytesOf, local, pathOf } from '../../store';

/** What a photo shows, small: kept here once it was seen. @throws Unreachable, ApiProblem */
async function smallOf({ id, machineId }: Photo): Promise<ArrayBuffer> {
  const kept = await local.photoFiles.get(id);
  if (kept) return kept.small;
  const small = await bytesOf(
    pathOf('GET /photos/{id}', { params: { id }, query: { size: 'small' } }),
  );
  await local.photoFiles.put({ id, machineId, full: null, small });
  return small;
}

/** What a photo shows, whole: from this device while it waits here. @throws Unreachable, ApiProblem */
export async function fullOf({ id }: Photo): Promise<ArrayBuffer> {
  const kept = await local.photoFiles.get(id);
  return kept?.full ?? bytesOf(pathOf('GET /photos/{id}', { params: { id }, query: {} }));
}

/** A small picture to show: its address; undefined until it is here, null where it cannot be had. */
export function usePhotoUrl(photo: Photo): string | null | undefined {
  const [shown, setShown] = useState<{ readonly id: string; readonly url: string | null }>();
  const { id } = photo;
  useEffect(() => {
    let url: string | null = null;
    let current = true;
    smallOf(photo)
      .then((data) => {
        if (!current) return;
        url = URL.createObjectURL(new Blob([data], { type: 'image/jpeg' }));
        setShown({ id, url });
      })
      .catch(() => current && setShown({ id, url: null }));
    return () => {
      current = false;
      if (url) URL.revokeObjectURL(url);
    };
    // a photo never changes under its id
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [id]);
  return shown?.id === id ? shown.url : undefined;
}
