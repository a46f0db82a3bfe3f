import { openMicrophone, samplesOf } from './ear';

/** A browser's ways to hear, as far as they are asked here. */
const given = (mediaDevices: unknown) =>
  Object.defineProperty(globalThis, 'navigator', { configurable: true, value: { mediaDevices } });
const refusing = (name: string) =>
  given({ getUserMedia: () => Promise.reject(Object.assign(new Error('no'), { name })) });

afterEach(() => given(undefined));

test.each([
  ['NotAllowedError', /was refused/],
  ['NotFoundError', /has no microphone/],
  ['NotReadableError', /in use elsewhere/],
])(
  'a microphone that says %s is told in words, and a recording is offered',
  async (name, words) => {
    refusing(name);
    await expect(openMicrophone(async () => 'on')).rejects.toThrow(words);
    await expect(openMicrophone(async () => 'on')).rejects.toThrow(/recording/);
  },
);

test('a browser that gives none, and one that cannot listen, say so and let go of what they opened', async () => {
  given(undefined);
  await expect(openMicrophone(async () => 'on')).rejects.toThrow(/gives no microphone/);
  const stop = jest.fn();
  given({ getUserMedia: async () => ({ getTracks: () => [{ stop }] }) });
  class Deaf {
    audioWorklet = { addModule: () => Promise.reject(new Error('no worklets')) };
    resume = async () => undefined;
    close = async () => undefined;
  }
  Object.assign(globalThis, { AudioContext: Deaf });
  await expect(openMicrophone(async () => 'on')).rejects.toThrow(/cannot listen/);
  expect(stop).toHaveBeenCalledTimes(1);
});

test('a file too large to be a pluck is not even opened; what is no sound says so', async () => {
  const arrayBuffer = jest.fn(async () => new ArrayBuffer(8));
  await expect(samplesOf({ size: 41_000_000, arrayBuffer } as never)).rejects.toThrow(
    /below 40 MB/,
  );
  expect(arrayBuffer).not.toHaveBeenCalled();
  class Silent {
    decodeAudioData = () => Promise.reject(new Error('EncodingError'));
    close = async () => undefined;
  }
  Object.assign(globalThis, { AudioContext: Silent });
  await expect(samplesOf({ size: 8, arrayBuffer } as never)).rejects.toThrow(/no sound/);
});

test('two channels are heard as one', async () => {
  class Both {
    decodeAudioData = async () => ({
      length: 3,
      numberOfChannels: 2,
      sampleRate: 8000,
      getChannelData: (c: number) => Float32Array.from(c ? [0, 1, 0] : [1, 0, 0]),
    });
    close = async () => undefined;
  }
  Object.assign(globalThis, { AudioContext: Both });
  const file = { size: 8, arrayBuffer: async () => new ArrayBuffer(8) };
  const { samples, rate } = await samplesOf(file as never);
  expect([...samples]).toEqual([0.5, 0.5, 0]);
  expect(rate).toBe(8000);
});
