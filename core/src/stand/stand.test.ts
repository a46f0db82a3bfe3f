import fc from 'fast-check';
import type { PositionFacts } from '../contracts';
import { tick } from '../testing/season';
import { WALK_ID } from '../testing/sheet';
import { anySheet } from '../testing/shipped';
import { safetyAsked, safeNote, standIn, standKey, type SafetyId } from './stand';

const UP = 'Header raised on its stops';
const DOWN = 'Header down';
const stood = (position: string, at: string, change: object = {}) =>
  tick(standKey(WALK_ID, position), { at: `2026-06-09T${at}:00Z`, ...change });

describe('how the machine stands', () => {
  test('is what was confirmed last, by whom, and what was made safe for it', () => {
    const ticks = [
      stood(UP, '09:10', { by: 'Tobin Vale', note: safeNote(['lift', 'knives']) }),
      stood(DOWN, '08:00'),
    ];
    expect(standIn(ticks, WALK_ID)).toEqual({
      position: UP,
      at: '2026-06-09T09:10:00Z',
      by: 'Tobin Vale',
      safe: ['lift', 'knives'],
    });
  });
  test('is not known once it was moved, nor in another walk', () => {
    const ticks = [stood(UP, '09:10'), stood(UP, '09:20', { done: false })];
    expect(standIn(ticks, WALK_ID)).toBeUndefined();
    expect(standIn([stood(UP, '09:10')], 'another')).toBeUndefined();
    expect(standIn([...ticks, stood(DOWN, '09:30')], WALK_ID)?.position).toBe(DOWN);
  });
  test('two phones in the same second come to the same, whatever order they are heard in', () => {
    const two = [stood(UP, '09:10'), stood(DOWN, '09:10')];
    expect(standIn(two, WALK_ID)).toEqual(standIn([...two].reverse(), WALK_ID));
  });
});

describe('what is made safe before', () => {
  const asked = (
    to: PositionFacts,
    from: PositionFacts = {},
    method: 'look' | 'knife-edge' = 'look',
  ) =>
    safetyAsked({ position: UP, method }, to, {
      stand: { position: DOWN, at: '', by: '', safe: [] },
      facts: from,
    });

  test.each<[string, PositionFacts, PositionFacts, SafetyId[]]>([
    ['running from rest', { run: 'running' }, { run: 'stopped' }, ['run']],
    ['rest after running', { run: 'stopped' }, { run: 'running' }, ['stop']],
    [
      'turning by hand after running',
      { run: 'turnedByHand' },
      { run: 'running' },
      ['stop', 'byHand'],
    ],
    [
      'warm from running',
      { engine: 'warm', run: 'stopped' },
      { run: 'running' },
      ['runFirst', 'hot'],
    ],
    ['a raised header', { header: 'raised' }, { header: 'working' }, ['lift']],
    ['a feeder on its lock', { feeder: 'level' }, {}, ['lift']],
    ['a raised reel', { header: 'raised', reel: 'raised' }, { header: 'raised' }, ['reel']],
    ['a header on its stands', { header: 'stands' }, { header: 'ground' }, ['stands']],
    [
      'a drive run to its slowest',
      { drive: 'slowest', run: 'stopped' },
      { drive: 'fastest' },
      ['runFirst'],
    ],
    ['the same drive', { drive: 'slowest', run: 'stopped' }, { drive: 'slowest' }, []],
    ['a header let down', { header: 'working' }, { header: 'raised' }, []],
  ])('%s', (_, to, from, wanted) => expect(asked(to, from)).toEqual(wanted));

  test('gloves at knives, once for the position', () => {
    expect(asked({ header: 'raised' }, {}, 'knife-edge')).toEqual(['lift', 'knives']);
    const check = { position: UP, method: 'knife-edge' as const };
    const here = (safe: SafetyId[]) => ({
      stand: { position: UP, at: '', by: '', safe },
      facts: { header: 'raised' as const },
    });
    expect(safetyAsked(check, { header: 'raised' }, here(['lift']))).toEqual(['knives']);
    expect(safetyAsked(check, { header: 'raised' }, here(['lift', 'knives']))).toEqual([]);
  });
  test('nothing where it stands so already', () =>
    expect(
      safetyAsked(
        { position: UP, method: 'look' },
        { header: 'raised', run: 'running' },
        {
          stand: { position: UP, at: '', by: '', safe: [] },
          facts: {},
        },
      ),
    ).toEqual([]));
  test('where nobody knows how it stands, everything dangerous is asked', () =>
    fc.assert(
      fc.property(anySheet, (sheet) => {
        for (const check of sheet.checks) {
          const facts = sheet.positions.find((p) => p.name === check.position)?.facts ?? {};
          const said = safetyAsked(check, facts, { stand: undefined, facts: undefined });
          expect(said.includes('run')).toBe(facts.run === 'running');
          if (facts.header === 'raised' || facts.feeder === 'raised')
            expect(said).toContain('lift');
          if (facts.reel === 'raised') expect(said).toContain('reel');
        }
      }),
    ));
});
