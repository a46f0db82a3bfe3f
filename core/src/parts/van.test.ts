import { madeCheck } from '../testing/sheet';
import { vanList, type Job } from './index';

const belt = madeCheck('condition', { id: 'belt', looksFor: ['cracks'] });
const oil = madeCheck('service', {
  id: 'oil',
  asks: 'litres',
  amount: 2.5,
  product: 'Gear oil 90',
  places: ['left', 'right'],
});
const grease = madeCheck('service', {
  id: 'grease',
  asks: 'strokes',
  amount: 3,
  product: 'Grease 2',
});
const part = (number: string, quantity: number, order?: number) => ({
  number,
  name: number,
  quantity,
  ...(order ? { order, soldIn: order } : {}),
});
const job = (serial: string, items: Job['items']): Job => ({
  serial,
  items,
  checks: [belt, oil, grease],
});

test('parts are loaded once each, in whole boxes, for whom is said; oil and grease by product', () => {
  const list = vanList([
    job('T118', [
      {
        checkId: 'belt',
        decision: 'replace',
        places: ['here'],
        parts: [part('B-1', 1), part('K-1', 3, 4)],
      },
      { checkId: 'oil', decision: 'due', places: ['left', 'right'], parts: [] },
    ]),
    job('T104', [
      { checkId: 'belt', decision: 'replace', places: ['here'], parts: [part('B-1', 1)] },
      { checkId: 'oil', decision: 'due', places: ['left'], parts: [] },
      { checkId: 'grease', decision: 'due', places: ['here'], parts: [] },
    ]),
  ]);
  expect(list.parts).toEqual([
    { number: 'B-1', name: 'B-1', quantity: 2, for: ['T118', 'T104'] },
    { number: 'K-1', name: 'K-1', quantity: 4, for: ['T118'] },
  ]);
  expect(list.litres).toEqual([{ product: 'Gear oil 90', litres: 7.5 }]);
  expect(list.grease).toEqual([{ product: 'Grease 2', strokes: 3 }]);
  expect(list.gauges).toContain(belt.tool.name);
  expect(list.tools).toEqual(expect.arrayContaining(['grease gun', 'torque wrench']));
});

test('nothing to do loads nothing; a check that is gone brings its parts still', () => {
  expect(vanList([])).toEqual({ parts: [], litres: [], grease: [], gauges: [], tools: [] });
  const list = vanList([
    job('T118', [{ checkId: 'gone', decision: 'remeasure', places: [], parts: [part('B-1', 1)] }]),
  ]);
  expect(list.parts).toHaveLength(1);
  expect(list.gauges).toEqual([]);
});
