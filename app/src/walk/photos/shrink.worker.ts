import { shrink } from './shrink';

globalThis.onmessage = async ({ data }: MessageEvent<Blob>) => {
  try {
    const shrunk = await shrink(data);
    globalThis.postMessage({ shrunk }, { transfer: [shrunk.full, shrunk.small] });
  } catch (error) {
    globalThis.postMessage({ trouble: error instanceof Error ? error.message : String(error) });
  }
};
