import { fireEvent, render, screen } from '@testing-library/react-native';
import { Text } from 'react-native';
import { later } from './later';

test('a part that cannot be had says so, and comes when it is asked for with signal again', async () => {
  const told = jest.spyOn(console, 'error').mockImplementation(() => undefined);
  let signal = false;
  const Words = ({ words }: { words: string }) => <Text>{words}</Text>;
  const Part = later('the bench', async () => {
    if (!signal) throw new Error('Loading module failed.');
    return Words;
  });
  render(<Part words="chain and belt" />);
  expect(await screen.findByText('The bench cannot be shown')).toBeTruthy();
  expect(screen.getByText(/What was typed is kept/)).toBeTruthy();
  fireEvent.press(screen.getByText('Try again'));
  expect(await screen.findByText('The bench cannot be shown')).toBeTruthy();
  signal = true;
  fireEvent.press(screen.getByText('Try again'));
  expect(await screen.findByText('chain and belt')).toBeTruthy();
  expect(screen.queryByText('The bench cannot be shown')).toBeNull();
  told.mockRestore();
});
