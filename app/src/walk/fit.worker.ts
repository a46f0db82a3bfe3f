import { fitTime } from '@green-tally/core/choose';

/** Chooses checks on a thread of its own, so that the screen does not wait. */
type Asked = readonly [number, ...Parameters<typeof fitTime>];

globalThis.onmessage = ({ data: [n, ...given] }: MessageEvent<Asked>) =>
  globalThis.postMessage([n, fitTime(...given)]);
