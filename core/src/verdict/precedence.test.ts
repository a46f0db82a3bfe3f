import { demoCheck } from '../testing/sheet';
import { decide, LOUDNESS, PRECEDENCE } from '../findings';
import { example, INSIDE_EXAMPLES } from '../testing/findings';
import { judgeCheck, sentence } from './index';

const facts = { hours: 1284, seasonHours: 108.87 };
const belt = demoCheck('fan-drive-belt', 'measure');

describe('precedence, row by row', () => {
  test.each(PRECEDENCE.map(([id, decision]) => [id, decision] as const))(
    '%s alone leads to %s',
    (id, decision) => expect(decide([example(id)]).decision).toBe(decision),
  );
  test.each(
    PRECEDENCE.slice(0, -1).map(
      ([id, decision], i) => [id, decision, PRECEDENCE[i + 1]![0]] as const,
    ),
  )('%s (%s) goes before %s', (id, decision, next) =>
    expect(decide([example(next), example(id)])).toMatchObject({
      decision,
      findings: [{ id }, { id: next }],
    }),
  );
  test('nothing found proves nothing', () => expect(decide([]).decision).toBe('remeasure'));
  const whole = (text: string) => {
    expect(text).toMatch(/^[A-Z0-9].*\.$/);
    expect(text).not.toMatch(/undefined|NaN|Infinity|\[object/);
  };
  test.each(PRECEDENCE.map(([id]) => id))('%s has a sentence, without a hole in it', (id) =>
    whole(sentence(belt, example(id))),
  );
  test.each(Object.values(INSIDE_EXAMPLES))('what holds by $shows has its sentence', (numbers) =>
    whole(sentence(belt, { id: 'inside', numbers })),
  );
  test('every decision has its loudness', () =>
    expect([...new Set(PRECEDENCE.map(([, d]) => d))].sort()).toEqual([...LOUDNESS].sort()));
});

test('a check nobody has read has no verdict', () =>
  expect(judgeCheck(belt, [], facts)).toBeUndefined());
