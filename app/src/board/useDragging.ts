import { useEffect, useRef, type RefObject } from 'react';

/** Where the mouse is, px of the window. */
export interface Pointer {
  readonly x: number;
  readonly y: number;
}

/** The page's own element behind a view, where there is a page. */
export const element = (view: unknown): HTMLElement | null =>
  typeof HTMLElement !== 'undefined' && view instanceof HTMLElement ? view : null;

/** Nearer than this to the upper or lower edge of what scrolls, it scrolls by itself, px. */
const NEAR = 44;
/** So far each time, px, and so often, ms. */
const STEP = 12;
const EVERY_MS = 30;

/**
 * While something is dragged: tells where it is held, also when what is below it scrolls by itself
 * because it is held near an edge.
 */
export function useDragging(
  dragged: unknown,
  scrolls: RefObject<unknown>,
  at: (pointer: Pointer) => void,
): void {
  const latest = useRef(at);
  useEffect(() => {
    latest.current = at;
  });
  const going = dragged !== undefined;
  useEffect(() => {
    if (!going) return;
    let pointer: Pointer | undefined;
    const moved = ({ clientX: x, clientY: y }: PointerEvent) => {
      pointer = { x, y };
      latest.current(pointer);
    };
    const timer = setInterval(() => {
      const scroller = element(scrolls.current);
      const box = scroller?.getBoundingClientRect();
      if (!scroller || !box || !pointer || pointer.x > box.right) return;
      const before = scroller.scrollTop;
      if (pointer.y > box.bottom - NEAR) scroller.scrollTop += STEP;
      else if (pointer.y < box.top + NEAR) scroller.scrollTop -= STEP;
      if (scroller.scrollTop !== before) latest.current(pointer);
    }, EVERY_MS);
    addEventListener('pointermove', moved);
    return () => {
      clearInterval(timer);
      removeEventListener('pointermove', moved);
    };
  }, [going, scrolls]);
}
