import type { Method } from '@green-tally/core/contracts';
import type { Named } from './field';

/** How a reading is taken, as the form says it; each has its drawing. */
const METHODS: Readonly<Record<Method, string>> = {
  'spring-gauge': 'Spring against its gauge',
  'tip-to-tip': 'Indicator tip to tip',
  'canister-gap': 'Gap at the spring canister',
  overlap: 'Overlap of two plates',
  'slat-at-floor': 'Slat touches the floor',
  'slat-in-window': 'Slat seen in the window',
  'eye-bolt': 'Eye bolt between its marks',
  hydraulic: 'Hydraulic tensioner',
  'sheave-gap': 'Gap of the sheaves',
  'belt-width': 'Width of the belt',
  'belt-note': 'Note of the belt',
  'belt-push': 'Belt pushed in',
  'chain-pitches': 'Length over pitches',
  sag: 'Sag of the slack side',
  'elevator-feel': 'Slid sideways by hand',
  'hold-down': 'Gap under the hold-down',
  'section-guard': 'Section in its guard',
  'rasp-bar': 'Rasp bar',
  'knife-edge': 'Edge of a knife',
  'knife-count': 'Knives on their rotor',
  'draper-band': 'Draper against its band',
  'level-eye': 'Level at its eye',
  gonogo: 'Gauge that fits or not',
  clearance: 'Clearance',
  play: 'Play by hand',
  tooth: 'Tooth of a sprocket',
  meter: 'Read from a meter',
  torque: 'Torque',
  look: 'Looked at',
  setting: 'Setting found',
  grease: 'Greased or filled',
};

export const METHOD_OPTIONS: Named = Object.entries(METHODS);
