import { useState, type ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import type { WalkStop } from '@green-tally/core/walk';
import { Quiet, RADIUS, SPACE, STROKE, Strong, Tap, usePalette, useWide } from '../ui';

/** A part of the walk: a station, or a position of the machine. */
export interface Section {
  readonly id: string;
  readonly title: string;
  readonly stops: readonly WalkStop[];
}

interface ByStationProps {
  readonly sections: readonly Section[];
  /** id of the check that is next: its part is open until another is chosen */
  readonly next: string | undefined;
  readonly draw: (section: Section) => ReactNode;
}

interface SectionsProps extends ByStationProps {
  /** too many checks to stand below each other where there is room beside */
  readonly many: boolean;
  /** what is searched for: all that is found is shown */
  readonly wanted: string;
}

/** The parts of the walk: one below the other, or their list beside the one that is open. */
export function Sections({ sections, next, draw, many, wanted }: SectionsProps) {
  return useWide() && many && wanted === '' ? (
    <ByStation sections={sections} next={next} draw={draw} />
  ) : (
    <View style={styles.list}>{sections.map(draw)}</View>
  );
}

/** On a wide screen: all parts of the walk with how far they are, and beside them the one that is open. */
function ByStation({ sections, next, draw }: ByStationProps) {
  const palette = usePalette();
  const [chosen, setChosen] = useState<string>();
  const open =
    sections.find((s) => s.id === chosen) ??
    sections.find((s) => s.stops.some((stop) => stop.check.id === next)) ??
    sections[0];
  return (
    <View style={styles.both}>
      <View style={styles.parts} role="radiogroup" aria-label="Parts of the walk">
        {sections.map((section) => {
          const here = section.id === open?.id;
          const left = section.stops.filter((s) => s.state !== 'done').length;
          const again = section.stops.filter((s) => s.state === 'again').length;
          return (
            <Tap
              key={section.id}
              testID={`part of walk ${section.id}`}
              role="radio"
              selected={here}
              label={`${section.title}, ${section.stops.length - left} of ${section.stops.length} done`}
              onPress={() => setChosen(section.id)}
              style={[
                styles.part,
                {
                  borderColor: here ? palette.pine : palette.line,
                  backgroundColor: here ? palette.pineTint : palette.card,
                },
              ]}
            >
              <Strong style={styles.title}>{section.title}</Strong>
              {again ? <Strong tone="violet">{`${again} again`}</Strong> : null}
              <Quiet>{`${section.stops.length - left} of ${section.stops.length}`}</Quiet>
            </Tap>
          );
        })}
      </View>
      <View style={styles.open}>{open ? draw(open) : null}</View>
    </View>
  );
}

const styles = StyleSheet.create({
  list: { gap: SPACE.m },
  both: { flexDirection: 'row', alignItems: 'flex-start', gap: SPACE.l },
  parts: { width: 380, gap: SPACE.xs },
  part: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: SPACE.s,
    borderWidth: STROKE.thin,
    borderRadius: RADIUS.m,
    paddingHorizontal: SPACE.m,
    paddingVertical: SPACE.xs,
  },
  title: { flex: 1 },
  open: { flex: 1, minWidth: 0 },
});
