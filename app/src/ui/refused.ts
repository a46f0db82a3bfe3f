/**
 * Why a device of the phone cannot be used, in words, and what to do instead.
 * @param name of the browser's error
 */
export const refusedWords = (
  name: string,
  device: 'camera' | 'microphone',
  instead: string,
): string =>
  name === 'NotAllowedError' || name === 'SecurityError'
    ? `The ${device} was refused. Allow it for this page in the browser, or choose ${instead}.`
    : name === 'NotFoundError'
      ? `This device has no ${device}. Choose ${instead} instead.`
      : `The ${device} is in use elsewhere, or broken. Close what uses it, or choose ${instead}.`;
