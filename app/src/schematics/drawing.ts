import type { Palette } from '../ui';
import type { Aim } from './aim';

/** Every part of a drawing is told the colours of the theme. */
export interface Coloured {
  readonly palette: Palette;
}

/** What the drawing of a method is told. */
export interface DrawingProps extends Coloured {
  readonly aim: Aim;
}

/** How far a limit lies from the new size, 0 to 1, for drawing it to scale inside the part. */
export const worn = ({ nominal, limit }: Aim): number =>
  nominal && limit !== undefined ? Math.max(0.05, Math.min(0.95, limit / nominal)) : 0.7;
