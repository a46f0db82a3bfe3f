import { fireEvent, render, screen } from '@testing-library/react-native';
import { useState } from 'react';
import { Pad, pressKey } from './Pad';

describe('what the keys write', () => {
  const press = (...keys: string[]) => keys.reduce(pressKey, '');
  test.each([
    [['9', '.', '5'], '9.5'],
    [['3', '/8'], '3/8'],
    [['1', ' ', '3', '/8'], '1 3/8'],
    [['/4'], '1/4'],
    [['1', ' ', '/4'], '1 1/4'],
    [['.', '0', '2', '0'], '.020'],
    [['3', '5', '⌫', '6'], '36'],
    [['3', '/8', '/4'], '3/8'],
    [['⌫'], ''],
  ])('%j writes %s', (keys, text) => expect(press(...keys)).toBe(text));
  test('it stops at twenty', () =>
    expect(press(...Array.from({ length: 40 }, () => '7'))).toHaveLength(20));
});

function Bench({ trouble, inches = false }: { trouble?: string; inches?: boolean }) {
  const [text, setText] = useState('');
  const [unit, setUnit] = useState(inches ? 'in' : 'mm');
  return (
    <Pad
      label="reading 1"
      text={text}
      unit={unit}
      units={['mm', 'in']}
      onText={setText}
      onUnit={setUnit}
      trouble={trouble}
    />
  );
}

describe('the pad', () => {
  test('digits and a fraction key write a fraction, in two taps, while inches are typed', () => {
    render(<Bench inches />);
    fireEvent.press(screen.getByTestId('key 3'));
    fireEvent.press(screen.getByTestId('key 1/8'));
    expect(screen.getByTestId('pad text').props.value).toBe('3/8');
  });
  test('the unit key says the unit and changes it, keeping what was typed', () => {
    render(<Bench />);
    fireEvent.press(screen.getByTestId('key 9'));
    fireEvent.press(screen.getByLabelText('unit is mm, change'));
    expect(screen.getByLabelText('unit is in, change')).toBeTruthy();
    expect(screen.getByTestId('pad text').props.value).toBe('9');
  });
  test('in mm there are no fractions of a rule in the way', () => {
    render(<Bench />);
    expect(screen.queryByTestId('key 1/8')).toBeNull();
    fireEvent.press(screen.getByLabelText('unit is mm, change'));
    expect(screen.getByTestId('key 1/8')).toBeTruthy();
  });
  test('the digits lie in three columns, 1 at the top left', () => {
    render(<Bench />);
    const keys = screen.getAllByTestId(/^key [0-9.⌫]$/).map((k) => k.props.testID);
    expect(keys).toEqual([...'123456789.0⌫'].map((k) => `key ${k}`));
  });
  test('trouble is said beside what was typed, which stays', () => {
    const view = render(<Bench />);
    fireEvent.changeText(screen.getByTestId('pad text'), '9.5 furlongs');
    view.rerender(<Bench trouble={'"furlongs" is not a unit of length.'} />);
    expect(screen.getByTestId('pad trouble')).toHaveTextContent(/not a unit of length/);
    expect(screen.getByTestId('pad text').props.value).toBe('9.5 furlongs');
  });
});
