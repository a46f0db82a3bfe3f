import type { ComponentType } from 'react';
import { StyleSheet, View } from 'react-native';
import Svg from 'react-native-svg';
import { printResult, type BenchOutcome } from '@green-tally/core/bench';
import { Quiet, usePalette } from '../../ui';
import { BeltGeometry, BeltNote, BeltPush, GrooveWidth } from './belt';
import { Elongation, Loop, Sag, Sprockets, TakeUp } from './chain';
import { Domino, DriveAtGap, DriveBuilds, DriveForSpeed, DriveWorn } from './drive';
import type { Drawn } from './drawn';
import { Season, Sums, Tooth } from './small';

const DRAWINGS: Readonly<Record<string, ComponentType<Drawn>>> = {
  'chain elongation': Elongation,
  'chain sprockets': Sprockets,
  'chain takeUp': TakeUp,
  'chain loop': Loop,
  'chain sag': Sag,
  'belt geometry': BeltGeometry,
  'belt push': BeltPush,
  'belt note': BeltNote,
  'belt width': GrooveWidth,
  'drive gap': DriveAtGap,
  'drive speed': DriveForSpeed,
  'drive worn': DriveWorn,
  'drive builds': DriveBuilds,
  'drive domino': Domino,
  'leave sums': Sums,
  'hours season': Season,
  'sprocket tooth': Tooth,
};

/** All drawings have these units. */
const [WIDTH, HEIGHT] = [360, 200] as const;

interface DrawingProps {
  readonly bench: string;
  readonly section: string;
  readonly outcome: BenchOutcome;
}

/** What stands on the bench, drawn to scale; nothing where something is missing for it. */
export function Drawing({ bench, section, outcome }: DrawingProps) {
  const palette = usePalette();
  const Of = DRAWINGS[`${bench} ${section}`];
  const results = outcome.sections[section]?.results ?? [];
  const words = results.map((r) => `${r.label} ${printResult(r).text}`).join(', ');
  return (
    <View
      role="img"
      aria-label={words ? `Drawn to scale: ${words}` : 'Nothing to draw yet'}
      style={styles.drawing}
      testID="bench drawing"
    >
      {words ? null : <Quiet>Drawn to scale once the figures are there.</Quiet>}
      <Svg width="100%" height="100%" viewBox={`0 0 ${WIDTH} ${HEIGHT}`} aria-hidden>
        {Of && results.length ? (
          <Of v={outcome.values} results={results} palette={palette} />
        ) : null}
      </Svg>
    </View>
  );
}

const styles = StyleSheet.create({
  drawing: { width: '100%', maxWidth: 520, alignSelf: 'center', aspectRatio: WIDTH / HEIGHT },
});
