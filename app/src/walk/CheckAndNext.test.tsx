import { act, fireEvent, render, screen } from '@testing-library/react-native';
import { useEffect, useState } from 'react';
import { Text } from 'react-native';
import { standingOf } from '@green-tally/core/plan';
import { checkOf, machineFile } from '../testing/fixtures';
import { CheckAndNext } from './CheckAndNext';
import type { CheckInWalkProps } from './CheckInWalk';

const mockSetParams = jest.fn();
jest.mock('expo-router', () => ({
  router: { setParams: (...args: unknown[]) => mockSetParams(...args) },
}));

/** How often each was drawn, and which are seen. */
const mockDrawn: string[] = [];
const mockSeen = new Set<string>();

// a check that says which comes after it, and goes there
jest.mock('./CheckInWalk', () => {
  const { createContext } = jest.requireActual<typeof import('react')>('react');
  return { Ahead: createContext(false), CheckInWalk: MockCheck };
});
const AFTER: Readonly<Record<string, string>> = {
  'fan-drive-belt': 'chopper-knives',
  'chopper-knives': 'gathering-chain',
};
function MockCheck({ check, onNext, onGo }: CheckInWalkProps) {
  const after = AFTER[check.id];
  const [typed, type] = useState('nothing');
  mockDrawn.push(check.id);
  useEffect(() => {
    mockSeen.add(check.id);
    onNext(check.id, after);
    return () => void mockSeen.delete(check.id);
  }, [check.id, after, onNext]);
  return (
    <>
      <Text>{`${check.id}: ${typed}`}</Text>
      <Text onPress={() => after && onGo(after)}>{`from ${check.id}`}</Text>
      <Text onPress={() => type('37.2')}>{`type into ${check.id}`}</Text>
    </>
  );
}

const file = machineFile();
const [walk] = file.walks;
const standing = standingOf(file, '2026-06-09');
const checks = ['fan-drive-belt', 'chopper-knives', 'gathering-chain'].map((id) =>
  checkOf(file, id),
);
const at = (id: string) => {
  if (!walk) throw new Error('no walk');
  const known = { file, standing, walk, checks };
  return <CheckAndNext {...known} check={checkOf(file, id)} />;
};
const seen = () => [...mockSeen];

beforeEach(() => {
  mockSetParams.mockClear();
  mockDrawn.length = 0;
});

test('the next one is drawn ahead unseen, shown by the tap before the address follows, and drawn once', async () => {
  const { rerender } = await render(at('fan-drive-belt'));
  expect(seen()).toEqual(['fan-drive-belt']);
  expect(mockDrawn).toContain('chopper-knives');
  const drawn = mockDrawn.filter((id) => id === 'chopper-knives').length;

  await fireEvent.press(screen.getByText('from fan-drive-belt'));
  expect(seen()).toEqual(['chopper-knives']);
  expect(screen.queryByText(/^fan-drive-belt/)).toBeNull();
  expect(mockDrawn.filter((id) => id === 'chopper-knives')).toHaveLength(drawn);
  await act(async () => new Promise((later) => setTimeout(later, 150)));
  expect(mockSetParams.mock.calls).toEqual([[{ checkId: 'chopper-knives' }]]);

  // what was typed before the address came after is there still
  await fireEvent.press(screen.getByText('type into chopper-knives'));
  await rerender(at('chopper-knives'));
  expect(seen()).toEqual(['chopper-knives']);
  expect(screen.getByText('chopper-knives: 37.2')).toBeTruthy();
});

test('two taps go two further, before the address has followed once', async () => {
  await render(at('fan-drive-belt'));
  await fireEvent.press(screen.getByText('from fan-drive-belt'));
  await fireEvent.press(screen.getByText('from chopper-knives'));
  expect(seen()).toEqual(['gathering-chain']);
});

test('who leaves before the address has followed keeps the address gone to', async () => {
  const { unmount } = await render(at('fan-drive-belt'));
  await fireEvent.press(screen.getByText('from fan-drive-belt'));
  await unmount();
  await new Promise((later) => setTimeout(later, 200));
  expect(mockSetParams).not.toHaveBeenCalled();
});

test('back by the address shows the check that it names', async () => {
  const { rerender } = await render(at('fan-drive-belt'));
  await fireEvent.press(screen.getByText('from fan-drive-belt'));
  await rerender(at('chopper-knives'));
  await rerender(at('fan-drive-belt'));
  expect(seen()).toEqual(['fan-drive-belt']);
});
