import type { Check, SpecSheet } from '../contracts';
import { demoSheet } from '../testing/sheet';
import { besideEachOther } from './index';

const [tarn5, tarn7] = [demoSheet('tarn5'), demoSheet('tarn7')];
const first = tarn7.checks[0] as Check;
const changed = (change: (check: Check) => object | undefined): SpecSheet => ({
  ...tarn7,
  checks: tarn7.checks.flatMap((c) => {
    const next = change(c);
    return next ? [{ ...c, ...next } as Check] : [];
  }),
});

describe('two models side by side', () => {
  test('a sheet beside itself is alike throughout', () => {
    const { both, onlyOne, onlyTwo } = besideEachOther(tarn7, tarn7);
    expect([both.length, onlyOne, onlyTwo]).toEqual([tarn7.checks.length, [], []]);
    expect(both.every((b) => !b.fields.length)).toBe(true);
  });
  test('every check of both stands somewhere, once', () => {
    const { both, onlyOne, onlyTwo } = besideEachOther(tarn5, tarn7);
    const of = (checks: readonly Check[]) => checks.map((c) => c.id).sort();
    expect(of([...both.map((b) => b.one), ...onlyOne])).toEqual(of(tarn5.checks));
    expect(of([...both.map((b) => b.two), ...onlyTwo])).toEqual(of(tarn7.checks));
  });
  test('another id alone is no difference: what is read is the same', () => {
    const other = changed((c) => (c.id === first.id ? { id: 'another' } : {}));
    const { both, onlyOne, onlyTwo } = besideEachOther(tarn7, other);
    expect([onlyOne, onlyTwo]).toEqual([[], []]);
    expect(both.find((b) => b.one.id === first.id)).toMatchObject({
      two: { id: 'another' },
      fields: [],
    });
  });
  test('one component with one check on each is the same check, read otherwise', () => {
    const lone = tarn7.checks.find(
      (c) => tarn7.checks.filter((o) => o.component === c.component).length === 1,
    ) as Check;
    const other = changed((c) =>
      c.id === lone.id ? { id: 'another', measures: 'its width' } : {},
    );
    expect(besideEachOther(tarn7, other).both.find((b) => b.one.id === lone.id)?.fields).toEqual([
      { field: 'measures', before: lone.measures, after: 'its width' },
    ]);
  });
  test('where two could be meant, neither is guessed', () => {
    const twin = { ...first, id: 'twin', measures: 'something else' };
    const one = { ...tarn7, checks: [...tarn7.checks, twin] } as SpecSheet;
    const two = changed((c) =>
      c.id === first.id ? { id: 'another', measures: 'a third thing' } : {},
    );
    const { onlyOne, onlyTwo } = besideEachOther(one, two);
    expect(onlyOne.map((c) => c.id)).toEqual([first.id, 'twin']);
    expect(onlyTwo.map((c) => c.id)).toEqual(['another']);
  });
  test('another page of the book is no difference', () => {
    const other = changed(() => ({ source: 'Another book, p. 1' }));
    expect(besideEachOther(tarn7, other).both.every((b) => !b.fields.length)).toBe(true);
  });
});
