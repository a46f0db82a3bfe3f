import { part, season } from '../build';
import { fixedDrive } from './fixedDrive';
import type { Combine } from './model';
import { SHIELDS } from './positions';
import { reverser } from './reverser';
import { variableSheaves } from './variableSheaves';

const variable = { 'feeder-drive': ['variable'] };

/** Station 5. */
export function feederDrive(combine: Combine): void {
  variableBelt(combine);
  variableSheaves(combine);
  reverser(combine);
  fixedDrive(combine);
}

/** The belt, by width or by gauge, and what it looks like. */
function variableBelt({ bring, m, rate, ruled, w, wear, ways }: Combine): void {
  for (const { way, when, id } of ways('belt-judged')) {
    const shared = {
      station: 5,
      component: 'Variable feeder belt',
      position: SHIELDS,
      when: { ...variable, ...when },
      schools: 'Measured, or tried with a gauge; a look alone never passes a variable belt.',
      ifLeft: 'Header speed sags, then the belt burns.',
      parts: part('LM-5302', 'Variable feeder belt'),
      mind: ['spring'] as const,
      put: { replace: 90 },
      knockOns: [
        ...bring('gap', 'variable-sheave-gap', 'a new belt stands at another gap'),
        { check: 'idler-parallel', why: 'the idler was swung away' },
      ],
      interval: season(10),
      costs: { stopHours: 3, collateral: 0, fieldMinutes: 120 },
    };
    if (way === 'width')
      w.at(5).add('measure', id('variable-belt-width'), {
        ...shared,
        measures: 'top width',
        method: 'belt-width',
        ...ruled,
        limit: wear(...m.variableBelt),
        wearRate: rate(0.0013),
        lookAlone: true,
        how: 'Caliper on the top edges at the narrowest of three places.',
        why: 'A narrow belt rides low and turns the header slower.',
      });
    else
      w.at(5).add('gonogo', id('variable-belt-width'), {
        ...shared,
        measures: 'profile with the belt gauge',
        gauge: 'Variable belt gauge',
        good: 'doesNotFit',
        otherwise: 'replace',
        how: 'Press the gauge over the belt at three places: if it goes to its stop once, the belt is worn.',
        why: 'A narrow belt rides low and turns the header slower.',
      });
  }
  w.at(5).add('condition', 'variable-belt-condition', {
    component: 'Variable feeder belt',
    measures: 'cracks, cogs, oil from above',
    position: SHIELDS,
    when: variable,
    looksFor: ['cracks', 'cog missing', 'oily', 'glazed', 'frayed on one edge'],
    how: 'Turn once round, look at sides and cogs. Oil on it comes from the header coupler.',
    why: 'An oily belt slips and glazes; frayed on one edge it ran beside its idler.',
    ifLeft: 'It lets go under a full header.',
    parts: part('LM-5302', 'Variable feeder belt'),
    mind: ['spring'],
    put: { replace: 90 },
  });
}
