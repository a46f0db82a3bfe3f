import { useRef, useState, type RefObject } from 'react';
import type { Mark, Plane, Point, Snapped } from '@green-tally/core/photo';
import { z } from 'zod';
import { troubleText, useDraft } from '../../store';
import type { Eye } from './eye';

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

interface Tapping {
  /** how many marks it takes, and on what */
  readonly count: number;
  readonly mark: Mark;
  /** of the photo; undefined: there is nothing to tap on */
  readonly plane: Plane | undefined;
  readonly eye: RefObject<Eye | undefined>;
}

/**
 * The marks on a photo. Each tap is looked at, for the pin or edge beside it; one made meanwhile waits
 * its turn. @param key names what is measured: the marks are there again after a reload
 */
export function useTaps(key: string, { count, mark, plane, eye }: Tapping) {
  const [taps, setTaps] = useDraft<readonly Snapped[]>(`photo|taps|${key}`, Taps, []);
  const [active, setActive] = useState(Math.min(taps.length, count - 1));
  const [holds, setHolds] = useState(true);
  const [tapTrouble, setTapTrouble] = useState('');
  const queue = useRef({ last: Promise.resolve(), turn: 0 });
  const lay = (index: number, tap: Snapped) =>
    setTaps((before) => Object.assign([...before], { [index]: tap }).slice(0, count));
  /** of this turn: what was cleared meanwhile, or comes after one that failed, is not laid */
  const laid = async (index: number, find: () => Snapped | Promise<Snapped>, turn: number) => {
    if (turn !== queue.current.turn) return;
    try {
      const tap = await find();
      if (turn === queue.current.turn) lay(index, tap);
    } catch (error) {
      if (turn !== queue.current.turn) return;
      queue.current.turn += 1;
      setTapTrouble(troubleText(error));
      setActive(index);
    }
  };
  return {
    taps,
    active,
    holds,
    tapTrouble,
    choose: setActive,
    setHolds,
    /** a tap on the photo: for the mark that is next, unless said */
    tap: (at: Point, perPx: number, index = Math.min(active, count - 1)) => {
      const looker = eye.current;
      if (!plane || !looker) return;
      // the next tap is for the next mark, however long this one is looked at
      if (index + 1 < count && !taps[index + 1]) setActive(index + 1);
      setTapTrouble('');
      const byHand = { px: at, stray: Math.max(1, 3 * perPx), found: false };
      const find = () => (holds ? looker.tap(plane, at, { mark, perPx }) : byHand);
      const { last, turn } = queue.current;
      queue.current.last = last.then(() => laid(index, find, turn));
    },
    clear: () => {
      queue.current.turn += 1;
      setTaps([]);
      setActive(0);
      setTapTrouble('');
    },
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
