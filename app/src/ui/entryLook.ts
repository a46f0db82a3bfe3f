import { StyleSheet } from 'react-native';
import { FONT, type Palette } from './theme';
import { ENTRY, RADIUS, SPACE, STROKE, TARGET } from './tokens';

/** How a line of text that is typed into looks, in a form or outside one. */
export const entryLook = StyleSheet.create({
  container: { paddingHorizontal: 0, gap: SPACE.xs },
  frame: {
    borderWidth: STROKE.thin,
    borderBottomWidth: STROKE.thin,
    borderRadius: RADIUS.m,
    minHeight: TARGET.glove,
    paddingHorizontal: SPACE.m,
  },
  focused: { borderWidth: STROKE.thick, borderBottomWidth: STROKE.thick },
  text: {
    fontFamily: FONT.regular,
    fontSize: ENTRY.text,
    outlineWidth: 0,
    minHeight: TARGET.glove - 2 * STROKE.thin,
  },
});

/** The colour of its frame: wrong, being typed into, or at rest. */
export function entryEdge(palette: Palette, wrong: boolean, focused: boolean): string {
  if (wrong) return palette.rust;
  return focused ? palette.blue : palette.quiet;
}
