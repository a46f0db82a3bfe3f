/** Distances between and inside things, px. */
export const SPACE = { xs: 4, s: 8, m: 12, l: 16, xl: 24 } as const;

/** Corners, px. */
export const RADIUS = { s: 8, m: 12, l: 16, pill: 24 } as const;

/** Lines round things, px: quiet, chosen, focused or loud. */
export const STROKE = { thin: 2, thick: 3, chosen: 4 } as const;

/** Least heights of what is tapped, px: in gloves, which is anywhere; in a planner's tables. */
export const TARGET = { glove: 56, desk: 48 } as const;

/** Sizes of type, px, with their lines. Nothing that is read is smaller than 16. */
export const TYPE = {
  quiet: { fontSize: 16, lineHeight: 22 },
  body: { fontSize: 17, lineHeight: 24 },
  said: { fontSize: 19, lineHeight: 27 },
  heading: { fontSize: 20, lineHeight: 26 },
  component: { fontSize: 26, lineHeight: 32 },
  title: { fontSize: 30, lineHeight: 36 },
  figure: { fontSize: 40, lineHeight: 44 },
} as const;

/** Letters and figures of entries and keys, px. */
export const ENTRY = { key: 24, small: 16, text: 18, typed: 34 } as const;
