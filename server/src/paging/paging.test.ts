import fc from 'fast-check';
import { Invalid } from '../errors';
import { pageOf, pageOfRows } from './index';

const letters = [...'abcdefghij'];
const self = (s: string) => s;

describe('a list in pages', () => {
  test('the first page, and the cursor of the next', () =>
    expect(pageOf(letters, { limit: 3 }, self, 'letters')).toEqual({
      items: ['a', 'b', 'c'],
      next: 'c',
    }));
  test('the next begins after the cursor', () =>
    expect(pageOf(letters, { cursor: 'c', limit: 3 }, self, 'letters')).toEqual({
      items: ['d', 'e', 'f'],
      next: 'f',
    }));
  test('the last page has no next, also when it is just full', () => {
    expect(pageOf(letters, { cursor: 'g', limit: 3 }, self, 'letters').next).toBeNull();
    expect(pageOf(letters, { cursor: 'i', limit: 3 }, self, 'letters')).toEqual({
      items: ['j'],
      next: null,
    });
  });
  test('after the last there is nothing', () =>
    expect(pageOf(letters, { cursor: 'j', limit: 3 }, self, 'letters')).toEqual({
      items: [],
      next: null,
    }));
  test('an empty list is one empty page', () =>
    expect(pageOf([], { limit: 3 }, self, 'letters')).toEqual({ items: [], next: null }));
  test.each(['z', '', 'A'])('a cursor that is no place in it is refused by name: %j', (cursor) => {
    expect(() => pageOf(letters, { cursor, limit: 3 }, self, 'letters')).toThrow(Invalid);
    try {
      pageOf(letters, { cursor, limit: 3 }, self, 'letters');
    } catch (error) {
      expect(error).toMatchObject({
        message: `"${cursor}" is no place in the list of letters.`,
        errors: [{ field: 'cursor', message: 'wanted the cursor of the page before' }],
      });
    }
  });

  test('read to the end, every item comes once and in order, whatever the limit', () =>
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.string({ minLength: 1 })),
        fc.integer({ min: 1, max: 7 }),
        (all, limit) => {
          const met: string[] = [];
          let cursor: string | undefined;
          for (let pages = 0; pages <= all.length; pages += 1) {
            const page = pageOf(all, { cursor, limit }, self, 'strings');
            met.push(...page.items);
            if (page.next === null) break;
            cursor = page.next;
          }
          expect(met).toEqual(all);
        },
      ),
    ));
});

describe('rows read with one more than asked for', () => {
  test('one more tells that there is a next', () =>
    expect(pageOfRows(['a', 'b', 'c'], 2, self)).toEqual({ items: ['a', 'b'], next: 'b' }));
  test('no more: no next', () => {
    expect(pageOfRows(['a', 'b'], 2, self)).toEqual({ items: ['a', 'b'], next: null });
    expect(pageOfRows([], 2, self)).toEqual({ items: [], next: null });
  });
});
