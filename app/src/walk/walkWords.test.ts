import type { Candidate, FittedWalk } from '@green-tally/core/choose';
import { machineFile } from '../testing/fixtures';
import { fitWords, leftOutWords, minutesWords, mustWords } from './walkWords';

const [check] = machineFile().sheets[0]?.checks ?? [];
if (!check) throw new Error('a sheet without checks');
const candidate = (component: string, worth: number, must?: Candidate['must']): Candidate => ({
  check: { ...check, component },
  due: true,
  must,
  chance: 0.1,
  worth,
});
const fit = (change: Partial<FittedWalk>): FittedWalk => ({
  ...{ taken: [], left: [], minutes: 0, moving: 0, value: 0, leftValue: 0, over: 0, proven: true },
  leftOut: [],
  ...change,
});

test.each([
  [5, '5 min'],
  [99.4, '99 min'],
  [100, '1 h 40 min'],
  [120, '2 h'],
])('%s minutes: %s', (minutes, words) => expect(minutesWords(minutes)).toBe(words));

describe('what is walked', () => {
  test('reading and moving apart', () => {
    expect(fitWords(fit({ taken: ['a', 'b'], minutes: 88, moving: 9 }))).toBe(
      '2 checks: 79 min of reading, 9 min of moving the machine',
    );
    expect(fitWords(fit({ taken: ['a'], minutes: 4 }))).toBe('1 check: 4 min of reading');
  });
  test('what is in whatever the time, by why', () => {
    expect(mustWords([candidate('Belt', 1)])).toBe('');
    expect(
      mustWords([
        candidate('Shields', 0, 'safety'),
        candidate('Chain', 0, 'recheck'),
        candidate('Latch', 0, 'safety'),
      ]),
    ).toBe('3 are in whatever the time: 2 for safety, 1 rechecks.');
  });
});

describe('what is left out, and what that may cost', () => {
  const two = [candidate('Tailings chain', 150), candidate('Fan belt', 40)];
  test('in money of the branch', () =>
    expect(leftOutWords(fit({ leftOut: two, leftValue: 190 }), 'crowns')).toBe(
      '2 checks not walked: about 190 crowns of expected loss, most of it tailings chain.',
    ));
  test('in hours where the branch has not said what a stop costs', () =>
    expect(leftOutWords(fit({ leftOut: [candidate('Fan belt', 1), ...two], leftValue: 2.4 }))).toBe(
      '3 checks not walked: about 2.4 h of standing still, first of it fan belt.',
    ));
  test('worth nothing, no part is named; nothing left out, nothing is said', () => {
    expect(leftOutWords(fit({ leftOut: [candidate('Fan belt', 0)] }), 'crowns')).toBe(
      '1 check not walked: about 0 crowns of expected loss.',
    );
    expect(leftOutWords(fit({}), 'crowns')).toBe('');
  });
});
