import {
  DeleteObjectCommand,
  GetObjectCommand,
  NoSuchKey,
  PutObjectCommand,
  S3Client,
} from '@aws-sdk/client-s3';
import type { FileStore } from './store';

interface S3Setting {
  readonly bucket: string;
  /** of a store that is S3-compatible; Amazon's own when undefined */
  readonly endpoint?: string | undefined;
  readonly region: string;
  /** from the environment unless said */
  readonly credentials?: { readonly accessKeyId: string; readonly secretAccessKey: string };
}

/** Files in a bucket of an S3-compatible store. */
export function s3Store({ bucket, endpoint, region, credentials }: S3Setting): FileStore {
  const client = new S3Client({
    region,
    ...(endpoint ? { endpoint, forcePathStyle: true } : {}),
    ...(credentials ? { credentials } : {}),
    requestChecksumCalculation: 'WHEN_REQUIRED',
    responseChecksumValidation: 'WHEN_REQUIRED',
  });
  return {
    async keep(key, data) {
      await client.send(
        new PutObjectCommand({ Bucket: bucket, Key: key, Body: data, ContentType: 'image/jpeg' }),
      );
    },
    async read(key) {
      try {
        const found = await client.send(new GetObjectCommand({ Bucket: bucket, Key: key }));
        return await found.Body?.transformToByteArray();
      } catch (error) {
        if (error instanceof NoSuchKey) return undefined;
        throw error;
      }
    },
    async drop(key) {
      await client.send(new DeleteObjectCommand({ Bucket: bucket, Key: key }));
    },
  };
}
