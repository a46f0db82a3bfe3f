import type { FileStore } from './store';

/** Where photos lie, when it is not the database: by PHOTOS_S3_BUCKET and what belongs to it. */
export async function photoStore(): Promise<FileStore | undefined> {
  const bucket = process.env['PHOTOS_S3_BUCKET'];
  if (!bucket) return undefined;
  // loaded by those alone who use it
  const { s3Store } = await import('./s3Store');
  return s3Store({
    bucket,
    endpoint: process.env['PHOTOS_S3_ENDPOINT'],
    region: process.env['PHOTOS_S3_REGION'] ?? 'us-east-1',
  });
}
