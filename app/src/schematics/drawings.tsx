import type { ComponentType } from 'react';
import Svg from 'react-native-svg';
import type { Check, Method } from '@green-tally/core/contracts';
import { usePalette } from '../ui';
import { aimOf } from './aim';
import type { DrawingProps } from './drawing';
import { CanisterGap, EyeBolt, Hydraulic, Overlap, SpringGauge, TipToTip } from './adjusters';
import { ChainPitches, DraperBand, ElevatorFeel, Sag, SlatAtFloor, SlatInWindow } from './strands';
import { BeltNote, BeltPush, BeltWidth, SheaveGap } from './belts';
import { HoldDown, KnifeCount, KnifeEdge, RaspBar, SectionGuard } from './cutting';
import { Clearance, GoNoGo, Play, Tooth } from './fits';
import { Grease, LevelEye, Look, Meter, Setting, Torque } from './readouts';

/** One drawing for each method. */
const DRAWINGS: Readonly<Record<Method, ComponentType<DrawingProps>>> = {
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

/** The drawing of the check's method alone, without words. */
export function Drawing({ check }: { check: Check }) {
  const palette = usePalette();
  const Of = DRAWINGS[check.method];
  return (
    <Svg width="100%" height="100%" viewBox="0 0 360 170" aria-hidden>
      <Of aim={aimOf(check)} palette={palette} />
    </Svg>
  );
}
