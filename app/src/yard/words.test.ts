import type { YardRow } from '@green-tally/core/contracts';
import { nextWords, slackWords, walkWords } from './words';

const row = (id: YardRow['next']['id'], change: Partial<YardRow['next']> = {}) => ({
  next: { id, day: null, technician: null, count: 0, ...change },
  late: false,
  mustStartBy: '2026-06-26',
});

test.each([
  [row('startWalk', { count: 5 }), 'No walk yet: start it, 5 checks'],
  [row('resumeWalk', { count: 1 }), 'Walk begun: 1 check to go'],
  [row('acceptWork', { count: 2 }), '2 decisions to accept into work'],
  [row('planVisit', { count: 1 }), 'Plan a visit: start by 26 Jun'],
  [
    row('visitLate', { day: '2026-07-01', technician: 'Ines Marrow' }),
    'Late: visit Wed 1 Jul, Ines Marrow ends in harvest',
  ],
  [row('visitPlanned', { day: '2026-06-18' }), 'Visit planned, Thu 18 Jun'],
  [row('ready'), 'Ready for harvest'],
])('every machine says what now', (given, words) => expect(nextWords(given)).toBe(words));

test('what is being judged anew is never called ready', () => {
  expect(nextWords({ ...row('ready'), behind: true })).toBe(
    'Being judged anew. Before: ready for harvest',
  );
  expect(nextWords({ ...row('acceptWork', { count: 2 }), behind: true })).toMatch(/^Being judged/);
});

test('slack below nothing is too late', () => {
  expect(slackWords(-2)).toEqual({ figure: '2', words: 'days too late' });
  expect(slackWords(1)).toEqual({ figure: '1', words: 'day of slack' });
});

test('the walk in a few words', () =>
  expect(walkWords({ walk: 'started', checks: 5, checksDue: 3 })).toBe('2 of 5 checked'));
