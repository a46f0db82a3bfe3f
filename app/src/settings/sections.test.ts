import { mayDo } from '@green-tally/core/rights';
import type { Role } from '@green-tally/core/contracts';
import { SECTIONS } from './sections';

const seenBy = (role: Role) =>
  SECTIONS.filter((s) => !s.right || mayDo(role, s.right)).map((s) => s.title);

describe('the sections of the settings', () => {
  test.each<[Role, string[]]>([
    [
      'technician',
      [
        'You',
        'Look',
        'Your tools',
        'This device',
        'Bench',
        'Hours',
        'Labels',
        'Practice',
        'Spec sheets',
        'Costs',
        'Hours, skills, bays, map',
        'Insight',
        'Was the forecast right?',
        'Formats',
        'Safety',
      ],
    ],
    [
      'planner',
      [
        'You',
        'Look',
        'Your tools',
        'This device',
        'Bench',
        'Hours',
        'Labels',
        'Practice',
        'Spec sheets',
        'Machines',
        'Lists in and out',
        'First day',
        'Costs',
        'Hours, skills, bays, map',
        'Insight',
        'Was the forecast right?',
        'Formats',
        'Safety',
      ],
    ],
    [
      'admin',
      [
        'You',
        'Look',
        'Your tools',
        'This device',
        'Bench',
        'Hours',
        'Labels',
        'Practice',
        'Spec sheets',
        'Machines',
        'Lists in and out',
        'First day',
        'Costs',
        'Hours, skills, bays, map',
        'Insight',
        'Was the forecast right?',
        'People',
        'Who changed what',
        'Tokens',
        'Archive',
        'Formats',
        'Safety',
      ],
    ],
  ])('a %s sees what a %s may do', (role, titles) => expect(seenBy(role)).toEqual(titles));
  test('each is a place of its own, and says in a line what is there', () => {
    expect(new Set(SECTIONS.map((s) => s.to)).size).toBe(SECTIONS.length);
    for (const { to, text } of SECTIONS) {
      expect(String(to)).toMatch(
        /^\/(settings\/[a-z]+|bench|practice|scan|specs|first-day|insight|forecasts)$/,
      );
      expect(text.length).toBeGreaterThan(10);
    }
  });
  test('safety is there for everybody', () => {
    for (const role of ['technician', 'planner', 'admin'] as const)
      expect(seenBy(role)).toContain('Safety');
  });
});
