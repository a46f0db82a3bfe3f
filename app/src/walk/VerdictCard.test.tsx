import { render, screen } from '@testing-library/react-native';
import type { Reading } from '@green-tally/core/contracts';
import { judgeCheck } from '@green-tally/core/verdict';
import { checkOf, machineFile, reading } from '../testing/fixtures';
import { VerdictCard } from './VerdictCard';

jest.mock('expo-router', () => ({ useRouter: () => ({ push: jest.fn(), replace: jest.fn() }) }));

const file = machineFile();
const show = (checkId: string, readings: Reading[]) => {
  const verdict = judgeCheck(checkOf(file, checkId), readings, { hours: 690, seasonHours: 100 });
  if (!verdict) throw new Error('no verdict');
  render(<VerdictCard verdict={verdict} />);
};
const width = (mm: number) => ({
  kind: 'measure' as const,
  values: [mm],
  typed: [String(mm)],
  unit: 'mm',
});

describe('the verdict banner', () => {
  test('a narrow belt: the word, the number with its ±, the limit, the part, and what happens if left', () => {
    show('fan-drive-belt', [reading('fan-drive-belt', 'belt', width(34.2))]);
    expect(screen.getByTestId('decision')).toHaveTextContent('Replace');
    expect(screen.getByText('34.2 mm ±0.06')).toBeTruthy();
    expect(screen.getByTestId('why')).toHaveTextContent(
      '34.2 mm is at or past the limit of 35 mm, proven beyond ±0.06 mm.',
    );
    expect(screen.getByText(/LM-5207/)).toBeTruthy();
    expect(screen.getByText('If left')).toBeTruthy();
    expect(screen.getByText(/elevator chain: joins the walk again/)).toBeTruthy();
  });
  test('what holds is told quietly, without work', () => {
    show('fan-drive-belt', [reading('fan-drive-belt', 'belt', width(37.8))]);
    expect(screen.getByTestId('decision')).toHaveTextContent('Holds');
    expect(screen.queryByText('If left')).toBeNull();
    expect(screen.queryByText('Parts')).toBeNull();
  });
  test('false tension names the travel and the links to take out, side by side', () => {
    const at = { kind: 'mark' as const, stands: 'at' as const, by: 0 };
    const none = { kind: 'travel' as const, left: 0, linksOut: 0, typed: '0', unit: 'mm' };
    show(
      'conveyor-chain-tension',
      ['left', 'right'].flatMap((p) => [
        reading('conveyor-chain-tension', p, at),
        reading('conveyor-chain-tension', p, none),
      ]),
    );
    expect(screen.getByTestId('decision')).toHaveTextContent('Shorten');
    expect(screen.getByTestId('why')).toHaveTextContent(
      /False tension.*0 mm of the 45 mm travel.*one half link/,
    );
    expect(screen.getByText('Other places')).toBeTruthy();
  });
});
