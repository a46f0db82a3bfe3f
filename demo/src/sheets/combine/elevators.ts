import { both, every, part, season, tool } from '../build';
import type { Combine } from './model';
import { SHIELDS, BOOT, TUBE } from './positions';
import { chains } from './elevatorChains';

/** Station 8. */
export function elevators(combine: Combine): void {
  chains(combine);
  const { fine, fineWear, rate, ruled, w, wear } = combine;
  w.at(8)
    .add('measure', 'elevator-chain-elongation', {
      component: 'Clean-grain elevator chain',
      measures: 'length over 12 pitches',
      position: BOOT,
      method: 'chain-pitches',
      ...ruled,
      tool: tool('rule'),
      limit: {
        type: 'elongation',
        pitch: 38.1,
        pitches: 12,
        limitPercent: 2.5,
        largerSprocketTeeth: 10,
      },
      wearRate: rate(0.0008),
      how: 'Taut strand, pin to pin.',
      why: 'Paddles on a long chain strike the housing.',
      ifLeft: 'Cracked grain, then a lost chain.',
      parts: part('LM-3301', 'Elevator chain with paddles'),
      mind: ['hand'],
      put: { replace: 180 },
      interval: season(5),
    })
    .add('measure', 'elevator-sprocket', {
      component: 'Elevator lower sprocket',
      measures: 'tooth thickness',
      position: BOOT,
      method: 'tooth',
      ...fine,
      limit: fineWear(8, 6),
      wearRate: rate(0.0005),
      how: 'Caliper at mid-height, the worst of three.',
      why: 'Hooked teeth ruin a new chain.',
      ifLeft: 'The next chain lives half as long.',
      parts: part('LM-3308', 'Lower sprocket'),
      mind: ['hand'],
      put: { replace: 60 },
    })
    .add('condition', 'elevator-adjuster', {
      component: 'Elevator adjusting bolt',
      measures: 'straight and free',
      position: BOOT,
      method: 'look',
      places: both,
      looksFor: ['bent', 'rusted fast', 'nut pulled past the end', 'boot packed hard'],
      how: 'Look along the bolt, and into the boot.',
      why: 'Bent: somebody pulled past the end, the boot is packed, or the separator was left running on a full tank.',
      ifLeft: 'The chain cannot be set.',
      parts: part('LM-3312', 'Adjusting bolt'),
      put: { replace: 25 },
    })
    .add('series', 'elevator-paddles', {
      component: 'Elevator paddles',
      measures: 'height left',
      position: BOOT,
      method: 'clearance',
      places: ['paddle a', 'paddle b', 'paddle c'],
      ...ruled,
      tool: tool('rule'),
      limit: wear(38, 31),
      outOfFamily: 4,
      wearRate: rate(0.0006),
      how: 'Three paddles a third of the chain apart.',
      why: 'Short paddles let grain fall back and be struck again.',
      ifLeft: 'Cracked grain and a wandering yield map.',
      parts: part('LM-3305', 'Paddle', 1, undefined, {
        soldIn: 4,
        needs: [{ number: 'LM-3306', name: 'Paddle bolt with lock nut', each: 2 }],
      }),
      mind: ['hand'],
      put: { replace: 8 },
      knockOns: [{ task: 'Yield sensor: recalibrate, the paddles throw otherwise' }],
    })
    .add('mark', 'elevator-top-drive', {
      component: 'Elevator top drive chain',
      measures: 'sag at mid-span',
      position: SHIELDS,
      method: 'sag',
      gauge: { length: 16, short: 0, past: 3 },
      words: {
        short: 'moves more than the gauge',
        at: 'moves as the gauge',
        past: 'moves less than the gauge',
      },
      maxSideDifference: 5,
      takeUp: {
        total: 30,
        reserve: 6,
        strandsPerTravel: 1.8,
        pitch: 19.05,
        loopPitches: 96,
        limitPercent: 2.5,
        resolution: 1,
      },
      how: 'Total movement at mid-span, then the slot left. Its idler is set by hand only, never with a lever.',
      why: 'Long outer chains wear unseen, and a levered idler pulls its bearing.',
      ifLeft: 'It jumps and the elevator stops.',
      parts: part('LM-3320', 'Top drive chain, 96 pitches'),
      mind: ['hand', 'climb'],
      put: { adjust: 15, shorten: 25, replace: 50 },
      interval: every(100),
    })
    .add('condition', 'moisture-sensor', {
      component: 'Moisture sensor auger',
      measures: 'clean and turning',
      position: TUBE,
      method: 'look',
      looksFor: ['packed', 'blade worn', 'wire loose'],
      marked: 'adjust',
      how: 'Open the flap, brush out.',
      why: 'Packed it reads last week.',
      ifLeft: 'Wet grain is sold as dry, or the other way.',
      put: { adjust: 10, replace: 40 },
      mind: ['climb'],
    })
    .add('condition', 'grain-camera', {
      component: 'Grain camera lens',
      measures: 'clean',
      position: TUBE,
      method: 'look',
      looksFor: ['dusty', 'scratched'],
      marked: 'adjust',
      how: 'Wipe with the soft cloth only.',
      why: 'It judges what it sees.',
      ifLeft: 'It sees trash everywhere.',
      parts: part('LM-3340', 'Camera glass'),
      put: { adjust: 3, replace: 15 },
      mind: ['climb'],
    })
    .add('series', 'tailings-paddles', {
      component: 'Tailings paddles',
      measures: 'height left',
      position: BOOT,
      method: 'clearance',
      places: ['paddle a', 'paddle b'],
      ...ruled,
      tool: tool('rule'),
      limit: wear(34, 27),
      outOfFamily: 4,
      wearRate: rate(0.0006),
      how: 'Two paddles half a chain apart.',
      why: 'Short paddles do not clear the boot.',
      ifLeft: 'The boot packs.',
      parts: part('LM-3355', 'Tailings paddle'),
      mind: ['hand'],
      put: { replace: 8 },
    })
    .add('condition', 'cross-auger-cleanouts', {
      component: 'Cross-auger clean-outs',
      measures: 'emptied and shut',
      position: BOOT,
      places: ['clean grain', 'tailings'],
      looksFor: ['packed', 'not shut', 'hinge bent', 'seal gone'],
      marked: 'adjust',
      damaged: 'replace',
      how: 'Open both, let out what has gathered, look along the auger, shut them.',
      why: 'Wet grain left there grows, sets hard, and bends the adjuster.',
      ifLeft: 'The first hour of harvest on a plugged boot.',
      parts: part('LM-3360', 'Clean-out seal'),
      mind: ['hand'],
      put: { adjust: 10, replace: 20 },
      knockOns: [{ task: 'Clean-out doors: shut and hooked' }],
    })
    .add('condition', 'small-auger-fuse', {
      component: 'Sample auger fuse',
      measures: 'right rating, spare there',
      position: TUBE,
      looksFor: ['blown', 'larger one in its place', 'no spare'],
      marked: 'adjust',
      damaged: 'replace',
      how: 'Pull it, read its rating, press it back; a spare lies in the lid.',
      why: 'The small auger of the moisture sensor stops unnoticed when it is blown.',
      ifLeft: 'Moisture reads the same all day.',
      parts: part('LM-3362', 'Fuse, as rated', 1, undefined, { soldIn: 10 }),
      mind: ['climb'],
      put: { adjust: 3, replace: 3 },
    });
  driveBelt(combine);
}

/** The elevator's drive belt, by gauge or by width. */
function driveBelt({ rate, ruled, w, wear, ways }: Combine): void {
  for (const { way, when, id } of ways('belt-judged')) {
    const shared = {
      station: 8,
      component: 'Elevator drive belt',
      position: SHIELDS,
      when,
      why: 'A gauge or a number says what a look cannot.',
      schools: 'A go-no-go gauge, or the width by caliper; a look never passes it.',
      ifLeft: 'The elevator slows and plugs.',
      parts: part('LM-5220', 'Elevator drive belt'),
      mind: ['spring'] as const,
      put: { replace: 45 },
    };
    if (way === 'gauge')
      w.add('gonogo', id('elevator-drive-belt'), {
        ...shared,
        measures: 'profile with the belt gauge',
        gauge: 'Belt wear gauge',
        good: 'doesNotFit',
        otherwise: 'replace',
        how: 'Press the gauge over the belt: if it goes to the stop, the belt is worn.',
      });
    else
      w.add('measure', id('elevator-drive-belt'), {
        ...shared,
        measures: 'top width',
        method: 'belt-width',
        ...ruled,
        limit: wear(25, 22.5),
        wearRate: rate(0.0011),
        lookAlone: true,
        how: 'Caliper at the narrowest of three places.',
      });
  }
}
