import { both, part, perCrop, tool } from '../build';
import type { Combine } from './model';
import { SHIELDS, FAN, SIEVES } from './positions';

/** What lets the fan or the cams work loose. */
export function fanDrive({ fine, fineWear, rate, w }: Combine): void {
  w.at(7)
    .add('condition', 'fan-on-shaft', {
      component: 'Cleaning fan',
      measures: 'tight on its shaft',
      position: FAN,
      places: both,
      looksFor: ['turns on its shaft', 'key shows', 'red dust'],
      marked: 'adjust',
      damaged: 'replace',
      how: 'Hold the shaft, twist the fan by hand; look for red dust at the hub.',
      why: 'A fan loose on its shaft sounds like a bearing and is not one.',
      ifLeft: 'Key and shaft are torn out together.',
      parts: part('LM-7112', 'Hub with key'),
      mind: ['hand'],
      put: { adjust: 15, replace: 60 },
    })
    .add('condition', 'fan-sheave-bushing', {
      component: 'Outer fan sheave',
      measures: 'bushing in, sheave does not walk',
      position: FAN,
      looksFor: ['bushing missing', 'sheave walks', 'shaft scored'],
      marked: 'replace',
      damaged: 'replace',
      how: 'Push and pull the outer sheave: it is guided by its bushing, not by the shaft alone.',
      why: 'Without its bushing it runs on the shaft and eats it.',
      ifLeft: 'Sheave, shaft and belt at once.',
      parts: part('LM-7118', 'Sheave bushing'),
      mind: ['spring'],
      put: { replace: 30 },
      knockOns: [{ check: 'fan-drive-belt', why: 'the sheave was off' }],
    })
    .add('condition', 'cams-walking', {
      component: 'Shoe drive cams',
      measures: 'do not walk along the shaft',
      position: SHIELDS,
      places: both,
      looksFor: ['bright shaft beside the cam', 'collar loose', 'arm askew'],
      marked: 'adjust',
      damaged: 'replace',
      how: 'Look for a bright stripe beside the cam; bar it sideways.',
      why: 'A cam that walks takes its arm and bearing with it.',
      ifLeft: 'The arm rubs through the wall.',
      parts: part('LM-7128', 'Cam collar'),
      put: { adjust: 20, replace: 60 },
    })
    .add('series', 'cam-shaft', {
      component: 'Shoe drive shaft',
      measures: 'wear under the bearing',
      position: SHIELDS,
      method: 'clearance',
      places: both,
      ...fine,
      tool: tool('micrometer'),
      limit: fineWear(35, 34.6),
      outOfFamily: 0.15,
      wearRate: rate(0.0004),
      how: 'Bearing slid aside, micrometer across the shaft, the thinnest of three.',
      why: 'A new bearing on a thin shaft turns blue in a week.',
      ifLeft: 'The new bearing lets go as well.',
      parts: part('LM-7129', 'Shoe drive shaft'),
      put: { replace: 180 },
    })
    .add('condition', 'fan-floor-trap', {
      component: 'Fan floor trap',
      measures: 'open, clean, shut again',
      position: SIEVES,
      looksFor: ['packed', 'not shut', 'hinge bent'],
      marked: 'adjust',
      damaged: 'replace',
      how: 'Open it, let out what has gathered, look up to the blades, shut it.',
      why: 'What gathers on the fan floor is thrown at the sieves in lumps.',
      ifLeft: 'Wind on one side only.',
      parts: part('LM-7145', 'Trap hinge'),
      mind: ['dust'],
      put: { adjust: 5, replace: 25 },
      knockOns: [{ task: 'Fan floor trap: shut and hooked' }],
    });
}

/** The rethresher, or what stands in its place. */
export function rethresher({ w }: Combine): void {
  w.at(7)
    .add('setting', 'rethresher-door', {
      component: 'Rethresher door',
      measures: 'open or shut, by crop',
      position: SHIELDS,
      options: ['shut', 'open'],
      expected: [
        { crop: 'malting barley', option: 'shut', because: 'awns want a second rub' },
        { crop: 'lentils', option: 'open', because: 'a second rub splits them' },
        { crop: 'grain sorghum', option: 'open', because: 'soft seed' },
        { crop: 'maize', option: 'open', because: 'cobs crack what is rubbed twice' },
      ],
      how: 'Look which hole its pin is in; move it by hand through its travel.',
      why: 'Tailings are rubbed again, or only carried back.',
      ifLeft: 'Awns in the tank, or cracked seed.',
      interval: perCrop,
      put: { adjust: 10 },
    })
    .add('condition', 'rethresher-dirt', {
      component: 'Rethresher',
      measures: 'free of packed dirt, blades free',
      position: SHIELDS,
      looksFor: ['packed', 'blade bent', 'door stiff'],
      marked: 'adjust',
      damaged: 'replace',
      how: 'Open the cover, scrape out, turn by hand once round.',
      why: 'Packed it neither rubs nor carries: the tailings plug behind it.',
      ifLeft: 'The tailings elevator plugs.',
      parts: part('LM-7148', 'Rethresher blade', 2, 'Opposite pairs.', { soldIn: 2 }),
      mind: ['hand', 'dust'],
      put: { adjust: 15, replace: 30 },
    });
}
