import { both, every, part } from '../build';
import type { Combine } from './model';
import { HOOD } from './positions';
import { behind } from './behind';

/** Station 12. */
export function residue(combine: Combine): void {
  const { by, m, rate, ruled, w, wear } = combine;
  const fineCut = { chopper: ['fine', 'standard'] };
  w.at(12)
    .add('count', 'chopper-knives', {
      component: 'Chopper knives',
      measures: 'missing, bent and worn knives',
      position: HOOD,
      method: 'knife-count',
      places: ['rotor'],
      total: m.knives,
      ...by('knives', {
        opposite: { renew: m.perHanger > 1 ? ('hangers' as const) : ('opposite' as const) },
        weigh: { renew: 'each' as const },
      }),
      perHanger: m.perHanger,
      turnFrom: m.turnFrom,
      when: fineCut,
      how: 'Turn the rotor by hand a row at a time. Count knives that are missing, bent or cracked, worn on one edge, worn on both edges.',
      why:
        m.perHanger > 1
          ? 'A lost or light knife unbalances the rotor. Its mate on the hanger and both on the opposite hanger are renewed with it; two lost on different hangers bring twice that.'
          : 'A lost or light knife unbalances the rotor at full speed. Its opposite mate is renewed with it, or knives are weighed and placed.',
      schools:
        'Renew what hangs beside and opposite, always; or weigh and place. Turn all at once, and move the outer ones to the busy middle.',
      ifLeft: 'The rotor shakes its bearings out and a loose knife leaves the machine at speed.',
      minutes: 15,
      put: { turn: 60, replace: 6, cover: { name: 'rear hood', minutes: 10 } },
      mind: ['rotor'],
      parts: [
        ...part('LM-7712', 'Chopper knife', 1, 'Opposite mates together.', {
          soldIn: 4,
          needs: [{ number: 'LM-7715', name: 'Knife bolt set, used once', each: 1 }],
          heavy: {
            number: 'LM-7713',
            name: 'Chopper knife, hard-faced',
            because: 'dry standing straw and stones; the whole rotor, never mixed',
            all: true,
          },
        }),
      ],
      costs: { stopHours: 5, collateral: 1200, fieldMinutes: 240 },
      knockOns: [
        { task: 'Chopper knives: the outer ones moved to the busy middle where the edges differ' },
        {
          task: 'Rotor: turn it through by hand and listen for a knife touching, then a test run with everyone clear',
        },
      ],
    })
    .add('series', 'knife-height', {
      component: 'Chopper knives',
      measures: 'height left',
      position: HOOD,
      method: 'knife-edge',
      places: ['left end', 'middle', 'right end'],
      ...ruled,
      limit: wear(60, 45),
      outOfFamily: 5,
      wearRate: rate(0.002),
      how: 'The most worn of each third.',
      why: 'Short knives leave long straw and weigh less.',
      ifLeft: 'Long straw, and a slow shake.',
      parts: part('LM-7712', 'Chopper knife', 16, 'Opposite mates together.', { soldIn: 4 }),
      mind: ['rotor'],
      put: { replace: 90 },
    })
    .add('condition', 'knife-hangers', {
      component: 'Knife hangers',
      measures: 'free, not worn oval',
      position: HOOD,
      method: 'look',
      looksFor: ['stiff', 'oval hole', 'weld cracked'],
      how: 'Swing each knife by hand.',
      why: 'A stiff knife cannot give way to a stone.',
      ifLeft: 'It breaks off.',
      parts: part('LM-7718', 'Knife hanger', 1, 'With the opposite hanger.', { soldIn: 2 }),
      mind: ['rotor'],
      put: { replace: 30 },
      knockOns: [{ check: 'chopper-knives', why: 'the knives were off' }],
    })
    .add('count', 'stationary-knives', {
      component: 'Stationary knives',
      measures: 'there, whole, sharp',
      position: HOOD,
      method: 'knife-count',
      counted: 'stationary knives',
      total: m.knives - 2,
      renew: 'each',
      turnFrom: 10,
      when: { chopper: ['fine'] },
      how: 'Look along the bank.',
      why: 'Blunt ones tear instead of cut.',
      ifLeft: 'Long straw at high power.',
      parts: part('LM-7730', 'Stationary knife'),
      mind: ['knives'],
      put: { turn: 40, replace: 4 },
    })
    .add('setting', 'stationary-bank', {
      component: 'Stationary knife bank',
      measures: 'depth',
      position: HOOD,
      method: 'setting',
      options: ['out', 'half', 'full'],
      expected: [
        { crop: 'malting barley', option: 'half' },
        { crop: 'lentils', option: 'out', because: 'little straw' },
        { crop: 'grain sorghum', option: 'half' },
        { crop: 'maize', option: 'out', because: 'stalks' },
      ],
      when: { chopper: ['fine'] },
      how: 'Look at the lever.',
      why: 'Each step costs fuel.',
      ifLeft: 'Fuel or long straw.',
      interval: { kind: 'perCrop' },
      put: { adjust: 5 },
      mind: ['knives'],
    })
    .add('condition', 'chopper-bearings', {
      component: 'Chopper bearings',
      measures: 'play, heat, noise',
      position: HOOD,
      method: 'look',
      places: both,
      looksFor: ['play', 'blue', 'grease thrown'],
      how: 'Lift the rotor by hand at each end.',
      why: 'It takes every shake of the rotor.',
      ifLeft: 'The rotor leaves its bed.',
      parts: part('LM-7740', 'Chopper bearing', 1, 'Both ends together.'),
      mind: ['rotor', 'heavy'],
      put: { replace: 90 },
      interval: every(100, 365),
    })
    .add('setting', 'chopper-speed', {
      component: 'Chopper',
      measures: 'speed',
      position: HOOD,
      method: 'setting',
      options: ['slow', 'fast'],
      expected: [
        { option: 'fast' },
        { crop: 'maize', option: 'slow', because: 'stalks need no chopping' },
      ],
      how: 'Look which sheave the belt runs on.',
      why: 'Fast costs power and flings stones.',
      ifLeft: 'Power or long straw.',
      interval: { kind: 'perCrop' },
      put: { adjust: 20 },
      knockOns: [
        { check: 'chopper-belt-tension', why: 'the belt is set anew on the other sheave' },
      ],
    })
    .add('setting', 'deflector', {
      component: 'Straw deflector',
      measures: 'door position, by crop',
      position: HOOD,
      method: 'setting',
      options: ['chop', 'windrow'],
      expected: [
        { option: 'chop' },
        { crop: 'malting barley', option: 'windrow', because: 'straw is baled' },
        { crop: 'lentils', option: 'windrow', because: 'straw is fed' },
      ],
      how: 'Look at the door.',
      why: 'Straw is chopped or baled, not both.',
      ifLeft: 'A field of straw in the wrong place.',
      interval: { kind: 'perCrop' },
      put: { adjust: 5 },
    })
    .add('count', 'spreader-paddles', {
      component: 'Spreader paddles',
      measures: 'there and straight',
      position: HOOD,
      method: 'look',
      counted: 'paddles',
      total: 12,
      renew: 'opposite',
      how: 'Turn each disc by hand.',
      why: 'A missing paddle throws short on one side and shakes.',
      ifLeft: 'Stripes in next year’s crop.',
      parts: part('LM-7750', 'Spreader paddle', 1, 'Opposite mates.'),
      mind: ['rotor'],
      put: { replace: 8 },
    })
    .add('condition', 'spreader-fins', {
      component: 'Spreader fins',
      measures: 'straight, set alike',
      position: HOOD,
      method: 'look',
      looksFor: ['bent', 'bolt loose', 'uneven'],
      marked: 'adjust',
      how: 'Look from behind.',
      why: 'Fins lay the residue even.',
      ifLeft: 'Stripes.',
      parts: part('LM-7755', 'Fin'),
      put: { adjust: 10, replace: 15 },
    })
    .add('condition', 'knife-guards-rear', {
      component: 'Guards above the knives',
      measures: 'whole and bolted',
      position: HOOD,
      method: 'look',
      looksFor: ['hole', 'bolt missing', 'crack'],
      how: 'Hand along every edge.',
      why: 'They stop a knife that lets go.',
      ifLeft: 'The machine may not run.',
      parts: part('LM-7760', 'Knife guard plate'),
      mind: ['guards'],
      put: { replace: 40 },
    });
  behind(combine);
}
