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
import { z } from 'zod';
import { troubleText, useAction, useDraft, useTextDraft } from '../../store';
import { openEye, type Eye, type Looked } from './eye';
import { keepPhoto, keptPhoto } from './keptPhoto';
import type { Laid } from './PhotoPicture';

/** A photo on the bench, with what was found in it. */
export interface OnPhoto {
  readonly file: Blob;
  readonly bitmap: ImageBitmap;
  readonly looked: Looked;
}

const At = z.tuple([z.number(), z.number()]);
/** What was tapped, as it is kept beside the photo. */
const Taps = z.array(
  z.object({
    px: At,
    stray: z.number(),
    found: z.boolean(),
    radius: z.number().exactOptional(),
    along: At.exactOptional(),
  }),
);

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
  const [taps, setTaps] = useDraft<readonly Snapped[]>(`photo|taps|${key}`, Taps, []);
  const [active, setActive] = useState(Math.min(taps.length, count - 1));
  /** when it was chosen, of a photo that is looked at again */
  const [again, setAgain] = useState('');
  const [holds, setHolds] = useState(true);
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
  const lay = (index: number, tap: Snapped) =>
    setTaps((before) =>
      Object.assign([...before], { [Math.min(index, before.length)]: tap }).slice(0, count),
    );
  /** taps in the order they were made; what is cleared meanwhile is not laid */
  const queue = useRef({ last: Promise.resolve(), turn: 0 });
  const [tapTrouble, setTapTrouble] = useState('');
  const laid = async (index: number, tap: () => Snapped | Promise<Snapped>, turn: number) => {
    try {
      const found = await tap();
      if (turn === queue.current.turn) lay(index, found);
    } catch (error) {
      setTapTrouble(troubleText(error));
      setActive(index);
    }
  };
  /** a tap on the photo: for the mark that is next, unless said */
  const tap = (at: Point, perPx: number, index = Math.min(active, count - 1)) => {
    const looker = eye.current;
    if (!plane || !looker) return;
    // the next tap is for the next mark, however long this one is looked at
    if (index + 1 < count && !taps[index + 1]) setActive(index + 1);
    setTapTrouble('');
    const byHand = { px: at, stray: Math.max(1, 3 * perPx), found: false };
    const find = () => (holds ? looker.tap(plane, at, { mark, perPx }) : byHand);
    const { last, turn } = queue.current;
    queue.current.last = last.then(() => laid(index, find, turn));
  };
  const clear = () => {
    queue.current.turn += 1;
    setTaps([]);
    setActive(0);
  };
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
    key,
    photo,
    again,
    plane,
    taps,
    active,
    count,
    mark,
    holds,
    proof,
    nearer,
    troubles: { proof: said.proof.trouble, nearer: said.nearer.trouble },
    looking,
    tap,
    tapTrouble,
    /** nothing while something beside it is wrong, or two ends do not belong together */
    length: said.proof.trouble || said.nearer.trouble || stop ? undefined : length,
    /** why two ends do not belong together; empty when they do */
    stop,
    byEye: taps.some((t) => !t.found),
    choose: setActive,
    setHolds,
    setProof,
    setNearer,
    clear,
    /** a tap moved by hand: by eye, and worth as much as that */
    nudge: ([dx, dy]: Point) => {
      const tap = taps[active] ?? taps.at(-1);
      const index = taps[active] ? active : taps.length - 1;
      if (!tap) return;
      lay(index, {
        px: [tap.px[0] + dx, tap.px[1] + dy],
        stray: Math.max(1, tap.found ? 1 : tap.stray),
        found: false,
      });
    },
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
