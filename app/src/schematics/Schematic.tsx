import type { ComponentType } from 'react';
import { View } from 'react-native';
import Svg from 'react-native-svg';
import type { Check, Method } from '@green-tally/core/contracts';
import { limitWords } from '@green-tally/core/verdict';
import { usePalette, type Palette } from '../ui';
import { aimOf, type Aim } from './aim';
import {
  CanisterGap,
  ChainPitches,
  DraperBand,
  ElevatorFeel,
  EyeBolt,
  Hydraulic,
  Overlap,
  Sag,
  SlatAtFloor,
  SlatInWindow,
  SpringGauge,
  TipToTip,
} from './tension';
import {
  BeltNote,
  BeltPush,
  BeltWidth,
  Clearance,
  GoNoGo,
  Grease,
  HoldDown,
  KnifeCount,
  KnifeEdge,
  LevelEye,
  Look,
  Meter,
  Play,
  RaspBar,
  SectionGuard,
  Setting,
  SheaveGap,
  Tooth,
  Torque,
} from './wear';

/** One drawing for each method. */
const DRAWINGS: Readonly<
  Record<Method, ComponentType<{ readonly aim: Aim; readonly palette: Palette }>>
> = {
  'spring-gauge': SpringGauge,
  'tip-to-tip': TipToTip,
  'canister-gap': CanisterGap,
  overlap: Overlap,
  'slat-at-floor': SlatAtFloor,
  'slat-in-window': SlatInWindow,
  'eye-bolt': EyeBolt,
  hydraulic: Hydraulic,
  'sheave-gap': SheaveGap,
  'belt-width': BeltWidth,
  'belt-note': BeltNote,
  'belt-push': BeltPush,
  'chain-pitches': ChainPitches,
  sag: Sag,
  'elevator-feel': ElevatorFeel,
  'hold-down': HoldDown,
  'section-guard': SectionGuard,
  'rasp-bar': RaspBar,
  'knife-edge': KnifeEdge,
  'knife-count': KnifeCount,
  'draper-band': DraperBand,
  'level-eye': LevelEye,
  gonogo: GoNoGo,
  clearance: Clearance,
  play: Play,
  tooth: Tooth,
  meter: Meter,
  torque: Torque,
  look: Look,
  setting: Setting,
  grease: Grease,
};

/** A drawing of the check's method with its own numbers, 360 × 170 units. */
export function Schematic({ check }: { check: Check }) {
  const palette = usePalette();
  const Drawing = DRAWINGS[check.method];
  return (
    <View
      role="img"
      aria-label={schematicText(check)}
      style={{ width: '100%', maxWidth: 460, alignSelf: 'center', aspectRatio: 360 / 170 }}
    >
      <Svg width="100%" height="100%" viewBox="0 0 360 170" aria-hidden>
        <Drawing aim={aimOf(check)} palette={palette} />
      </Svg>
    </View>
  );
}

/** The drawing in words. */
export function schematicText(check: Check): string {
  const slot = 'takeUp' in check && check.takeUp ? `; slot ${check.takeUp.total} mm long` : '';
  switch (check.kind) {
    case 'measure':
    case 'series':
      return `${check.component}, ${check.measures}: ${limitWords(check, check, 1)}${slot}.`;
    case 'mark':
      return `${check.component}: ${check.words.at}, up to ${check.gauge.past} mm past is fine${slot}.`;
    case 'feel':
      return `${check.component}: slide it on the lower sprocket${slot}.`;
    case 'gonogo':
      return `${check.component}: good when the ${check.gauge} ${check.good === 'fits' ? 'fits' : 'does not fit'}.`;
    case 'count':
      return `${check.component}: ${check.total} ${check.counted}, a bad one is renewed ${{ each: 'alone', opposite: 'with its opposite mate', set: 'with the whole set' }[check.renew]}.`;
    case 'condition':
      return `${check.component}: look for ${check.looksFor.join(', ')}.`;
    case 'level':
      return `${check.component}: level at the ${check.eye}, ${check.product}.`;
    case 'setting':
      return `${check.component}: ${check.options.join(', ')}.`;
    case 'service':
      return `${check.component}: ${check.amount === undefined ? '' : `${check.amount} ${check.asks} of `}${check.product}.`;
  }
}
