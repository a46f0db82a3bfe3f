import { act, fireEvent, render, screen, waitFor } from '@testing-library/react-native';
import type { ReactNode } from 'react';
import { View } from 'react-native';
import type { Reading } from '@green-tally/core/contracts';
import { checkOf, machineFile, reading } from '../testing/fixtures';
import { textStore } from '../testing/textStore';
import { CountEntry } from './CountEntry';
import type { EntryProps, Taken } from './entries';
import { readLength, readTravel } from './readText';
import { MeasureEntry } from './MeasureEntry';
import { SeriesEntry } from './series/SeriesEntry';
import { groupBySides } from './series/sides';
import { TensionEntry } from './TensionEntry';

const file = machineFile();
const walk = file.walks[0]!;
const kept = textStore();
beforeEach(() => kept.clear());

const entry = (checkId: string, readings: Reading[] = []) => {
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
    walk,
    state: 'asFound',
    places: check.places,
    readings,
    verdict: undefined,
    draftKey: 'd',
    linksOut: 0,
    onTake,
    onDone,
    frame,
  };
  return { check, props, onTake, onDone };
};
const press = async (id: string) => act(async () => void fireEvent.press(screen.getByTestId(id)));

describe('entering a width', () => {
  const show = () => {
    const { check, props, onTake, onDone } = entry('fan-drive-belt');
    if (check.kind !== 'measure') throw new Error(check.kind);
    render(<MeasureEntry {...props} check={check} />);
    return { onTake, onDone };
  };
  test.each([
    ['35.6', 35.6, 'mm'],
    ['1 3/8 in', 34.925, 'in'],
    ['35,6', 35.6, 'mm'],
  ])('%s is taken as %d mm', async (typed, mm, unit) => {
    const { onTake, onDone } = show();
    fireEvent.changeText(screen.getByTestId('pad text'), typed);
    await press('judge');
    const [[taken]] = onTake.mock.calls as unknown as [[Taken[]]];
    const value = taken[0]?.value;
    if (value?.kind !== 'measure') throw new Error('no measure');
    expect(value.values[0]).toBeCloseTo(mm, 9);
    expect(value).toMatchObject({ typed: [typed], unit });
    expect(onDone).toHaveBeenCalled();
  });
  test.each([
    ['wide', /not a number/],
    ['-35', /cannot be negative/],
    ['35 furlong', /not a unit of length/],
    ['', /Type the reading first/],
    ['0', /cannot be/],
    ['35 in', /cannot be here.*read as in/],
  ])('"%s" is refused in words and stays', async (typed, words) => {
    const { onTake } = show();
    fireEvent.changeText(screen.getByTestId('pad text'), typed);
    await press('judge');
    expect(screen.getByTestId('pad trouble')).toHaveTextContent(words);
    expect(screen.getByTestId('pad text').props.value).toBe(typed);
    expect(onTake).not.toHaveBeenCalled();
  });
  test('what is half typed survives leaving the page', () => {
    show();
    fireEvent.changeText(screen.getByTestId('pad text'), '35.');
    screen.unmount();
    show();
    expect(screen.getByTestId('pad text').props.value).toBe('35.');
  });
});

describe('entering a series', () => {
  const measured = (place: string, mm: number) =>
    reading('gathering-chain', place, { kind: 'measure', values: [mm], typed: [], unit: 'mm' });
  const show = (readings: Reading[]) => {
    const { check, props, onTake } = entry('gathering-chain', readings);
    if (check.kind !== 'series') throw new Error(check.kind);
    render(<SeriesEntry {...props} check={check} />);
    return onTake;
  };
  test('a wrong cell is struck alone: what is typed there takes its stead', async () => {
    const first = measured('row 1 left', 24);
    const onTake = show([first, measured('row 1 right', 420)]);
    fireEvent.press(screen.getByTestId('cell row 1 left'));
    expect(screen.getByTestId('series place')).toHaveTextContent(
      'row 1 left: what is typed strikes 24 mm',
    );
    fireEvent.changeText(screen.getByTestId('pad text'), '420');
    await press('key next');
    expect(onTake.mock.calls).toMatchObject([
      // others are to be read still
      [[{ place: 'row 1 left', value: { values: [420] }, strikes: first.id }], false],
    ]);
  });
  test('a cell that was not read strikes nothing', async () => {
    const onTake = show([measured('row 1 left', 420)]);
    fireEvent.changeText(screen.getByTestId('pad text'), '420');
    await press('key next');
    const [[taken]] = onTake.mock.calls as unknown as [[Taken[]]];
    expect(taken[0]).toMatchObject({ place: 'row 1 right' });
    expect(taken[0]?.strikes).toBeUndefined();
  });
  test('goes on where it was left', () => {
    show([measured('row 1 left', 418)]);
    expect(screen.getByTestId('series place')).toHaveTextContent('row 1 right');
  });
  test('"same" offers the one before', async () => {
    const onTake = show([measured('row 1 left', 418)]);
    await press('key same');
    expect(onTake.mock.calls[0]?.[0]).toMatchObject([
      { place: 'row 1 right', value: { values: [418] } },
    ]);
  });
  test('one out of the family is challenged before it is stored', async () => {
    const onTake = show(['row 1 left', 'row 1 right', 'row 2 left'].map((p) => measured(p, 418)));
    fireEvent.changeText(screen.getByTestId('pad text'), '424.5');
    await press('key next');
    expect(screen.getByTestId('challenge')).toHaveTextContent(
      'Row 2 right, 424.5 mm: 6.5 mm longer than its neighbours.',
    );
    expect(onTake).not.toHaveBeenCalled();
    await act(async () => void fireEvent.press(screen.getByLabelText('Keep it')));
    expect(onTake).toHaveBeenCalledTimes(1);
  });
  test('rows and sides are told from the places; other places are rows of their own', () => {
    expect(groupBySides(['row 1 left', 'row 1 right', 'row 2 left'])).toEqual({
      sides: ['left', 'right'],
      rows: [
        { name: '1', places: ['row 1 left', 'row 1 right'] },
        { name: '2', places: ['row 2 left'] },
      ],
    });
    expect(groupBySides(['front', 'back']).rows).toHaveLength(2);
  });
});

describe('entering tension', () => {
  test('an indicator is not judged without the slot left', async () => {
    const { check, props, onTake } = entry('conveyor-chain-tension');
    if (check.kind !== 'mark') throw new Error(check.kind);
    render(<TensionEntry {...props} check={check} />);
    screen.getAllByLabelText('At it').forEach((key) => fireEvent.press(key));
    await press('judge');
    expect(screen.getAllByText(/Give the travel left/)).toHaveLength(2);
    fireEvent.changeText(screen.getByLabelText('Slot left, mm, of 45 (left)'), '0');
    fireEvent.changeText(screen.getByLabelText('Slot left, mm, of 45 (right)'), '46.5');
    await press('judge');
    expect(screen.getByText(/more than the whole slot, 45 mm/)).toBeTruthy();
    expect(onTake).not.toHaveBeenCalled();
    fireEvent.changeText(screen.getByLabelText('Slot left, mm, of 45 (right)'), '2');
    await press('judge');
    expect(onTake.mock.calls[0]?.[0].map((t) => [t.place, t.value.kind])).toEqual([
      ['left', 'mark'],
      ['left', 'travel'],
      ['right', 'mark'],
      ['right', 'travel'],
    ]);
  });
  test('nothing left is a reading; less than nothing is not', () => {
    expect(readTravel('0', 'mm', 45)).toEqual({ value: 0, unit: 'mm' });
    expect(readTravel('-1', 'mm', 45)).toHaveProperty('trouble');
    expect(readLength('0', 'mm')).toHaveProperty('trouble');
  });
});

test('a set counted sound is asked for twice; each knife counts once', async () => {
  const { check, props, onTake } = entry('chopper-knives');
  if (check.kind !== 'count') throw new Error(check.kind);
  render(<CountEntry {...props} check={check} />);
  await press('judge');
  expect(onTake).not.toHaveBeenCalled();
  fireEvent.press(screen.getByLabelText('one more: Missing'));
  await waitFor(() => expect(screen.getByTestId('count Missing')).toHaveTextContent('1'));
  await press('judge');
  expect(onTake.mock.calls[0]?.[0]).toEqual([
    { place: 'rotor', value: { kind: 'count', missing: 1, damaged: 0, oneEdge: 0, bothEdges: 0 } },
  ]);
});
