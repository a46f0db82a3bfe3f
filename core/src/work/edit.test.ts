import { edited } from './index';
import type { ProposedWork } from './propose';

const work: ProposedWork = {
  checkId: 'knives',
  from: 'verdict',
  task: null,
  decision: 'replace',
  places: ['rotor'],
  reason: 'lost.',
  minutes: 24,
  cover: null,
  parts: [
    { number: 'K-1', name: 'Knife', quantity: 2, soldIn: 4, order: 4 },
    { number: 'B-1', name: 'Bolt', quantity: 4 },
  ],
  mates: [],
  learnt: null,
  subjects: ['knives|r1'],
};
const as = { decision: work.decision, minutes: 24, quantities: {} };

describe('work that a person changes before it is accepted', () => {
  test('nothing changed: nothing stands beside it', () =>
    expect(edited(work, { ...as, quantities: { 'K-1': 2 } })).toEqual({ work, proposed: null }));
  test('what was proposed stands beside what it was changed to', () => {
    const change = edited(work, { decision: 'turn', minutes: 40, quantities: {} });
    expect(change.work).toMatchObject({ decision: 'turn', minutes: 40, parts: work.parts });
    expect(change.proposed).toEqual({ decision: 'replace', minutes: 24, parts: work.parts });
  });
  test('more of a part that is sold in boxes is ordered in boxes; none of one leaves it out', () => {
    const change = edited(work, { ...as, quantities: { 'K-1': 5, 'B-1': 0 } });
    expect(change.work.parts).toEqual([
      { number: 'K-1', name: 'Knife', quantity: 5, soldIn: 4, order: 8 },
    ]);
    expect(change.proposed?.parts).toEqual(work.parts);
  });
});
