import { daily, every, part } from '../build';
import type { Combine } from './model';
import { SHIELDS, BOOT } from './positions';

/** What is knocked on when an end of an elevator is moved. */
const MOVED = {
  head: [
    { check: 'elevator-top-drive', why: 'the head moved, its drive chain sags otherwise' },
    { task: 'Top drive chain: its sag changes with the elevator head' },
    { task: 'Yield sensor: recalibrate after moving the head' },
  ],
  boot: [
    { check: 'elevator-boot-drive', why: 'the boot moved, its drive chain sags otherwise' },
    { task: 'Boot drive chain: its sag changes with the elevator boot' },
    { task: 'Yield sensor: recalibrate, the chain throws otherwise' },
  ],
} as const;

/** Clean grain and tailings: by feel alone, or with play too; by hours, or daily. */
export function chains({ by, m, w, ways }: Combine): void {
  const takeUp = {
    total: m.elevatorTravel,
    reserve: 12,
    strandsPerTravel: 2,
    pitch: 38.1,
    loopPitches: m.elevatorPitches,
    limitPercent: 2.5,
    resolution: 1,
  };
  const moved = MOVED[m.elevatorMoves];
  for (const { way, when, id } of ways('elevator-felt')) {
    const play = way === 'play';
    const hours = every(play ? 50 : 100, 365, 5);
    const often = by('elevator-when', { hours: { interval: hours }, daily: { interval: daily } });
    const felt = {
      position: BOOT,
      method: 'elevator-feel' as const,
      places: ['boot'],
      good: ['justSlides'],
      asksPlay: play,
      when,
      mind: ['hand'] as const,
      schools:
        'By feel alone, or with no up-and-down play too; by hours, or daily. On this machine the ' +
        `${m.elevatorMoves} is moved to set it.`,
      ...often,
    } satisfies Partial<Parameters<typeof w.add<'feel'>>[2]>;
    w.at(8)
      .add('feel', id('elevator-chain'), {
        ...felt,
        component: 'Clean-grain elevator chain',
        measures: play ? 'feel at the lower sprocket, and play' : 'feel at the lower sprocket',
        takeUp,
        how: `Push the chain sideways on the lower sprocket by hand, then try to pull it away from the teeth.${play ? ' Feel for up-and-down play too.' : ''} Read the adjuster slot left.`,
        why: 'Right: it slides sideways with effort and cannot be lifted off. Slides easily: too loose. Does not slide: too tight, and the lower bearing goes.',
        ifLeft:
          'Paddles strike the housing and crack grain; the chain drops off and the tank stops filling.',
        minutes: 8,
        put: {
          adjust: 20,
          shorten: 60,
          replace: 180,
          cover: { name: 'elevator boot and head doors', minutes: 15 },
        },
        parts: [
          ...part('LM-3301', 'Elevator chain with paddles', 1, undefined, {
            needs: [{ number: 'LM-3303', name: 'Elevator connector link', each: 1 }],
          }),
          ...part('LM-3308', 'Lower sprocket', 1, 'Hooked teeth ruin a new chain.'),
        ],
        knockOns: [...moved],
        pairs: [{ check: 'elevator-sprocket', from: 0.5, why: 'hooked teeth ruin a new chain.' }],
        costs: { stopHours: 4, collateral: 250, fieldMinutes: 210 },
      })
      .add('feel', id('tailings-chain'), {
        ...felt,
        component: 'Tailings elevator chain',
        measures: play ? 'feel at the lower sprocket, and play' : 'feel at the lower sprocket',
        takeUp: { ...takeUp, total: 45, reserve: 10, loopPitches: 124 },
        how: 'As the clean-grain chain.',
        why: 'Tailings that do not return are lost. It is judged as the clean-grain chain is.',
        ifLeft: 'It plugs and throws the shear.',
        parts: part('LM-3351', 'Tailings chain with paddles'),
        put: { adjust: 15, shorten: 50, replace: 140 },
      });
  }
  w.at(8).add('mark', 'elevator-boot-drive', {
    component: 'Elevator boot drive chain',
    measures: 'sag at mid-span',
    position: SHIELDS,
    method: 'sag',
    gauge: { length: 14, short: 0, past: 3 },
    words: {
      short: 'moves more than the gauge',
      at: 'moves as the gauge',
      past: 'moves less than the gauge',
    },
    maxSideDifference: 5,
    takeUp: {
      total: 28,
      reserve: 6,
      strandsPerTravel: 1.8,
      pitch: 19.05,
      loopPitches: 64,
      limitPercent: 2.5,
      resolution: 1,
    },
    how: 'Total movement at mid-span, then the slot left. The idler by hand only, never with a lever.',
    why: 'It drives the boot end; a levered idler pulls its bearing.',
    ifLeft: 'It jumps and the boot packs.',
    parts: part('LM-3322', 'Boot drive chain, 64 pitches'),
    mind: ['hand'],
    put: { adjust: 12, shorten: 20, replace: 40 },
    interval: every(100),
  });
}
