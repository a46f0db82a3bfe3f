import fc from 'fast-check';
import { LABEL_SHEETS, labelCode, readCode } from '.';

const HERE = 'https://tally.example';
const ID = '0197a000-0000-7000-8000-000000000001';

test.each([
  [{ kind: 'machine', id: ID }, `/machine/${ID}`],
  [{ kind: 'header', id: ID }, `/machine/${ID}`],
  [{ kind: 'walk', id: ID }, `/walk/${ID}`],
  [{ kind: 'station', id: ID, station: 7 }, `/walk/${ID}?station=7`],
  [{ kind: 'card', id: `${ID}~abcdefghijklmnopqrstuv` }, `/card/${ID}~abcdefghijklmnopqrstuv`],
] as const)('%o opens its page and no other', (of, page) => {
  expect(readCode(labelCode(HERE, of), HERE)).toEqual({ opens: page });
});

test('another place’s code, a page that is none of ours, a serial, and nonsense', () => {
  expect(readCode(`https://else.example/machine/${ID}`, HERE)).toEqual({
    trouble: expect.stringContaining('else.example'),
  });
  expect(readCode(`${HERE}/settings/people`, HERE)).toEqual({
    trouble: expect.stringContaining('none of our labels'),
  });
  expect(readCode(`${HERE}.evil.example/machine/${ID}`, HERE)).toHaveProperty('trouble');
  expect(readCode(' T118 ', HERE)).toEqual({ serial: 'T118' });
  expect(readCode('javascript:alert(1)', HERE)).toHaveProperty('trouble');
});

test('no text at all is followed out of this place', () => {
  fc.assert(
    fc.property(fc.string(), (text) => {
      const read = readCode(text, HERE);
      if ('opens' in read) expect(read.opens).toMatch(/^\/(machine|walk|card|r)\//);
    }),
  );
});

test('every sheet lies on its paper', () => {
  const size = { a4: [210, 297], letter: [215.9, 279.4] } as const;
  for (const s of Object.values(LABEL_SHEETS)) {
    const [w, h] = size[s.paper];
    expect(s.left + (s.across - 1) * s.stepX + s.width).toBeLessThanOrEqual(w + 0.01);
    expect(s.top + (s.down - 1) * s.stepY + s.height).toBeLessThanOrEqual(h + 0.5);
    expect(s.stepX).toBeGreaterThanOrEqual(s.width);
    expect(s.stepY).toBeGreaterThanOrEqual(s.height);
  }
});
