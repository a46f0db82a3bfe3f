import { stringify } from 'yaml';
import { demoBooks } from '@green-tally/demo';
import { readSheet } from './readSheet';

const [sheet] = demoBooks().sheets;
if (!sheet) throw new Error('the demo has sheets');

const refusal = (text: string): string => {
  try {
    return `read: ${readSheet(text).troubles.map((t) => t.message)[0]}`;
  } catch (error) {
    return error instanceof Error ? error.message : String(error);
  }
};
const TOO_DEEP = /^Line (\d+): lists and fields stand more than 100 deep/;

describe('a sheet is read', () => {
  test.each([
    ['as JSON', JSON.stringify(sheet)],
    ['as JSON on many lines', JSON.stringify(sheet, null, 2)],
    ['as YAML', stringify(sheet)],
    ['as YAML in brackets', stringify(sheet, { collectionStyle: 'flow' })],
  ])('%s, as it was written', (_, text) =>
    expect(readSheet(text)).toEqual({ sheet, troubles: [], model: sheet.model }),
  );
  test.each([
    ['brackets that nothing closes', '['.repeat(150)],
    ['quotes and brackets', '"[" and \\"{ '.repeat(60)],
    ['a line of dashes', '- '.repeat(90)],
  ])('whose words hold %s', (_, words) => {
    const wanted = { ...sheet, remark: words.trim() };
    expect(readSheet(JSON.stringify(wanted)).sheet).toEqual(wanted);
    expect(readSheet(stringify(wanted, { defaultStringType: 'QUOTE_DOUBLE' })).sheet).toEqual(
      wanted,
    );
  });
});

describe('what no sheet is like is refused', () => {
  test.each([
    ['brackets', '['.repeat(101), '1'],
    ['fields', `a: 1\nb: ${'{"c":'.repeat(101)}`, '2'],
    ['brackets and fields in turn', `\n\n${'[{a: '.repeat(51)}`, '3'],
    ['closed ones are not counted', `${'[]\n'.repeat(500)}${'['.repeat(101)}`, '501'],
    ['quoted ones are not counted', `a: "${'['.repeat(500)}"\n${'{'.repeat(101)}`, '2'],
    ['dashes', `a: 1\n${'- '.repeat(100)}x`, '2'],
  ])('too deep by %s, with its line', (_, text, line) =>
    expect(TOO_DEEP.exec(refusal(text))?.[1]).toBe(line),
  );
  test('a hundred deep is read to its end, and is told what it lacks', () =>
    expect(refusal(`${'['.repeat(100)}${']'.repeat(100)}`)).toMatch(/^read: Invalid input/));
  test('more brackets closed than opened do not hide what follows', () =>
    expect(refusal(`${']'.repeat(300)}\n${'['.repeat(101)}`)).toMatch(TOO_DEEP));
  test('what repeats itself without end', () => {
    const nine = (what: string) => `[${Array.from({ length: 9 }, () => what).join(', ')}]`;
    const lines = ['a', 'b', 'c', 'd'].map(
      (key, i) => `${key}: &${key} ${nine(i ? `*${'abcd'[i - 1]}` : 'x')}`,
    );
    expect(refusal(lines.join('\n'))).toMatch(/^It repeats parts of itself by & and \*/);
  });
  test('what repeats a part that is not there', () =>
    expect(refusal('model: X\nchecks: *nowhere')).toMatch(/^What it repeats .* Write it out\.$/));
  test.each(['', '  \n\t'])('an empty one: %j', (text) =>
    expect(refusal(text)).toBe('Choose a spec sheet, JSON or YAML.'),
  );
});
