import { both, every, part, season } from '../build';
import { indicatorOf, type Combine } from './model';
import { SHIELDS, FAN } from './positions';
import { tensioners } from './tensioners';

/** Station 9. */
export function beltDrives(combine: Combine): void {
  const { m, rate, ruled, w, wear } = combine;
  const spring = (id: string, component: string, ifLeft: string, more: object = {}) =>
    w.at(9).add('mark', id, {
      component: component,
      measures: 'spring washer against its gauge',
      position: SHIELDS,
      method: 'spring-gauge',
      ...indicatorOf(combine, 50),
      maxSideDifference: 3,
      takeUp: {
        total: 50,
        reserve: 8,
        strandsPerTravel: 1.8,
        pitch: 10,
        loopPitches: 320,
        limitPercent: 2,
        resolution: 1,
      },
      how: 'Look square at the gauge, then read the slot left.',
      why: 'The spring holds its force only at its length.',
      ifLeft,
      mind: ['nut'],
      put: { adjust: 12, replace: 60 },
      parts: part('LM-5240', `${component}`),
      interval: every(100, 365, 10),
      ...more,
    });
  w.at(9).add('measure', 'fan-drive-belt', {
    component: 'Fan drive belt',
    measures: 'top width',
    position: FAN,
    method: 'belt-width',
    places: ['belt'],
    ...ruled,
    limit: { type: 'wear', nominal: m.fanBelt[0], limit: m.fanBelt[1], wornSide: 'smaller' },
    wearRate: { perHour: 0.0015, sd: 0.0005, atNew: 0.02, atNewSd: 0.03 },
    lookAlone: true,
    how: 'Turn the fan by hand once round. Close the caliper on the top edges, square to the belt, at the narrowest place you find.',
    why: 'A worn belt sinks in its groove and slips at full fan speed, long before it looks worn.',
    schools: 'Measure the width; a look alone never passes a driven fan.',
    ifLeft: 'The fan loses speed in heavy crop: grain goes over the back, then the belt burns.',
    minutes: 6,
    put: { replace: 75, cover: { name: 'left side shields', minutes: 15 } },
    mind: ['spring'],
    parts: part('LM-5207', `Fan drive belt, ${m.fanBelt[0]} mm`),
    knockOns: [{ check: 'elevator-chain', why: "the idler bracket carries the elevator's drive" }],
    interval: season(10),
  });
  spring('fan-belt-tension', 'Fan drive belt tensioner', 'The fan surges.');
  w.at(9)
    .add('mark', 'countershaft-belt-tension', {
      component: 'Countershaft belt tensioner',
      measures: 'gap at the canister',
      position: SHIELDS,
      method: 'canister-gap',
      gauge: { length: 40, short: 0, past: 2 },
      words: {
        short: 'a gap at the canister',
        at: 'canister closed',
        past: 'spring coils touch',
      },
      maxSideDifference: 3,
      takeUp: {
        total: 40,
        reserve: 6,
        strandsPerTravel: 1.8,
        pitch: 10,
        loopPitches: 280,
        limitPercent: 2,
        resolution: 1,
      },
      how: 'Look at the canister: closed on its stop? Then the slot left.',
      why: 'A gap means loose.',
      ifLeft: 'The separator slows in heavy crop.',
      parts: part('LM-5244', 'Countershaft belt'),
      mind: ['nut'],
      put: { adjust: 12, replace: 75 },
      interval: every(100, 365, 10),
      knockOns: [
        { check: 'shoe-belt-tension', why: 'moving one sheave assembly slackens the next belt' },
      ],
    })
    .add('mark', 'shoe-belt-tension', {
      component: 'Shoe drive belt tensioner',
      measures: 'pointers tip to tip',
      position: SHIELDS,
      method: 'tip-to-tip',
      ...indicatorOf(combine, 40),
      words: {
        short: 'tips not yet together',
        at: 'tips together',
        past: 'tips past each other',
      },
      maxSideDifference: 3,
      takeUp: {
        total: 40,
        reserve: 6,
        strandsPerTravel: 1.8,
        pitch: 10,
        loopPitches: 260,
        limitPercent: 2,
        resolution: 1,
      },
      how: 'Look square at the two tips, then the slot left.',
      why: 'Tip to tip the arm stands where it was drawn.',
      ifLeft: 'The shoe loses strokes.',
      parts: part('LM-5246', 'Shoe drive belt'),
      mind: ['nut'],
      put: { adjust: 12, replace: 60 },
      interval: every(100, 365, 10),
    })
    .add('mark', 'chopper-belt-tension', {
      component: 'Chopper belt tensioner',
      measures: 'overlap of arm and frame',
      position: SHIELDS,
      method: 'overlap',
      gauge: { length: 40, short: 1, past: 3 },
      words: {
        short: 'arm short of the frame edge',
        at: 'ends flush',
        past: 'arm over the frame edge',
      },
      maxSideDifference: 3,
      takeUp: {
        total: 45,
        reserve: 8,
        strandsPerTravel: 1.8,
        pitch: 10,
        loopPitches: 300,
        limitPercent: 2,
        resolution: 1,
      },
      how: 'Top bolt against the arm first. Look at the overlap, then the slot left.',
      why: 'The chopper takes half the engine in heavy straw; with its top bolt off the arm the overlap says nothing.',
      ifLeft: 'It slips, glazes, and long straw comes out.',
      parts: part('LM-5250', 'Chopper belt'),
      mind: ['nut'],
      put: { adjust: 12, replace: 90 },
      interval: every(50, 365, 10),
    })
    .add('condition', 'alternate-tensioners', {
      component: 'Self-tensioned belts',
      measures: 'arm inside its travel',
      position: SHIELDS,
      method: 'look',
      places: both,
      looksFor: ['arm at its stop', 'spring broken', 'arm bent'],
      how: 'By look: the arm stands between its stops.',
      why: 'They set themselves until the belt is too long.',
      ifLeft: 'At its stop it no longer pulls.',
      parts: part('LM-5260', 'Tensioner spring'),
      put: { replace: 30 },
    });
  for (const side of both) {
    w.at(9)
      .add('series', `belt-widths-${side}`, {
        component: `Belts on the ${side}`,
        measures: 'top width',
        position: SHIELDS,
        method: 'belt-width',
        places:
          side === 'left'
            ? ['countershaft', 'shoe', 'clean grain']
            : ['chopper', 'tailings', 'hydraulic pump'],
        ...ruled,
        limit: wear(22, 19.8),
        outOfFamily: 1.2,
        wearRate: rate(0.0012),
        lookAlone: true,
        how: 'Caliper at the narrowest of three places each.',
        why: 'Belts narrow without looking worn.',
        ifLeft: 'They slip at full load.',
        parts: part('LM-5270', 'V-belt, 22 mm'),
        perPlace: OWN_BELTS[side],
        mind: ['spring'],
        per: 'place',
        put: { replace: 50 },
      })
      .add('condition', `belt-condition-${side}`, {
        component: `Belts on the ${side}`,
        measures: 'cracks, fraying, heat, cogs',
        position: SHIELDS,
        method: 'look',
        looksFor: ['cracks', 'fraying', 'heat marks', 'missing cogs', 'oil'],
        how: 'Turn once round, look at sides and cogs.',
        why: 'Heat marks are a slip that has happened.',
        ifLeft: 'It lets go in harvest.',
        parts: part('LM-5270', 'V-belt, 22 mm'),
        mind: ['spring'],
        put: { replace: 50 },
      })
      .add('gonogo', `sheave-grooves-${side}`, {
        component: `Sheave grooves on the ${side}`,
        measures: 'groove with the sheave gauge',
        position: SHIELDS,
        method: 'gonogo',
        gauge: 'Sheave gauge',
        good: 'fits',
        otherwise: 'replace',
        how: 'Gauge in the groove: no light along its sides. Then a fingernail across: a groove that can be felt is worn.',
        why: 'A groove that can be felt eats a new belt in weeks: the sheave is renewed, not adjusted.',
        ifLeft: 'Belts that never last.',
        parts: part('LM-5280', 'Sheave'),
        put: { replace: 60 },
        knockOns: [{ check: `belt-widths-${side}`, why: 'a new sheave carries the belt higher' }],
      })
      .add('condition', `idler-bearings-${side}`, {
        component: `Idlers on the ${side}`,
        measures: 'bearing and rim',
        position: SHIELDS,
        method: 'look',
        looksFor: ['noise', 'play', 'rim dished', 'grease thrown'],
        how: 'Belt off the idler or by hand, spin and listen.',
        why: 'A seized idler burns its belt.',
        ifLeft: 'Smoke.',
        parts: part('LM-5285', 'Idler with bearing'),
        mind: ['spring'],
        put: { replace: 35 },
      });
  }
  tensioners(combine);
}

/** Every belt has a number of its own. */
const OWN_BELTS: Readonly<Record<string, Record<string, { parts: ReturnType<typeof part> }>>> = {
  left: {
    countershaft: { parts: part('LM-5244', 'Countershaft belt') },
    shoe: { parts: part('LM-5246', 'Shoe drive belt') },
    'clean grain': { parts: part('LM-5248', 'Clean-grain belt') },
  },
  right: {
    chopper: { parts: part('LM-5250', 'Chopper belt') },
    tailings: { parts: part('LM-5252', 'Tailings belt') },
    'hydraulic pump': { parts: part('LM-5254', 'Hydraulic pump belt') },
  },
};
