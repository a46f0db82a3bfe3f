import { demoSheet } from '../testing/sheet';
import { sheets } from '../testing/shipped';
import { walkStops } from './order';
import { whileOpen } from './index';

const { checks } = demoSheet('ouzel7');
const covered = checks.filter((c) => c.labour.cover);
const [first] = covered;
if (!first) throw new Error('no check behind a cover');
const cover = first.labour.cover?.name;
const behind = covered.filter((c) => c.labour.cover?.name === cover && c.id !== first.id);
const stops = walkStops(checks, { id: 'walk' }, []);
const idsOf = (found: ReturnType<typeof whileOpen>) => found.map((b) => b.check.id);

describe('what else there is while a check is at hand', () => {
  test('all that lies behind the cover opened for it', () => {
    expect(behind.length).toBeGreaterThan(0);
    expect(idsOf(whileOpen(first, checks, stops)).sort()).toEqual(
      expect.arrayContaining(behind.map((c) => c.id)),
    );
  });
  test('not what this walk has read', () => {
    const done = stops.map((s) => ({ ...s, state: 'done' as const }));
    expect(whileOpen(first, checks, done)).toEqual([]);
  });
  test('what a short walk leaves out is told as such', () => {
    const found = whileOpen(
      first,
      checks,
      stops.filter((s) => s.check.id === first.id),
    );
    expect(found.length).toBeGreaterThan(0);
    expect(found.every((b) => !b.inWalk)).toBe(true);
    expect(whileOpen(first, checks, stops).every((b) => b.inWalk)).toBe(true);
  });
  test('mates, with why, on every shipped sheet', () => {
    for (const sheet of Object.values(sheets))
      for (const check of sheet.checks)
        for (const pair of check.pairs) {
          const found = whileOpen(check, sheet.checks, []).find((b) => b.check.id === pair.check);
          expect(found).toBeDefined();
          if (found?.as === 'mate') expect(found.why).toBe(pair.why);
        }
  });
  test('what the machine need not be moved for comes first; one without cover or mate has none', () => {
    for (const check of checks) {
      const stay = whileOpen(check, checks, stops).map((b) => b.check.position === check.position);
      expect(stay).toEqual([...stay].sort((a, b) => Number(b) - Number(a)));
      if (!check.labour.cover && !check.pairs.length)
        expect(whileOpen(check, checks, stops)).toEqual([]);
    }
  });
});
