import { both, part } from '../build';
import type { Combine } from './model';
import { FEEDER_UP, ANY } from './positions';

/** Station 1. */
export function arrive({ w }: Combine): void {
  w.add('condition', 'feeder-lift-stop', {
    station: 1,
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
      station: 1,
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
      station: 1,
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
      station: 1,
      component: 'Lights and reflectors',
      measures: 'all work and are clean',
      position: ANY,
      method: 'look',
      looksFor: ['lamp out', 'broken', 'dirty'],
      marked: 'adjust',
      how: 'Key on, walk round, key out again.',
      why: 'Moves between farms are at dusk.',
      ifLeft: 'Not seen on the road.',
    });
}
