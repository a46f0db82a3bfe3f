import fc from 'fast-check';
import type { Reading, ReadingValue } from '../contracts';
import type { MachineFacts } from '../kinds';
import { demoSheet, reading } from '../testing/sheet';
import { judgeMachine } from '.';

/*
 * What nothing has changed for is not judged again: whatever is read, struck or told between, it
 * comes out as if all had been judged for the first time.
 */
const { checks } = demoSheet('ouzel7');
const measured = checks.filter((c) => c.kind === 'measure' && c.on === 'combine').slice(0, 4);
const FACTS: MachineFacts = { hours: 1284, seasonHours: 109, today: '2026-06-09' };

const value = (n: number): ReadingValue => ({
  kind: 'measure',
  values: [n],
  typed: [],
  unit: 'mm',
});
type Step =
  | { readonly does: 'read'; readonly check: number; readonly at: number }
  | { readonly does: 'strike'; readonly which: number }
  | { readonly does: 'tell'; readonly facts: Partial<MachineFacts> };
const nth = fc.nat({ max: measured.length - 1 });
const steps: fc.Arbitrary<Step[]> = fc.array(
  fc.oneof(
    fc.record({
      does: fc.constant('read' as const),
      check: nth,
      at: fc.integer({ min: 20, max: 60 }),
    }),
    fc.record({ does: fc.constant('strike' as const), which: fc.nat(30) }),
    fc.record({
      does: fc.constant('tell' as const),
      facts: fc.constantFrom<Partial<MachineFacts>>(
        { hours: 1300 },
        { hours: 1284 },
        { seasonHours: 20 },
        { today: '2026-06-10' },
        {
          use: { seasonStart: '2026-07-01', seasonEnd: '2026-07-20', inSeason: 8, outOfSeason: 0 },
        },
        {
          use: { seasonStart: '2026-07-01', seasonEnd: '2026-07-20', inSeason: 9, outOfSeason: 0 },
        },
        { costs: { currency: 'crowns', stopHour: 650, labourHour: 100, prices: {} } },
      ),
    }),
  ),
  { minLength: 2, maxLength: 14 },
);

/** Judged as for the first time: nothing of it was ever seen. */
const anew = (readings: readonly Reading[], facts: MachineFacts) =>
  judgeMachine(structuredClone(measured), structuredClone([...readings]), structuredClone(facts));

test('what comes of it is what comes of judging all anew', () => {
  fc.assert(
    fc.property(steps, (taken) => {
      let facts = FACTS;
      const readings: Reading[] = [];
      for (const step of taken) {
        if (step.does === 'tell') facts = { ...facts, ...step.facts };
        else {
          const struck =
            step.does === 'strike' ? readings[step.which % (readings.length || 1)] : undefined;
          const of =
            measured.find((c) => c.id === struck?.checkId) ??
            measured[step.does === 'read' ? step.check : 0]!;
          readings.push(
            reading(of.id, of.places[0]!, value(step.does === 'read' ? step.at : 40), {
              strikes: struck?.id ?? null,
            }),
          );
        }
        expect(judgeMachine(measured, readings, facts)).toEqual(anew(readings, facts));
      }
    }),
    { numRuns: 60 },
  );
});

test('after a reading of one check the others are the very same; when a fact changes none is', () => {
  const readings = measured.map((c) => reading(c.id, c.places[0]!, value(40)));
  const before = judgeMachine(measured, readings, FACTS);
  expect(before).toHaveLength(measured.length);
  const more = [...readings, reading(measured[1]!.id, measured[1]!.places[0]!, value(41))];
  const after = judgeMachine(measured, more, { ...FACTS });
  expect(after.map((v, i) => v === before[i])).toEqual([true, false, true, true]);
  const later = judgeMachine(measured, more, { ...FACTS, hours: 1290 });
  expect(later.some((v) => after.includes(v))).toBe(false);
});
