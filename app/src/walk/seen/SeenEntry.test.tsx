import { act, fireEvent, render, screen } from '@testing-library/react-native';
import type { ReactNode } from 'react';
import { View } from 'react-native';
import { checkOf, machineFile } from '../../testing/fixtures';
import { CountEntry } from '../CountEntry';
import type { EntryProps, Taken } from '../entries';
import { MeasureEntry } from '../MeasureEntry';
import { textStore } from '../../testing/textStore';
import { SeenEntry } from './SeenEntry';

const file = machineFile();
const kept = textStore();
beforeEach(() => kept.clear());

const show = (checkId: string) => {
  const check = checkOf(file, checkId);
  const onTake = jest.fn<Promise<boolean>, [readonly Taken[]]>().mockResolvedValue(true);
  const onDone = jest.fn();
  const frame = (body: ReactNode, footer: ReactNode) => (
    <View>
      {body}
      {footer}
    </View>
  );
  const props: Omit<EntryProps, 'check'> = {
    file,
    walk: file.walks[0]!,
    state: 'asFound',
    places: check.places,
    readings: [],
    verdict: undefined,
    draftKey: 'd',
    linksOut: 0,
    onTake,
    onDone,
    frame,
  };
  if (check.kind === 'count') render(<CountEntry {...props} check={check} />);
  else if (check.kind === 'measure') render(<MeasureEntry {...props} check={check} />);
  else if (check.kind === 'series' || check.kind === 'mark' || check.kind === 'feel')
    throw new Error(check.kind);
  else render(<SeenEntry {...props} check={check} />);
  return { onTake, onDone };
};
const press = async (id: string) => act(async () => void fireEvent.press(screen.getByTestId(id)));
const choose = (label: string | RegExp, at = 0) =>
  fireEvent.press(screen.getAllByLabelText(label)[at]!);
const takenBy = (onTake: jest.Mock) => (onTake.mock.calls as [Taken[]][]).flatMap(([t]) => t);

describe('what is seen', () => {
  test('nothing chosen is asked for in words, and nothing is stored', async () => {
    const { onTake } = show('isolator');
    await press('judge');
    expect(screen.getByText('Choose one.')).toBeTruthy();
    expect(onTake).not.toHaveBeenCalled();
  });
  test('damage wants to be said', async () => {
    const { onTake, onDone } = show('isolator');
    choose('Damaged');
    await press('judge');
    expect(screen.getByText('Say what was seen.')).toBeTruthy();
    choose('stiff');
    await press('judge');
    expect(takenBy(onTake)).toEqual([
      { place: 'here', value: { kind: 'condition', grade: 'damaged', seen: ['stiff'], found: '' } },
    ]);
    expect(onDone).toHaveBeenCalled();
  });
  test('many places alike take one tap, what was chosen before stays', async () => {
    const { onTake } = show('row-gearboxes');
    choose('Low', 2);
    await press('all alike');
    await press('judge');
    const taken = takenBy(onTake);
    expect(taken).toHaveLength(12);
    expect(taken.map((t) => (t.value.kind === 'level' ? t.value.level : '?'))).toEqual([
      'right',
      'right',
      'low',
      ...Array.from({ length: 9 }, () => 'right'),
    ]);
  });
  test('a setting says what the crop wants before it is read', async () => {
    const { onTake } = show('rotor-range');
    expect(screen.getByText('malting barley wants: high')).toBeTruthy();
    choose('low');
    await press('judge');
    expect(takenBy(onTake)[0]?.value).toEqual({ kind: 'setting', option: 'low' });
  });
  test.each([
    ['', /How many strokes\? 1 are wanted/],
    ['some', /"some" is not a number of strokes/],
  ])('a service of "%s" strokes is refused in words', async (typed, words) => {
    const { onTake } = show('feeder-slip-clutch');
    choose('Done now');
    fireEvent.changeText(screen.getByLabelText('How many strokes'), typed);
    await press('judge');
    expect(screen.getByText(words)).toBeTruthy();
    expect(onTake).not.toHaveBeenCalled();
  });
  test('a service done keeps its strokes and another product', async () => {
    const { onTake } = show('feeder-slip-clutch');
    choose('Done now');
    fireEvent.changeText(screen.getByLabelText('How many strokes'), '2');
    fireEvent.changeText(screen.getByLabelText(/^Another product/), 'Grease NLGI 0');
    await press('judge');
    expect(takenBy(onTake)[0]?.value).toEqual({
      kind: 'service',
      amount: 2,
      product: 'Grease NLGI 0',
    });
  });
  test('a gauge fits or does not', async () => {
    const { onTake } = show('wire-guide');
    choose('It does not fit');
    await press('judge');
    expect(takenBy(onTake)[0]?.value).toEqual({ kind: 'gonogo', fits: false });
  });
  test('what is half chosen survives leaving the page', () => {
    show('isolator');
    choose('Marked');
    screen.unmount();
    show('isolator');
    expect(screen.getByLabelText('Marked')).toBeChecked();
  });
});

test('a count goes place by place, and asks twice before it says all are sound', async () => {
  const { onTake, onDone } = show('row-knives');
  expect(screen.getByText('row 1 · 1 of 12')).toBeTruthy();
  await press('judge');
  expect(onTake).not.toHaveBeenCalled();
  await press('judge');
  expect(takenBy(onTake)).toEqual([
    { place: 'row 1', value: { kind: 'count', missing: 0, damaged: 0, oneEdge: 0, bothEdges: 0 } },
  ]);
  expect(onDone).not.toHaveBeenCalled();
});

describe('a measure that is no length', () => {
  test('has its own unit and no fraction keys', async () => {
    const { onTake } = show('battery-voltage');
    expect(screen.queryByTestId('key 1/8')).toBeNull();
    expect(screen.getByText(/12\.4 V to 13\.2 V/)).toBeTruthy();
    fireEvent.changeText(screen.getByTestId('pad text'), '12,6');
    await press('judge');
    expect(takenBy(onTake)[0]?.value).toEqual({
      kind: 'measure',
      values: [12.6],
      typed: ['12,6'],
      unit: 'V',
    });
  });
  test('what cannot be is refused with the unit it was read in', async () => {
    const { onTake } = show('battery-voltage');
    fireEvent.changeText(screen.getByTestId('pad text'), '12600');
    await press('judge');
    expect(screen.getByTestId('pad trouble')).toHaveTextContent(
      /12600 V cannot be here\. Check the unit: this is read as V/,
    );
    expect(onTake).not.toHaveBeenCalled();
  });
});
