import fc from 'fast-check';
import { madeCheck, reading } from '../testing/sheet';
import { headSentence, judgeCheck } from './index';
import { facts, measured, verdictOf, said } from '../testing/judged';

describe('a clearance in its band', () => {
  const gap = madeCheck('measure', {
    limit: { type: 'band', low: 0.4, high: 1.2, above: 'adjust', below: 'adjust' },
  });
  test.each([
    [0.8, 'holds'],
    [0.2, 'adjust'],
    [0, 'adjust'],
    [1.5, 'adjust'],
    [0.41, 'remeasure'],
    [1.19, 'remeasure'],
  ] as const)('%d mm: %s', (x, decision) => expect(said(gap, measured(x))[0]).toBe(decision));
  test('says which side and what the band is', () =>
    expect(said(gap, measured(1.5))[1]).toBe('1.5 mm is above 0.4 mm to 1.2 mm. Set it.'));
  test('three repeats at the edge settle it, and the edge itself is inside', () => {
    expect(said(gap, measured(1.2, 1.2, 1.2))[0]).toBe('holds');
    expect(said(gap, measured(1.21, 1.21, 1.21))[0]).toBe('adjust');
  });
  test('three repeats on an edge at which it is renewed count as reached', () => {
    const brush = {
      ...gap,
      limit: {
        type: 'band' as const,
        low: 0.4,
        high: 1.2,
        below: 'replace' as const,
        above: 'adjust' as const,
      },
    };
    expect(said(brush, measured(0.4, 0.4, 0.4))[0]).toBe('replace');
    expect(said(brush, measured(1.2, 1.2, 1.2))[0]).toBe('holds');
  });
  test('a band may lead to renewing or to turning', () => {
    expect(
      said(
        madeCheck('measure', { limit: { type: 'band', high: 2, above: 'replace' } }),
        measured(3),
      )[0],
    ).toBe('replace');
    expect(
      said(
        madeCheck('measure', { limit: { type: 'band', low: 5, below: 'turn' } }),
        measured(3),
      )[0],
    ).toBe('turn');
  });
  test('a new belt has its own band until it is run in', () => {
    const belt = madeCheck('measure', {
      quantity: 'frequency',
      unit: 'Hz',
      style: 'plain',
      tool: { name: 'Phone', resolution: 0.5 },
      limit: { type: 'band', low: 40, high: 48, whenNew: { low: 52, high: 60, hours: 20 } },
    });
    expect(said(belt, measured(56), { renewed: true, state: 'asLeft' })[0]).toBe('holds');
    expect(said(belt, measured(44), { renewed: true, state: 'asLeft' })).toEqual([
      'adjust',
      '44 Hz is below 52 Hz to 60 Hz. Set it.',
    ]);
    expect(said(belt, measured(44))[0]).toBe('holds');
  });
  test('a voltage is printed in volts', () => {
    const sensor = madeCheck('measure', {
      quantity: 'voltage',
      unit: 'V',
      style: 'plain',
      tool: { name: 'Meter', resolution: 0.01 },
      limit: { type: 'band', low: 0.7, high: 4.1 },
    });
    expect(said(sensor, measured(4.6))[1]).toBe('4.6 V is above 0.7 V to 4.1 V. Set it.');
  });
  test('repeats that scatter are taken again', () =>
    expect(said(gap, measured(0.6, 1))[0]).toBe('remeasure'));
  test('no value turns from outside to inside by going further out', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1.3, max: 5, noNaN: true }),
        fc.double({ min: 0, max: 5, noNaN: true }),
        (x, more) =>
          said(gap, measured(x))[0] === 'adjust' && said(gap, measured(x + more))[0] === 'adjust',
      ),
    );
  });
});

describe('concave clearance at four corners', () => {
  const concave = madeCheck('series', {
    places: ['front left', 'front right', 'rear left', 'rear right'],
    limit: { type: 'band', low: 6, high: 10 },
    maxDifference: 1,
    outOfFamily: 2,
  });
  test('all alike and in the band holds', () =>
    expect(
      verdictOf(concave, {
        'front left': measured(8),
        'front right': measured(8.2),
        'rear left': measured(8.1),
        'rear right': measured(8.4),
      }).decision,
    ).toBe('holds'));
  test('out of level adjusts the two corners furthest apart and names them', () => {
    const verdict = verdictOf(concave, {
      'front left': measured(7),
      'front right': measured(8),
      'rear left': measured(8),
      'rear right': measured(8.6),
    });
    expect(verdict.places.map((p) => p.decision)).toEqual(['adjust', 'holds', 'holds', 'adjust']);
    expect(headSentence(concave, verdict.places[0]!.findings)).toBe(
      'Front left 7 mm and rear right 8.6 mm differ by 1.6 mm, 1 mm allowed. Level them.',
    );
  });
  test('when put right, the readings as left are compared', () => {
    const found = {
      'front left': measured(7),
      'front right': measured(8),
      'rear left': measured(8),
      'rear right': measured(8.6),
    };
    const all = [
      ...Object.entries(found).map(([p, v]) => reading('made', p, v)),
      reading('made', 'front left', measured(8), { state: 'asLeft' }),
    ];
    expect(judgeCheck(concave, all, facts)!.decision).toBe('holds');
  });
});
