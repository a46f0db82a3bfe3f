import fc from 'fast-check';

/*
 * Requests that are nearly right: a good one with some of it made foolish or hostile.
 */

/** What has hurt servers before. */
const NASTY: readonly unknown[] = [
  ...[null, undefined, true, 0, -1, 1e308, -1e308, 1e-320, 2 ** 53, 0.1, Number.MAX_VALUE],
  ...[
    '',
    ' ',
    'a\u0000b',
    '\ud83d',
    '\udc00x',
    '💧'.repeat(40),
    'x'.repeat(5000),
    '\u202Eright to left',
  ],
  ...[
    '0000-00-00',
    '0000-01-01',
    '9999-12-31',
    '2026-02-30',
    '2026-06-09T25:00:00Z',
    '-1',
    '1e400',
  ],
  ...["'; DROP TABLE readings; --", '=cmd|x', '../../etc/passwd', '%00', '{{7*7}}', '__proto__'],
  ...[[], {}, [[[]]], { a: { b: {} } }, Array(300).fill('x'), { ['__proto__']: 1, constructor: 1 }],
];

type Path = readonly (string | number)[];

/** Every place in a value, the value itself among them. */
function placesIn(value: unknown, at: Path = []): Path[] {
  if (typeof value !== 'object' || value === null) return [at];
  return [at, ...Object.entries(value).flatMap(([k, v]) => placesIn(v, [...at, k]))];
}

/** A copy with another value at a place, or without that place, or with one more beside it. */
function changed(value: unknown, [key, ...rest]: Path, to: unknown, how: Change): unknown {
  if (key === undefined) return how === 'put' ? to : value;
  if (typeof value !== 'object' || value === null) return value;
  if (Array.isArray(value)) {
    const copy: unknown[] = [...(value as unknown[])];
    const i = Number(key);
    if (rest.length) copy[i] = changed(copy[i], rest, to, how);
    else if (how === 'drop') copy.splice(i, 1);
    else if (how === 'add') copy.splice(i, 0, to);
    else copy[i] = to;
    return copy;
  }
  const copy: Record<string, unknown> = { ...value };
  if (rest.length) copy[key] = changed(copy[key], rest, to, how);
  else if (how === 'drop') delete copy[key];
  else if (how === 'add') copy[`${key}x`] = to;
  else copy[key] = to;
  return copy;
}

type Change = 'put' | 'drop' | 'add';

/** A good value with up to three places of it made foolish. */
export const spoilt = (good: unknown): fc.Arbitrary<unknown> => {
  const places = placesIn(good);
  const one = fc.record({
    at: fc.constantFrom(...places),
    to: fc.oneof(
      { weight: 4, arbitrary: fc.constantFrom(...NASTY) },
      { weight: 1, arbitrary: fc.double() },
      { weight: 1, arbitrary: fc.string({ unit: 'binary', maxLength: 30 }) },
      { weight: 1, arbitrary: fc.integer() },
    ),
    how: fc.constantFrom<Change>('put', 'put', 'put', 'drop', 'add'),
  });
  return fc
    .array(one, { minLength: 1, maxLength: 3 })
    .map((changes) => changes.reduce((v, { at, to, how }) => changed(v, at, to, how), good));
};
