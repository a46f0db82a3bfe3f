import { fireEvent, render, screen, within } from '@testing-library/react-native';
import { useState } from 'react';
import { Text } from 'react-native';
import { Chip } from './Chip';
import { Choice } from './Choice';
import { DecisionBadge, DecisionCounts } from './DecisionBadge';
import { Waiting } from './Frame';
import { Stepper } from './Stepper';
import { Table } from './Table';
import { Tap } from './Tap';

jest.mock('expo-router', () => ({
  Link: ({ children, href }: { children: React.ReactElement; href: string }) => {
    const { cloneElement } = jest.requireActual<typeof import('react')>('react');
    return cloneElement(children as React.ReactElement<{ href?: string }>, { href });
  },
}));

const OPTIONS = [
  { value: 'a', title: 'Alone' },
  { value: 'b', title: 'With its mate', text: 'the opposite one' },
  { value: 'c', title: 'The whole set' },
] as const;
type Letter = (typeof OPTIONS)[number]['value'];

function Bench({ first, heard }: { first?: Letter; heard?: (v: Letter) => void }) {
  const [value, setValue] = useState<Letter | undefined>(first);
  const change = (next: Letter) => {
    heard?.(next);
    setValue(next);
  };
  return <Choice label="Renewed" options={OPTIONS} value={value} onChange={change} />;
}

const checked = () =>
  screen
    .getAllByRole('radio')
    .map((r) => r.props.accessibilityState?.checked ?? r.props['aria-checked']);
const key = (name: string) => {
  const event = { key: name, preventDefault: jest.fn() };
  fireEvent(screen.getByLabelText('Renewed'), 'keyDown', event);
  return event;
};

describe('one of a few', () => {
  test('none is chosen until one is tapped', () => {
    render(<Bench />);
    expect(checked()).toEqual([false, false, false]);
    fireEvent.press(screen.getByLabelText('With its mate: the opposite one'));
    expect(checked()).toEqual([false, true, false]);
  });
  test.each([
    ['ArrowRight', 'a', 'b'],
    ['ArrowDown', 'b', 'c'],
    ['ArrowLeft', 'b', 'a'],
    ['ArrowUp', 'c', 'b'],
    ['ArrowRight', 'c', 'a'],
    ['ArrowLeft', 'a', 'c'],
  ] as const)('%s goes from %s to %s, round the end', (name, first, next) => {
    const heard = jest.fn();
    render(<Bench first={first} heard={heard} />);
    expect(key(name).preventDefault).toHaveBeenCalled();
    expect(heard).toHaveBeenCalledWith(next);
  });
  test('other keys are left to others', () => {
    const heard = jest.fn();
    render(<Bench first="a" heard={heard} />);
    expect(key('x').preventDefault).not.toHaveBeenCalled();
    expect(heard).not.toHaveBeenCalled();
  });
});

describe('what is ticked', () => {
  const bench = (role: 'checkbox' | 'button', onPress: () => void, disabled = false) =>
    render(
      <Tap role={role} label="it" onPress={onPress} disabled={disabled}>
        <Text>it</Text>
      </Tap>,
    );
  const space = (change: object = {}) =>
    fireEvent(screen.getByLabelText('it'), 'keyDown', {
      key: ' ',
      preventDefault: jest.fn(),
      ...change,
    });

  test('Space ticks it, once for one press', () => {
    const pressed = jest.fn();
    bench('checkbox', pressed);
    space();
    space({ repeat: true });
    space({ key: 'x' });
    expect(pressed).toHaveBeenCalledTimes(1);
  });
  test('Space does nothing to what cannot be ticked now', () => {
    const pressed = jest.fn();
    bench('checkbox', pressed, true);
    expect(screen.getByLabelText('it').props.onKeyDown).toBeUndefined();
    expect(pressed).not.toHaveBeenCalled();
  });
  test('a chip says whether it is on', () => {
    const pressed = jest.fn();
    render(<Chip title="bent" on onPress={pressed} label="bent, seen" />);
    fireEvent.press(screen.getByRole('checkbox', { name: 'bent, seen' }));
    expect(pressed).toHaveBeenCalledTimes(1);
  });
});

describe('a count', () => {
  function Knives({ from, max }: { from: number; max: number }) {
    const [value, setValue] = useState(from);
    return <Stepper label="Missing" value={value} onChange={setValue} max={max} />;
  }
  const more = () => fireEvent.press(screen.getByLabelText('one more: Missing'));
  const less = () => fireEvent.press(screen.getByLabelText('one less: Missing'));
  const count = () => screen.getByTestId('count Missing').props.children;

  test('goes up and down by one', () => {
    render(<Knives from={0} max={48} />);
    more();
    more();
    less();
    expect(count()).toBe(1);
  });
  test('never below 0', () => {
    render(<Knives from={0} max={48} />);
    less();
    expect(count()).toBe(0);
  });
  test('never above what there is', () => {
    render(<Knives from={48} max={48} />);
    more();
    expect(count()).toBe(48);
  });
});

describe('a table', () => {
  const rows = [
    { id: '1', serial: 'T118', slack: 4, note: 'x' },
    { id: '2', serial: 'B027', slack: -2, note: 'y' },
    { id: '3', serial: 'T090', slack: 11, note: 'z' },
  ];
  const bench = () =>
    render(
      <Table
        label="machines"
        rows={rows}
        columns={[
          {
            key: 'serial',
            title: 'Machine',
            flex: 2,
            cell: (r) => <Text>{r.serial}</Text>,
            by: (r) => r.serial,
          },
          {
            key: 'slack',
            title: 'Slack',
            flex: 1,
            cell: (r) => <Text>{r.slack}</Text>,
            by: (r) => r.slack,
          },
          { key: 'note', title: 'Note', flex: 1, cell: (r) => <Text>{r.note}</Text> },
        ]}
        keyOf={(r) => r.id}
        to={(r) => `/machine/${r.id}` as never}
        said={(r) => `${r.serial}, ${r.slack} days of slack`}
        testID={(r) => `row ${r.id}`}
      />,
    );
  const order = () => screen.getAllByTestId(/^row /).map((r) => r.props.testID);
  const sortBy = (title: string) => fireEvent.press(screen.getByLabelText(`sort by ${title}`));

  test('keeps the order given until it is sorted; a second tap turns it round', () => {
    bench();
    expect(order()).toEqual(['row 1', 'row 2', 'row 3']);
    sortBy('Slack');
    expect(order()).toEqual(['row 2', 'row 1', 'row 3']);
    sortBy('Slack');
    expect(order()).toEqual(['row 3', 'row 1', 'row 2']);
  });
  test('another column begins from its lowest', () => {
    bench();
    sortBy('Slack');
    sortBy('Slack');
    sortBy('Machine');
    expect(order()).toEqual(['row 2', 'row 3', 'row 1']);
  });
  test('a column without an order cannot be sorted by', () => {
    bench();
    expect(screen.queryByLabelText('sort by Note')).toBeNull();
  });
  test('each row is a link with a name of its own', () => {
    bench();
    const links = screen.getAllByRole('link');
    expect(links.map((l) => l.props['aria-label'] ?? l.props.accessibilityLabel)).toEqual([
      'T118, 4 days of slack',
      'B027, -2 days of slack',
      'T090, 11 days of slack',
    ]);
  });
});

describe('decisions', () => {
  test('a badge says its decision', () => {
    render(<DecisionBadge decision="shorten" />);
    expect(within(screen.getByLabelText('Shorten')).getByText('Shorten')).toBeTruthy();
  });
  test('counts are said with their words, loudest first, none that are not there', () => {
    render(<DecisionCounts counts={{ holds: 135, replace: 2, watch: 10, turn: 0 }} />);
    const said = screen.getAllByText(/^\d+ /).map((t) => t.props.children);
    expect(said).toEqual(['2 replace', '10 watch', '135 hold']);
  });
  test('one that holds, holds', () => {
    render(<DecisionCounts counts={{ holds: 1 }} />);
    expect(screen.getByText('1 holds')).toBeTruthy();
  });
});

describe('a screen without its answer yet', () => {
  test('shows the shape of what comes, and says what', () => {
    render(<Waiting what="the yard" again={() => undefined} />);
    expect(screen.getByLabelText('Loading the yard')).toBeTruthy();
  });
  test('says why it did not come, and tries again', () => {
    const again = jest.fn();
    render(<Waiting what="the yard" trouble="The server cannot be reached." again={again} />);
    expect(screen.getByText('The yard cannot be shown')).toBeTruthy();
    expect(screen.getByText('The server cannot be reached.')).toBeTruthy();
    fireEvent.press(screen.getByText('Try again'));
    expect(again).toHaveBeenCalledTimes(1);
  });
});
