import type { Heard } from '@green-tally/core/note';
import { askApart } from '../../store/apart';
import { refusedWords } from '../../ui/refused';
import { momentsOf, type Next } from './moments';

/** No recording of a pluck is larger. */
const LARGEST_FILE = 40_000_000;

/** The thread that listens; one for as long as somebody does. */
export interface Ear {
  readonly listen: (samples: Float32Array, rate: number) => Promise<Heard>;
  readonly end: () => void;
}

/** Starts the thread that listens. */
export function openEar(): Ear {
  const apart = askApart(
    new Worker(new URL('./listen.worker', import.meta.url)),
    'Listening broke off.',
  );
  return {
    listen: (samples, rate) => apart.ask<Heard>({ samples, rate }),
    end: apart.end,
  };
}

/** A microphone that is open. */
export interface Microphone {
  readonly close: () => void;
}

/**
 * Opens the microphone and gives what it hears moment by moment.
 * @param hear is given samples and their rate, and says what it wants next
 * @throws Error in words: refused, none there, not in this browser
 */
export async function openMicrophone(
  hear: (samples: Float32Array, rate: number) => Promise<Next>,
): Promise<Microphone> {
  const devices = globalThis.navigator?.mediaDevices;
  if (!devices?.getUserMedia)
    throw new Error('This browser gives no microphone here. Choose a recording instead.');
  const stream = await devices
    .getUserMedia({
      // what makes speech clear takes the note out of a belt
      audio: { echoCancellation: false, noiseSuppression: false, autoGainControl: false },
    })
    .catch((error: unknown) => {
      throw new Error(
        refusedWords(error instanceof Error ? error.name : '', 'microphone', 'a recording'),
      );
    });
  const context = new AudioContext();
  const close = () => {
    stream.getTracks().forEach((track) => track.stop());
    void context.close().catch(() => undefined);
  };
  try {
    await context.audioWorklet.addModule('/listen.js');
    await context.resume();
  } catch {
    close();
    throw new Error('This browser cannot listen. Choose a recording instead.');
  }
  const node = new AudioWorkletNode(context, 'listen', { numberOfOutputs: 0 });
  context.createMediaStreamSource(stream).connect(node);
  const rate = context.sampleRate;
  const moments = momentsOf(rate, (samples) => hear(samples, rate));
  node.port.onmessage = ({ data }: MessageEvent<Float32Array>) => moments.take(data);
  return { close };
}

/**
 * The sound of a recording.
 * @throws Error in words: too large, no sound
 */
export async function samplesOf(
  file: Blob,
): Promise<{ readonly samples: Float32Array; readonly rate: number }> {
  if (file.size > LARGEST_FILE)
    throw new Error('This file is too large for the sound of a pluck. Choose one below 40 MB.');
  const context = new AudioContext();
  try {
    const sound = await context.decodeAudioData(await file.arrayBuffer()).catch(() => {
      throw new Error('This file is no sound that this browser can read. Choose a WAV file.');
    });
    const samples = new Float32Array(sound.length);
    for (let c = 0; c < sound.numberOfChannels; c += 1)
      sound.getChannelData(c).forEach((x, i) => (samples[i] = (samples[i] ?? 0) + x));
    return {
      samples: samples.map((x) => x / sound.numberOfChannels),
      rate: sound.sampleRate,
    };
  } finally {
    void context.close().catch(() => undefined);
  }
}

/** A tone that dies away, from this device's own speaker: to try whether it hears. */
export async function playTone(frequency: number): Promise<void> {
  const context = new AudioContext();
  await context.resume();
  const now = context.currentTime;
  // a phone's speaker gives the overtones of a low note, and an ear the note by them
  for (const k of [1, 2, 3, 4]) {
    const tone = context.createOscillator();
    const loud = context.createGain();
    tone.frequency.value = k * frequency;
    loud.gain.setValueAtTime(0.5 / k, now);
    loud.gain.exponentialRampToValueAtTime(1e-4, now + 2.2);
    tone.connect(loud).connect(context.destination);
    tone.start(now);
    tone.stop(now + 2.3);
    if (k === 1) tone.onended = () => void context.close();
  }
}
