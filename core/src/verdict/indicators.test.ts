import { madeCheck } from '../testing/sheet';
import { said } from '../testing/judged';

describe('an indicator with no travel to read', () => {
  const canister = madeCheck('mark', {
    gauge: { length: 40, past: 2, short: 1 },
    maxSideDifference: 2,
  });
  test.each([
    ['at', 0, 'holds'],
    ['short', 1, 'holds'],
    ['short', 3, 'adjust'],
    ['short', 0, 'adjust'],
    ['past', 2, 'holds'],
    ['past', 5, 'adjust'],
  ] as const)('%s by %d: %s', (stands, by, decision) =>
    expect(said(canister, { kind: 'mark', stands, by })[0]).toBe(decision),
  );
  test('one that sets itself is looked at, not adjusted', () => {
    const hydraulic = madeCheck('mark', {
      gauge: { length: 40, past: 2 },
      maxSideDifference: 2,
      setsItself: true,
    });
    expect(said(hydraulic, { kind: 'mark', stands: 'short', by: 6 })).toEqual([
      'replace',
      'Short of its mark, and this tensioner sets itself: do not adjust it, find the leak or the tired spring.',
    ]);
    expect(said(hydraulic, { kind: 'mark', stands: 'at', by: 0 })).toEqual([
      'holds',
      'At its mark.',
    ]);
  });
});

describe('feel with no play', () => {
  const chain = madeCheck('feel', { good: ['justSlides', 'slidesEasily'], asksPlay: true });
  test('slides as it should: holds', () =>
    expect(said(chain, { kind: 'feel', feel: 'justSlides', play: false })).toEqual([
      'holds',
      'Chain just slides, as it should.',
    ]));
  test('slides, but moves up and down: adjust', () =>
    expect(said(chain, { kind: 'feel', feel: 'justSlides', play: true })[0]).toBe('adjust'));
});

describe('a profile gauge', () => {
  test.each([
    ['fits', true, 'holds'],
    ['fits', false, 'replace'],
    ['doesNotFit', true, 'replace'],
    ['doesNotFit', false, 'holds'],
  ] as const)('good when it %s, and it fits is %s: %s', (good, fits, decision) =>
    expect(
      said(madeCheck('gonogo', { gauge: 'Belt gauge', good }), { kind: 'gonogo', fits })[0],
    ).toBe(decision),
  );
  test('turns or adjusts where the sheet says so', () => {
    expect(
      said(madeCheck('gonogo', { gauge: 'Tine gauge', good: 'fits', otherwise: 'turn' }), {
        kind: 'gonogo',
        fits: false,
      }),
    ).toEqual(['turn', 'Tine gauge does not fit: this edge is worn, turn it to the good one.']);
    expect(
      said(madeCheck('gonogo', { gauge: 'Height block', good: 'fits', otherwise: 'adjust' }), {
        kind: 'gonogo',
        fits: false,
      })[0],
    ).toBe('adjust');
  });
});
