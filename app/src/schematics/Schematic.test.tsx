import { render, screen, waitFor } from '@testing-library/react-native';
import { Method, SpecSheet, type Check } from '@green-tally/core/contracts';
import ouzel5 from '../../../demo/specs/ouzel5.json';
import ouzel7 from '../../../demo/specs/ouzel7.json';
import merle10 from '../../../demo/specs/merle10.json';
import tarn7 from '../../../demo/specs/tarn7.json';
import merle12 from '../../../demo/specs/merle12.json';
import corrie4 from '../../../demo/specs/corrie4.json';
import { aimLines, aimOf } from './aim';
import { drawnWords } from '@green-tally/core/kinds';
import { Schematic } from './Schematic';

const checks = [ouzel5, ouzel7, merle10, tarn7, merle12, corrie4].flatMap(
  (s) => SpecSheet.parse(s).checks,
);
const byMethod = new Map<Method, Check>();
for (const c of checks) if (!byMethod.has(c.method)) byMethod.set(c.method, c);

/** Renders a check's drawing, and waits until it is loaded. */
async function draw(check: Check) {
  const view = render(<Schematic check={check} />);
  await waitFor(() => expect(JSON.stringify(view.toJSON())).toContain('RNSVG'));
  return view;
}

describe('method drawings', () => {
  test('every method is used by some check of the demo', () =>
    expect(Method.options.filter((m) => !byMethod.has(m))).toEqual([]));
  test.each([...byMethod])(
    '%s is drawn whole, with words for those who cannot see it',
    async (_method, check) => {
      await draw(check);
      expect(JSON.stringify(screen.toJSON())).not.toMatch(/NaN|undefined|Infinity/);
      expect(screen.getByLabelText(drawnWords(check))).toBeTruthy();
    },
  );
  test('no check of any sheet has a hole in its words', () => {
    for (const c of checks)
      expect([c.id, /NaN|undefined|Infinity/.test(drawnWords(c))]).toEqual([c.id, false]);
  });
  test('limits are drawn to scale: half the size, half the width', async () => {
    const belt = checks.find((c) => c.id === 'fan-drive-belt' && 'unit' in c && c.unit === 'mm');
    if (belt?.kind !== 'measure' || belt.limit.type !== 'wear') throw new Error('no belt');
    const edges = async (limit: number) => {
      const view = await draw({
        ...belt,
        limit: { type: 'wear', nominal: 40, limit, wornSide: 'smaller' },
      });
      const xs = [...JSON.stringify(view.toJSON()).matchAll(/"x1":([\d.]+)/g)].map((m) =>
        Number(m[1]),
      );
      view.unmount();
      return xs;
    };
    const spread = (xs: readonly number[]) =>
      Math.max(...xs.slice(0, 2)) - Math.min(...xs.slice(0, 2));
    expect(spread(await edges(20)) / spread(await edges(36))).toBeCloseTo(20 / 36, 1);
  });
  test('a drawing says what is wanted: a limit, a band, or one side of it', () => {
    const lines = (id: string) => aimLines(aimOf(checks.find((c) => c.id === id)!));
    expect(lines('wear-strips').join(' ')).toMatch(/^limit .* new /);
    expect(lines('fan-speed-sensor')).toHaveLength(2);
    expect(lines('isolator')).toEqual([]);
  });
});
