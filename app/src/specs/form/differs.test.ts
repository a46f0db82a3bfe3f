import { SpecSheet, type Check } from '@green-tally/core/contracts';
import ouzel5 from '../../../../demo/specs/ouzel5.json';
import ouzel7 from '../../../../demo/specs/ouzel7.json';
import { withPositions, printPositions } from '../positionLines';
import { printFit, readFit } from './differs';
import { formSchema, toForm } from './index';

const [inch, metric] = [ouzel5, ouzel7].map((s) => SpecSheet.parse(s)) as [SpecSheet, SpecSheet];
const checkOf = (sheet: SpecSheet, id: string): Check => {
  const found = sheet.checks.find((c) => c.id === id);
  if (!found) throw new Error(id);
  return found;
};
const read = (sheet: SpecSheet, id: string, change: Record<string, string>) => {
  const check = checkOf(sheet, id);
  return formSchema(sheet, check).safeParse({ ...toForm(check, sheet), ...change });
};
const kept = (sheet: SpecSheet, id: string, change: Record<string, string>): Check => {
  const result = read(sheet, id, change);
  if (!result.success) throw new Error(JSON.stringify(result.error.issues));
  return result.data;
};
const trouble = (sheet: SpecSheet, id: string, change: Record<string, string>) =>
  read(sheet, id, change).error?.issues.map((i) => [i.path.join('.'), i.message]) ?? [];

describe('what differs, as it is written', () => {
  const PER_PLACE = 'left | limit.limit = 22 mm; part = LM-2 Inner belt × 2';
  const id = metric.checks.find(
    (c) => c.kind === 'measure' && c.limit.type === 'wear' && c.places.includes('left'),
  )?.id as string;
  test('per place: values, parts, and the rest of the limit as it was', () => {
    const check = kept(metric, id, { perPlace: PER_PLACE });
    expect(check.perPlace?.['left']).toMatchObject({
      limit: { type: 'wear', limit: 22 },
      parts: [{ number: 'LM-2', name: 'Inner belt', each: 2 }],
    });
    expect(
      kept({ ...metric, checks: metric.checks.map((c) => (c.id === id ? check : c)) }, id, {}),
    ).toEqual(check);
    expect(toForm(check, metric)['perPlace']).toContain('part = LM-2 Inner belt × 2');
    expect(kept(metric, id, { perPlace: '' }).perPlace).toBeUndefined();
  });
  test('lengths in the check’s own unit, or in the one that is written', () => {
    const differs = kept(inch, 'fan-drive-belt', {
      versions: 'serials to B099 | limit.limit = 1 1/4',
    }).versions?.[0];
    expect(differs).toMatchObject({ serials: { to: 'B099' }, limit: { limit: 31.75 } });
  });
  test('an amount of one fitting', () =>
    expect(
      kept(metric, 'variable-sheave-grease', {
        versions: 'built from 2023, with conveyor belt | amount = 5; most = 8,5; product = Oil 46',
      }).versions,
    ).toEqual([
      {
        built: { from: 2023 },
        when: { conveyor: ['belt'] },
        amount: 5,
        most: 8.5,
        product: 'Oil 46',
      },
    ]));
  test.each([
    ['fan-drive-belt', { perPlace: 'middle | part = none' }, 'perPlace', /a place of this check/],
    ['fan-drive-belt', { perPlace: 'belt' }, 'perPlace', /in line 1: where it is/],
    ['fan-drive-belt', { perPlace: 'belt | wide' }, 'perPlace', /is not what = value/],
    ['fan-drive-belt', { perPlace: 'belt | amount = 3' }, 'perPlace', /amount/],
    ['fan-drive-belt', { perPlace: 'belt | limit.limit = wide' }, 'perPlace', /limit\.limit/],
    ['fan-drive-belt', { perPlace: 'belt | part = LM-1' }, 'perPlace', /is not a part/],
    ['fan-drive-belt', { versions: 'all | part = none' }, 'versions', /is not serials/],
    ['fan-drive-belt', { fits: 'serials T9 to T1' }, 'fits', /not come before the first/],
    ['fan-drive-belt', { costs_stopHours: 'two' }, 'costs_stopHours', /"two" is none/],
    ['fan-drive-belt', { costs_stopHours: '2' }, 'costs_fieldMinutes', /number/],
  ])('%s with %j is refused at %s', (check, change, field, message) => {
    const found = trouble(metric, check, change as unknown as Record<string, string>);
    expect(found.map(([at]) => at)).toContain(field);
    expect(found.find(([at]) => at === field)?.[1]).toMatch(message);
  });
  test('a serial range comes back as it was written', () => {
    for (const text of ['serials T1 to T99', 'serials from T100, built to 2021', 'with a b or c'])
      expect(printFit((readFit(text) as { value: object }).value)).toBe(text);
  });
  test('what a stop takes is kept together, and goes together', () => {
    const costs = { costs_stopHours: '4', costs_collateral: '0', costs_fieldMinutes: '90' };
    const check = kept(metric, 'fan-drive-belt', costs);
    expect(check.costs).toEqual({ stopHours: 4, collateral: 0, fieldMinutes: 90 });
    const sheet = { ...metric, checks: metric.checks.map((c) => (c.id === check.id ? check : c)) };
    expect(
      kept(sheet, check.id, {
        costs_stopHours: '',
        costs_collateral: '',
        costs_fieldMinutes: '',
      }).costs,
    ).toBeUndefined();
  });
});

describe('positions, as they are written', () => {
  const text = printPositions(metric.positions);
  const changed = (from: string, to: string) => withPositions(metric, text.replace(from, to));
  test('kept as they were, nothing changes', () =>
    expect(withPositions(metric, text)).toEqual({ sheet: metric }));
  test('a position that is renamed takes its checks along', () => {
    const result = changed('Feeder level on its lock, drum low |', 'Feeder level |');
    const sheet = 'sheet' in result ? result.sheet : undefined;
    expect(sheet?.checks.find((c) => c.id === 'conveyor-chain-tension')?.position).toBe(
      'Feeder level',
    );
  });
  test.each([
    ['feeder level', 'feeder tilted', /feeder can be level, raised, lowered, not "tilted"/],
    ['feeder level', 'wings out', /"wings out" is no fact/],
    ['feeder level', 'feeder level, header ground', /a header off the ground/],
    [`${text.split('\n')[0]}\n`, '', /is wanted by .+ and is not among the positions/],
  ])('%j written as %j is refused in words', (from, to, message) => {
    const result = changed(from, to);
    expect('trouble' in result && result.trouble).toMatch(message);
  });
});
