import { random } from '../random';
import { heardWords, listen, PICTURE_STEP, pluck, pluckedTogether } from '.';

const RATE = 16_000;
const sound = (frequency: number, gain = 0.5) => {
  const raw = pluck(
    { frequency, decay: 0.5, at: 0.2, inharmonicity: 1e-4 },
    { snr: 20, mains: 50, humLevel: -20 },
    { rate: RATE, seconds: 2 },
    random(7),
  );
  const peak = Math.max(...raw.map(Math.abs));
  return raw.map((x) => (gain * x) / peak);
};

describe('listening', () => {
  test.each([28, 42, 77])(
    'a pluck of %d Hz: its note, and its picture stands highest there',
    (f) => {
      const heard = listen([sound(f)], RATE);
      expect(heard.note).toMatchObject({ heard: true });
      expect(heard.clipped).toBe(false);
      const at = heard.picture.indexOf(Math.max(...heard.picture)) * PICTURE_STEP;
      // the loudest partial is the note or one of its first overtones
      const partial = Math.round((at + PICTURE_STEP / 2) / f);
      expect(Math.abs(at + PICTURE_STEP / 2 - partial * f)).toBeLessThan(0.06 * f + PICTURE_STEP);
      expect(heardWords(heard)).toMatch(new RegExp(`^A note of ${f - 1}|^A note of ${f}`));
    },
  );
  test('too loud is said, whatever note it has; silence and hum are no note', () => {
    const loud = sound(42, 4).map((x) => Math.max(-1, Math.min(1, x)));
    expect(listen([loud], RATE).clipped).toBe(true);
    expect(heardWords(listen([loud], RATE))).toMatch(/Too loud/);
    const still = listen([new Float32Array(RATE)], RATE);
    expect(heardWords(still)).toMatch(/Nothing is heard/);
    expect(Math.max(...still.picture)).toBe(0);
    const faint = listen([sound(42, 1e-4)], RATE);
    expect(faint.note).toMatchObject({ heard: false, why: 'silent' });
    const hum = Float32Array.from(
      { length: 2 * RATE },
      (_, i) => 0.3 * Math.sin((2 * Math.PI * 73 * i) / RATE),
    );
    expect(listen([hum], RATE).note.heard).toBe(false);
    expect(heardWords(listen([new Float32Array(100)], RATE))).toMatch(/Nothing|short/);
  });
});

test('three plucks: the median and how far they lie apart', () => {
  expect(pluckedTogether([])).toBeUndefined();
  expect(pluckedTogether([42])).toMatchObject({ frequency: 42, spread: 0, enough: false });
  expect(pluckedTogether([42, 41.5, 42.4])).toMatchObject({
    frequency: 42,
    enough: true,
    agree: true,
  });
  const apart = pluckedTogether([42, 41.5, 84]);
  expect(apart).toMatchObject({ frequency: 42, agree: false });
});
