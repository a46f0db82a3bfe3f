import { both, daily, every, part } from '../build';
import type { Combine } from './model';
import { COLD, RUNNING } from './positions';

/** How the drive gearbox's oil is read: each build otherwise. */
const DRIVE_GEARBOX = {
  cold: {
    position: COLD,
    how: 'Before it has run: oil to the lower line.',
    schools: 'Read cold here; on other builds rested after a run, or while it runs.',
  },
  rested: {
    position: COLD,
    how: 'Run it, let it stand ten minutes, then read: oil between the lines.',
    schools: 'Run, stand, read here; on other builds cold, or while it runs.',
  },
  running: {
    position: RUNNING,
    how: 'Everyone clear, doors shut, idling: read the glass from the ladder, hands off. Stop, make safe before anything is filled.',
    schools: 'Read while it idles here; on other builds cold, or rested after a run.',
  },
} as const;

/** Levels of the drives: daily at the engine's gearbox, by hours at the wheels. */
export function gearOils({ m, w }: Combine): void {
  w.at(11)
    .add('level', 'drive-gearbox-oil', {
      component: 'Engine drive gearbox',
      measures: 'oil level',
      ...DRIVE_GEARBOX[m.driveGearbox],
      eye: 'sight glass',
      product: 'Gear oil GL-5 80W-90',
      colours: ['milky', 'black', 'metal', 'foam'],
      interval: daily,
      why: 'It carries every drive of the machine and holds little.',
      ifLeft: 'Nothing turns any more.',
      parts: part('LM-6010', 'Gear oil, 1 l'),
      put: { adjust: 8, replace: 60 },
      mind: ['hot', 'run', 'climb'],
    })
    .add('level', 'final-drive-level', {
      component: 'Final drives',
      measures: 'oil level',
      position: COLD,
      places: both,
      eye: 'middle plug of three',
      perPlace: {
        right: { eye: 'middle plug of three; drain and fill change places on this side' },
      },
      product: 'Gear oil GL-5 80W-90',
      colours: ['milky', 'black', 'metal'],
      interval: every(250),
      how: 'Wheel turned until the mark is level. Middle plug out, oil to its lower edge: level, drain and fill look alike.',
      why: 'Opening the wrong plug empties it.',
      ifLeft: 'The dearest repair of the chassis.',
      parts: part('LM-6010', 'Gear oil, 1 l'),
      put: { adjust: 10, replace: 60 },
      mind: ['wheel', 'hot'],
    });
}
