import { demoSheet } from '../testing/sheet';
import { catalogueOf } from './index';

test('every number a sheet can lead to is in it: superseding, heavy, needed with it', () => {
  const sheet = demoSheet('ouzel7');
  const catalogue = catalogueOf([sheet]);
  const numbers = new Set(catalogue.map((p) => p.number));
  for (const part of sheet.checks.flatMap((c) => c.parts))
    for (const other of [part, part.supersededBy, part.heavy, ...(part.needs ?? [])])
      if (other) expect(numbers).toContain(other.number);
  expect(catalogue.map((p) => p.number)).toEqual([...numbers].sort());
  expect(catalogue.every((p) => p.name !== '' && p.models.join() === sheet.model)).toBe(true);
  expect(catalogue.some((p) => p.supersededBy !== null)).toBe(true);
});

test('a part of two models is one, with what is known of it', () => {
  const sheets = [demoSheet('ouzel7'), { ...demoSheet('ouzel7'), model: 'Ouzel 8' }];
  const [first] = catalogueOf(sheets);
  const [again] = catalogueOf(sheets, [
    { number: first?.number ?? '', price: 12, supplier: 'Mill Lane' },
  ]);
  expect(first).toMatchObject({ models: ['Ouzel 7', 'Ouzel 8'], price: null, supplier: null });
  expect(again).toMatchObject({ price: 12, supplier: 'Mill Lane' });
});
