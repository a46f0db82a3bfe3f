import { randomUUID } from 'node:crypto';
import sharp from 'sharp';
import type request from 'supertest';

/** A JPEG picture of noise, so that it is of some size. */
export const aPhoto = (width = 160, height = 120): Promise<Buffer> =>
  sharp({
    create: {
      width,
      height,
      channels: 3,
      background: '#777',
      noise: { type: 'gaussian', mean: 120, sigma: 40 },
    },
  })
    .jpeg({ quality: 80 })
    .toBuffer();

/** What a phone announces of a photo. */
export const photoOf = (machineId: string, bytes: number, change: object = {}) => ({
  machineId,
  walkId: null,
  checkId: 'fan-drive-belt',
  place: 'belt',
  bytes,
  width: 160,
  height: 120,
  takenAt: '2026-06-09T09:00:00.000Z',
  by: 'whoever',
  ...change,
});

/** A photo of a machine that was sent whole; its id. */
export async function sentPhoto(
  agent: ReturnType<typeof request.agent>,
  machineId: string,
): Promise<string> {
  const [id, data] = [randomUUID(), await aPhoto()];
  await agent.put(`/api/photos/${id}`).send(photoOf(machineId, data.length)).expect(200);
  await agent.post(`/api/photos/${id}/parts?from=0`).type('image/jpeg').send(data).expect(200);
  return id;
}
