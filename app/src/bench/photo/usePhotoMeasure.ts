import { useEffect, useMemo, useRef, useState } from 'react';
import type { PhotoQuantity } from '@green-tally/core/benchFor';
import {
  edgesTurned,
  lengthOf,
  PROOF_RANGE,
  STRIP,
  toMm,
  toPx,
  type Mark,
  type PhotoLength,
  type Plane,
  type Point,
  type Snapped,
} from '@green-tally/core/photo';
import { parseQuantity, UnitParseError } from '@green-tally/core/units';
import { useAction, useTextDraft } from '../../store';
import { openEye, type Eye, type Looked } from './eye';
import { keepPhoto, keptPhoto } from './keptPhoto';
import type { Laid } from './PhotoPicture';
import { useTaps } from './useTaps';

/** A photo on the bench, with what was found in it. */
export interface OnPhoto {
  readonly file: Blob;
  readonly bitmap: ImageBitmap;
  readonly looked: Looked;
}

async function onPhoto(eye: Eye, file: Blob): Promise<OnPhoto> {
  const looked = await eye.look(file);
  const bitmap = await createImageBitmap(file, {
    resizeWidth: looked.width,
    resizeHeight: looked.height,
  });
  return { file, bitmap, looked };
}

/** How many taps it takes, and on what. */
export const TAPS: Readonly<
  Record<PhotoQuantity, { readonly count: number; readonly mark: Mark }>
> = {
  between: { count: 2, mark: 'pin' },
  edges: { count: 2, mark: 'edge' },
  toStrip: { count: 1, mark: 'edge' },
};

/** Edges that are measured straight across run alike within so much, degrees. */
const ALIKE = 5;
/** Both ends of a chain have pins of one size, within so much. */
const SAME_PIN = 0.15;
/** What stands further off the plane than this is not measured by this strip, mm. */
const FURTHEST_OFF = 60;

/** A length as typed beside the photo; trouble in words where it is none. */
function typed(
  text: string,
  [low, high]: readonly [number, number],
): { value?: number; trouble?: string } {
  if (!text.trim()) return {};
  try {
    const { value } = parseQuantity(text, 'length', 'mm');
    if (value >= low && value <= high) return { value };
    return { trouble: `Enter a length between ${low} and ${high} mm.` };
  } catch (error) {
    if (!(error instanceof UnitParseError)) throw error;
    return { trouble: error.message };
  }
}

/**
 * Measuring in a photo: what was chosen, looked at, tapped and said, and what comes of it.
 * @param key names what it is measured for: photo and taps are there again after a reload
 */
export function usePhotoMeasure(key: string, quantity: PhotoQuantity) {
  const eye = useRef<Eye | undefined>(undefined);
  const [photo, setPhoto] = useState<OnPhoto>();
  const { count, mark } = TAPS[quantity];
  /** when it was chosen, of a photo that is looked at again */
  const [again, setAgain] = useState('');
  const [proof, setProof] = useTextDraft('photo|proof');
  const [nearer, setNearer] = useTextDraft(`photo|nearer|${key}`);
  useEffect(() => () => eye.current?.end(), []);
  useEffect(() => {
    let current = true;
    const lookAgain = async () => {
      const kept = await keptPhoto(key);
      if (!kept || !current) return;
      setAgain(kept.at);
      const seen = await onPhoto((eye.current ??= openEye()), kept.file);
      // another may have been chosen meanwhile
      if (current) setPhoto((now) => now ?? seen);
    };
    lookAgain().catch(() => setAgain(''));
    return () => {
      current = false;
    };
  }, [key]);
  const plane = photo?.looked.strip.found ? photo.looked.strip.plane : undefined;
  const on = useTaps(key, { count, mark, plane, eye });
  const { taps, clear } = on;
  const looking = useAction(async (file: Blob) => {
    setPhoto(undefined);
    setAgain('');
    clear();
    setPhoto(await onPhoto((eye.current ??= openEye()), file));
    await keepPhoto(key, file);
  });
  const said = {
    proof: typed(proof, PROOF_RANGE),
    nearer: typed(nearer, [-FURTHEST_OFF, FURTHEST_OFF]),
  };
  const length = useMemo((): PhotoLength | undefined => {
    if (!plane || taps.length < count) return undefined;
    return lengthOf(plane, taps, quantity, {
      proof: said.proof.value,
      nearer: said.nearer.value,
    });
  }, [plane, taps, count, quantity, said.proof.value, said.nearer.value]);
  const stop = stopOf(taps, quantity);
  return {
    ...on,
    key,
    photo,
    again,
    plane,
    count,
    mark,
    proof,
    nearer,
    troubles: { proof: said.proof.trouble, nearer: said.nearer.trouble },
    looking,
    /** nothing while something beside it is wrong, or two ends do not belong together */
    length: said.proof.trouble || said.nearer.trouble || stop ? undefined : length,
    /** why two ends do not belong together; empty when they do */
    stop,
    byEye: taps.some((t) => !t.found),
    setProof,
    setNearer,
  };
}

export type PhotoMeasure = ReturnType<typeof usePhotoMeasure>;

/** Why what was tapped is not what was meant; nothing is measured by it. */
function stopOf(taps: readonly Snapped[], quantity: PhotoQuantity): string {
  const [a, b] = taps;
  if (quantity === 'edges' && edgesTurned(taps) > ALIKE)
    return 'The two edges do not run alike: one of them is not the edge that was meant. Tap it again.';
  if (a?.radius && b?.radius && Math.abs(a.radius / b.radius - 1) > SAME_PIN)
    return 'The two circles are not of one size: one of them is not the pin. Tap it again.';
  return '';
}

/** What is drawn over the photo for each tap. */
export function laidOf(plane: Plane, taps: readonly Snapped[]): readonly Laid[] {
  return taps.map(({ px, found, radius, along }) => {
    const at = toMm(plane, px);
    if (!at) return { px, found };
    const far = (by: Point): Point => {
      const [u, v] = toPx(plane, [at[0] + by[0], at[1] + by[1]]);
      return [u - px[0], v - px[1]];
    };
    const way = along && far([along[0] * 5, along[1] * 5]);
    const long = way ? Math.hypot(...way) || 1 : 1;
    return {
      ...{ px, found },
      ...(radius ? { radius: Math.hypot(...far([radius, 0])) } : {}),
      ...(way ? { along: [way[0] / long, way[1] / long] as const } : {}),
    };
  });
}

/** The strip's lower edge, where it serves as the straight edge, px. */
export const straightEdge = (plane: Plane): readonly [Point, Point] => [
  toPx(plane, [-8, STRIP.edge]),
  toPx(plane, [STRIP.cells * STRIP.pitch + 4, STRIP.edge]),
];
