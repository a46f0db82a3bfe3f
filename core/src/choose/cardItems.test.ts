import { MOST_CARD_ITEMS } from '../contracts';
import { standingOf } from '../plan';
import { seasonFile, TODAY } from '../testing/season';
import { sheets } from '../testing/shipped';
import { checksFor, positionOf } from '../walk';
import { cardItems } from './index';

describe('what the card asks', () => {
  const file = seasonFile({});
  const models = Object.values(sheets).filter((s) => s.machine === 'combine');

  test.each(models.map((s) => [s.model, s] as const))(
    '%s: few, by eye, at rest, as it stands, nothing opened or raised',
    (_, sheet) => {
      const own = {
        ...file,
        machine: { ...file.machine, model: sheet.model, header: null, equipment: {} },
        sheets: [sheet],
        readings: [],
        walks: [],
      };
      const items = cardItems(own, standingOf(own, TODAY));
      expect(items.length).toBeGreaterThan(0);
      expect(items.length).toBeLessThanOrEqual(MOST_CARD_ITEMS);
      const checks = new Map(checksFor(own.machine, own.sheets).map((c) => [c.id, c]));
      for (const { checkId } of items) {
        const check = checks.get(checkId);
        expect(['condition', 'level']).toContain(check?.kind);
        expect(check?.labour.cover).toBeUndefined();
        const facts = check && positionOf(check, own.machine, own.sheets);
        expect(facts?.run ?? 'stopped').not.toBe('running');
        expect([facts?.header, facts?.feeder, facts?.reel]).not.toContain('raised');
      }
    },
  );
  test('what guards people comes first', () => {
    const checks = new Map(checksFor(file.machine, file.sheets).map((c) => [c.id, c]));
    const guards = cardItems(file, standingOf(file, TODAY)).map(
      (i) => checks.get(i.checkId)?.guardsPeople ?? false,
    );
    expect(guards).toEqual([...guards].sort((a, b) => Number(b) - Number(a)));
  });
});
