import { both, part, perHeader } from '../build';
import type { Combine } from './model';
import { ANY, COLD, FEEDER_UP } from './positions';

/** Station 1. */
export function arrive({ w }: Combine): void {
  w.at(1)
    .add('condition', 'feeder-lift-stop', {
      component: 'Feeder-house lift stop',
      measures: 'latch and pin',
      position: FEEDER_UP,
      method: 'look',
      looksFor: ['pin missing', 'latch bent', 'does not seat'],
      marked: 'adjust',
      how: 'Swing the stop onto the cylinder rod and look that it seats full length and the pin goes in.',
      why: 'It is what holds the feeder while somebody is under it.',
      ifLeft: 'Nobody may go under the feeder.',
      parts: part('LM-1010', 'Lift-stop pin with clip'),
      mind: ['feeder'],
    })
    .add('condition', 'shields', {
      component: 'Shields and guards',
      measures: 'there, whole and latched',
      position: ANY,
      method: 'look',
      places: both,
      looksFor: ['missing', 'cracked', 'latch open', 'rubbing'],
      marked: 'adjust',
      how: 'Walk round once. Each shield closed, latched and whole.',
      why: 'A shield left off catches the next sleeve.',
      ifLeft: 'The machine may not run.',
      parts: part('LM-1022', 'Shield latch'),
    })
    .add('condition', 'fire-extinguishers', {
      component: 'Fire extinguishers',
      measures: 'there, charged, in date',
      position: ANY,
      method: 'look',
      places: ['cab', 'deck'],
      looksFor: ['pressure low', 'out of date', 'bracket loose'],
      marked: 'replace',
      how: 'Read the pressure and the date of both.',
      why: 'Chaff burns in minutes, help takes longer.',
      ifLeft: 'A small fire becomes a lost machine.',
      parts: part('LM-1030', 'Extinguisher, 6 kg'),
    })
    .add('condition', 'lights-reflectors', {
      component: 'Lights and reflectors',
      measures: 'all work and are clean',
      position: ANY,
      method: 'look',
      looksFor: ['lamp out', 'broken', 'dirty'],
      marked: 'adjust',
      how: 'Key on, walk round, key out again.',
      why: 'Moves between farms are at dusk.',
      ifLeft: 'Not seen on the road.',
    })
    .add('condition', 'transport-locks', {
      component: 'Transport locks',
      measures: 'unloading tube, ladder and header locks out and stowed',
      position: ANY,
      places: ['unloading tube', 'ladder', 'rear axle'],
      looksFor: ['still locked', 'pin missing', 'bent'],
      marked: 'adjust',
      damaged: 'adjust',
      how: 'Find every lock used on the road; it is out and in its clip.',
      why: 'A tube that is locked bends at the first full tank.',
      ifLeft: 'A bent tube or a torn cylinder on the first round.',
      interval: perHeader,
      put: { adjust: 5 },
    })
    .add('condition', 'controllers-clean', {
      component: 'Controllers and their plugs',
      measures: 'clean, dry, screwed down',
      position: COLD,
      places: ['cab floor', 'left side', 'engine deck'],
      looksFor: ['packed in dirt', 'plug loose', 'wet', 'bracket cracked'],
      marked: 'adjust',
      damaged: 'replace',
      how: 'Brush, then blow with low pressure; press every plug home.',
      why: 'A controller under chaff runs hot, and its plugs work loose.',
      ifLeft: 'Faults that come and go, always at noon.',
      parts: part('LM-1042', 'Plug seal set'),
      mind: ['dust', 'battery'],
      put: { adjust: 10, replace: 45 },
    })
    .add('condition', 'earth-chain', {
      component: 'Earth chain',
      measures: 'touches the ground, bolted to bare metal',
      position: ANY,
      looksFor: ['too short', 'bolted on paint', 'rusted through'],
      marked: 'adjust',
      damaged: 'replace',
      how: 'Look under the rear axle: the last links lie on the ground, bright metal at the bolt.',
      why: 'Dust charges the machine; a spark in chaff is a fire.',
      ifLeft: 'A spark where nobody stands with an extinguisher.',
      parts: part('LM-1048', 'Earth chain'),
      put: { adjust: 10, replace: 10 },
    });
}
