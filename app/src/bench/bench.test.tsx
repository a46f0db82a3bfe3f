import { fireEvent, render, screen } from '@testing-library/react-native';
import { useState } from 'react';
import { BENCHES, CHAIN_BENCH, exampleTexts, printResult, workOut } from '@green-tally/core/bench';
import { elongation } from '@green-tally/core/chain';
import { Drawing } from './drawings/Drawing';
import { FieldEntry } from './FieldEntry';
import { ResultLine } from './ResultLine';

/** So that every section has something to show. */
const FILLED: Readonly<Record<string, Readonly<Record<string, string>>>> = {
  chain: { length: '838', used: '40' },
  drive: { wanted: '900', heavyWidth: '40', heavyR0: '95', heavyGap: '6' },
};
// the rotor is drawn by its own map
const sections = BENCHES.filter((b) => b.id !== 'knives').flatMap((bench) =>
  bench.sections.map((section) => [`${bench.id} ${section.id}`, bench, section] as const),
);

type Tree = ReturnType<ReturnType<typeof render>['toJSON']>;

/** What the lines of a drawing are given. */
function linesOf(tree: Tree | Tree[]): Record<string, unknown>[] {
  if (Array.isArray(tree)) return tree.flatMap(linesOf);
  if (!tree || typeof tree === 'string') return [];
  const below = (tree.children ?? []).flatMap((c) => (typeof c === 'string' ? [] : linesOf(c)));
  return tree.type === 'RNSVGLine' ? [tree.props, ...below] : below;
}

describe('the bench', () => {
  test.each(sections)('%s: drawn whole, and every number is core’s', (_name, bench, section) => {
    const outcome = workOut(bench, { ...exampleTexts(bench), ...FILLED[bench.id] });
    const results = outcome.sections[section.id]?.results ?? [];
    expect(results.length).toBeGreaterThan(0);
    const drawn = render(<Drawing bench={bench.id} section={section.id} outcome={outcome} />);
    const text = JSON.stringify(drawn.toJSON());
    expect(text).not.toMatch(/NaN|undefined|Infinity/);
    // there is something in the frame
    expect(text.match(/RNSVG(Path|Line|Rect|Circle)/g)?.length).toBeGreaterThan(2);
    drawn.unmount();
    for (const result of results) {
      const line = render(<ResultLine result={result} />);
      expect(screen.getByText(printResult(result).text)).toBeTruthy();
      expect(screen.queryByText(result.formula)).toBeNull();
      fireEvent.press(screen.getByLabelText(/How it is worked out$/));
      expect(screen.getByText(result.formula)).toBeTruthy();
      if (result.numbers) expect(screen.getByText(result.numbers)).toBeTruthy();
      line.unmount();
    }
  });
  test('a drawing follows what is entered: twice the growth, twice the way to its limit', () => {
    const growth = (length: string) => {
      const view = render(
        <Drawing
          bench="chain"
          section="elongation"
          outcome={workOut(CHAIN_BENCH, {
            ...exampleTexts(CHAIN_BENCH),
            ...{ length, limit: '4', uncertainty: '0' },
          })}
        />,
      );
      const lines = linesOf(view.toJSON());
      view.unmount();
      const at = (width: number) =>
        Number(lines.find((l) => Number(l['strokeWidth']) === width)?.['x1']);
      return (at(5) - 30) / (at(6) - 30);
    };
    const e = (mm: number) => elongation(mm, 20, 41.4);
    expect(growth('838') / growth('848')).toBeCloseTo(e(838) / e(848), 3);
  });
});

describe('a figure of the bench', () => {
  function Entry({ seen }: { seen: (text: string) => void }) {
    const [text, setText] = useState('41.4');
    const { values, troubles } = workOut(CHAIN_BENCH, { pitch: text });
    seen(text);
    return (
      <FieldEntry
        id="pitch"
        field={CHAIN_BENCH.fields['pitch'] as never}
        text={text}
        value={values['pitch']}
        trouble={troubles['pitch']}
        onText={setText}
      />
    );
  }
  test('is typed, moved by keys and dragged, chosen; what is wrong stays typed and is said', () => {
    let now = '';
    render(<Entry seen={(text) => (now = text)} />);
    const slider = screen.getByLabelText('Pitch: drag, or arrow keys');
    fireEvent(slider, 'keyDown', { key: 'ArrowRight', preventDefault: () => undefined });
    expect(now).toBe('41.5');
    fireEvent(slider, 'keyDown', {
      ...{ key: 'ArrowLeft', shiftKey: true, preventDefault: () => undefined },
    });
    expect(now).toBe('40.5');
    fireEvent(slider, 'pointerDown', { clientX: 100, pointerId: 1, currentTarget: {} });
    fireEvent(slider, 'pointerMove', { clientX: 160 });
    expect(now).toBe('41.5');
    fireEvent(slider, 'pointerUp', {});
    fireEvent(slider, 'pointerMove', { clientX: 400 });
    expect(now).toBe('41.5');
    fireEvent.changeText(screen.getByLabelText('Pitch, mm'), 'forty');
    expect(now).toBe('forty');
    expect(screen.getByText(/Write /)).toBeTruthy();
    fireEvent.press(screen.getByLabelText('Choose for Pitch'));
    fireEvent.press(screen.getByLabelText(/^S62 /));
    expect(now).toBe('41.91');
  });
});
