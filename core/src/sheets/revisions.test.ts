import { SpecSheet } from '../contracts';
import { built, MACHINE_ID, reading } from '../testing/sheet';
import { sheets } from '../testing/shipped';
import { judgeMachine } from '../verdict';
import { checksOfBuild } from '../walk';
import { checksAsRead, rejudge } from './index';

const facts = { hours: 1284, seasonHours: 109 };

describe('judged by the revision it was taken under', () => {
  const machine = { model: 'Ouzel 7', serial: 'T118', builtOn: '2022-03-01', header: null };
  const tightened = SpecSheet.parse({
    ...sheets.ouzel7,
    revision: 2,
    checks: sheets.ouzel7.checks
      .filter((c) => c.id !== 'air-filter')
      .map((c) =>
        c.id === 'fan-drive-belt' ? { ...c, limit: { type: 'wear', nominal: 38, limit: 37.4 } } : c,
      ),
  });
  const width = (revision: number) =>
    reading(
      'fan-drive-belt',
      'belt',
      { kind: 'measure', values: [37.2], typed: [], unit: 'mm' },
      { machineId: MACHINE_ID, sheet: { model: 'Ouzel 7', revision } },
    );
  const decision = (revision: number, rejudged = {}) =>
    judgeMachine(
      checksAsRead(checksOfBuild(tightened, built({})), [width(revision)], {
        sheets: [tightened],
        earlier: [sheets.ouzel7],
        rejudged,
      }),
      [width(revision)],
      facts,
    )[0]?.decision;
  test('an older reading keeps its verdict, a new one gets the new limit', () => {
    expect(decision(1)).toBe('holds');
    expect(decision(2)).toBe('replace');
  });
  test('until it is judged anew', () => expect(decision(1, { 'Ouzel 7': 2 })).toBe('replace'));
  test('judging anew names what would change, and that a check is gone', () => {
    const filter = reading('air-filter', 'here', { kind: 'service', amount: null, product: '' });
    const readings = [width(1), filter];
    const judged = { machine, readings, sheets: [sheets.ouzel7] };
    const now = judgeMachine(checksOfBuild(sheets.ouzel7, built({})), readings, facts);
    expect(rejudge(judged, now, tightened, facts)).toMatchObject([
      { checkId: 'fan-drive-belt', before: 'holds', after: 'replace' },
      { checkId: 'air-filter', after: null },
    ]);
    expect(rejudge(judged, now, sheets.ouzel7, facts)).toEqual([]);
  });
});
