import fc from 'fast-check';
import { madeCheck } from '../testing/sheet';
import { suspectsFor, SYMPTOMS, symptomsIn } from './index';

const checks = [
  'fan-drive-belt',
  'chaffer-teeth',
  'fan-blades',
  'engine-fan-belt',
  'chopper-knives',
].map((id) => madeCheck('condition', { id, looksFor: ['worn'] }));

describe('what the operator noticed', () => {
  test.each([
    ['Fan surges on the slopes', ['surging-fan']],
    ['cleaning fan is surging', ['surging-fan']],
    ['Engine was running hot after noon', ['hot-engine']],
    ['bad VIBRATION at the back, straw lines', ['shake-at-back', 'uneven-residue']],
    ['header reel gets slow in heavy barley', ['header-sags']],
    ['nothing', []],
    ['', []],
    ['yield map jumps', ['yield-trickle']],
  ])('"%s" is recognised', (text, ids) => expect(symptomsIn(text).map((s) => s.id)).toEqual(ids));
  test('any text gives an answer, and every symptom is found by its own words', () => {
    fc.assert(fc.property(fc.string(), (text) => Array.isArray(symptomsIn(text))));
    for (const s of SYMPTOMS)
      for (const w of s.words) expect(symptomsIn(`it ${w}`).map((x) => x.id)).toContain(s.id);
  });
});

describe('suspects', () => {
  test('come likeliest first, only those the machine has, with the reason', () => {
    const suspects = suspectsFor(['surging-fan'], checks);
    expect(suspects.map((s) => s.check.id)).toEqual(['fan-drive-belt', 'fan-blades']);
    expect(suspects[0]?.why[0]).toMatch(/sinks in its groove/);
  });
  test('what two symptoms share moves up', () => {
    const [first] = suspectsFor(['surging-fan', 'dirty-grain'], checks);
    expect(first).toMatchObject({ check: { id: 'fan-drive-belt' }, weight: 2 });
    expect(first?.why).toHaveLength(2);
  });
  test('an unknown symptom points nowhere', () =>
    expect(suspectsFor(['moon-phase'], checks)).toEqual([]));
  test('the table is whole: ids once, suspects once each, every reason said', () => {
    expect(new Set(SYMPTOMS.map((s) => s.id)).size).toBe(SYMPTOMS.length);
    for (const s of SYMPTOMS) {
      expect(new Set(s.suspects.map((x) => x.check)).size).toBe(s.suspects.length);
      for (const x of s.suspects) expect(x.why.length).toBeGreaterThan(10);
    }
  });
});
