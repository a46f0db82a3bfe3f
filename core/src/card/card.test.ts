import type { OperatorSaid } from '../contracts';
import { tick } from '../testing/season';
import { MACHINE_ID } from '../testing/sheet';
import { heardKey, namedWrong, saidWords, unheard } from './index';

const said = (change: Partial<OperatorSaid> = {}): OperatorSaid => ({
  id: '0197a000-0000-7000-8000-00000000e001',
  machineId: MACHINE_ID,
  cardId: '0197a000-0000-7000-8000-00000000e002',
  at: '2026-06-09T07:00:00.000Z',
  name: 'Nell',
  hours: null,
  noticed: '',
  answers: [],
  photo: false,
  ...change,
});

describe('what was said on it', () => {
  test('newest first, until somebody of the shop has heard of it', () => {
    const early = said({ at: '2026-06-08T07:00:00.000Z' });
    const late = said({ id: '0197a000-0000-7000-8000-00000000e003' });
    expect(unheard([early, late], []).map((s) => s.id)).toEqual([late.id, early.id]);
    expect(unheard([early, late], [tick(heardKey(late.id))])).toEqual([early]);
    expect(unheard([late], [tick(heardKey(late.id), { done: false })])).toEqual([late]);
  });
  test('in one text: what was noticed, then what did not look right', () => {
    const one = said({
      noticed: 'fan surges ',
      answers: [
        { checkId: 'fan-drive-belt', is: 'notFine', said: 'frayed' },
        { checkId: 'elevator-chain', is: 'fine', said: '' },
        { checkId: 'gone', is: 'notFine', said: '' },
      ],
    });
    const checks = [{ id: 'fan-drive-belt', component: 'Fan drive belt' }];
    expect(saidWords(one, checks)).toBe(
      'fan surges; Fan drive belt not right: frayed; gone not right',
    );
    expect(namedWrong(one)).toEqual(['fan-drive-belt', 'gone']);
    expect(saidWords(said(), checks)).toBe('');
  });
});
