import type { Page } from '@playwright/test';

/**
 * What lies wrong on the page as it is drawn: words or controls that lie over one another, that
 * reach past the window,
 * or that are cut off by a box that does not scroll. Words for people; empty when all is in order.
 *
 * Looked at are every run of text and every control, each held to the part that the boxes around it
 * leave to be seen.
 */
export function layoutFaults(page: Page): Promise<string[]> {
  return page.evaluate(() => {
    interface Piece {
      readonly element: Element;
      readonly said: string;
      readonly box: DOMRect;
      readonly seen: Box;
    }
    interface Box {
      left: number;
      top: number;
      right: number;
      bottom: number;
    }
    const SLACK = 2;
    const CONTROLS = 'button, a, input, textarea, [role=radio], [role=checkbox], [role=button]';
    const faults: string[] = [];

    interface Around {
      readonly edge: DOMRect;
      readonly scrolls: boolean;
    }
    /** The boxes around an element that leave only a part to be seen; asked once for each. */
    const known = new Map<Element, readonly Around[]>();
    const boxesAround = (element: Element | null): readonly Around[] => {
      if (!element || element === document.body || element === document.documentElement) return [];
      const before = known.get(element);
      if (before) return before;
      const { overflowX, overflowY } = getComputedStyle(element);
      const further = boxesAround(element.parentElement);
      const shows = overflowX === 'visible' && overflowY === 'visible';
      const scrolls = [overflowX, overflowY].some((o) => o === 'auto' || o === 'scroll');
      const all = shows
        ? further
        : [{ edge: element.getBoundingClientRect(), scrolls }, ...further];
      known.set(element, all);
      return all;
    };
    const isHidden = (element: Element) =>
      !element.checkVisibility({ checkOpacity: true, checkVisibilityCSS: true });

    /**
     * What the boxes around leave to be seen of a box; a box that cuts without scrolling is a
     * fault.
     */
    const lookAt = (element: Element, box: DOMRect, said: string): Piece | undefined => {
      const seen: Box = { left: box.left, top: box.top, right: box.right, bottom: box.bottom };
      for (const { edge, scrolls } of boxesAround(element.parentElement)) {
        if (!scrolls && (box.right > edge.right + SLACK || box.bottom > edge.bottom + SLACK))
          faults.push(`cut off: ${said}`);
        seen.left = Math.max(seen.left, edge.left);
        seen.top = Math.max(seen.top, edge.top);
        seen.right = Math.min(seen.right, edge.right);
        seen.bottom = Math.min(seen.bottom, edge.bottom);
      }
      if (seen.right - seen.left < 1 || seen.bottom - seen.top < 1) return undefined;
      if (seen.left < -SLACK || seen.right > innerWidth + SLACK)
        faults.push(`past the window's side: ${said}`);
      return { element, said, box, seen };
    };

    /** Where the letters themselves lie: the line's box without the air above and below them. */
    const inkOf = (range: Range, element: Element): DOMRect => {
      const { x, y, width, height } = range.getBoundingClientRect();
      const air = Math.min(0.2 * parseFloat(getComputedStyle(element).fontSize), height / 4);
      return new DOMRect(x, y + air, width, height - 2 * air);
    };

    const pieces: Piece[] = [];
    const add = (element: Element, box: DOMRect, said: string) => {
      if (box.width < 1 || box.height < 1 || isHidden(element)) return;
      const piece = lookAt(element, box, said);
      if (piece) pieces.push(piece);
    };
    const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
    for (let node = walker.nextNode(); node; node = walker.nextNode()) {
      const element = node.parentElement;
      const text = node.textContent?.trim();
      if (!text || !element || element.closest('svg, script, style, noscript')) continue;
      const range = document.createRange();
      range.selectNodeContents(node);
      add(element, inkOf(range, element), `"${text.slice(0, 40)}"`);
      const wide = element.scrollWidth > element.clientWidth + SLACK;
      if (wide && getComputedStyle(element).overflowX === 'hidden' && element.clientWidth > 0)
        faults.push(`cut off: "${text.slice(0, 40)}"`);
    }
    for (const control of document.querySelectorAll(CONTROLS))
      add(
        control,
        control.getBoundingClientRect(),
        `the control "${control.getAttribute('aria-label') ?? control.textContent?.slice(0, 40)}"`,
      );
    for (const picture of document.querySelectorAll('svg'))
      add(picture, picture.getBoundingClientRect(), 'a drawing');

    const within = (a: Element, b: Element) => a === b || a.contains(b) || b.contains(a);
    /**
     * A drawing, or a row of a table, is there to be pointed at: a control laid over it belongs to
     * it.
     */
    const isPointedAt = (under: Piece, control: Piece) => {
      const row = under.element.closest('[role=row]');
      const frame = under.element.tagName === 'svg' ? (row ?? under.element.parentElement) : row;
      return control.element.matches(CONTROLS) && Boolean(frame?.contains(control.element));
    };
    pieces.forEach((a, i) => {
      for (const b of pieces.slice(i + 1)) {
        // most pairs lie apart: that is the cheapest to see
        const across = Math.min(a.seen.right, b.seen.right) - Math.max(a.seen.left, b.seen.left);
        const down = Math.min(a.seen.bottom, b.seen.bottom) - Math.max(a.seen.top, b.seen.top);
        if (across <= SLACK || down <= SLACK + 2) continue;
        if (within(a.element, b.element) || isPointedAt(a, b) || isPointedAt(b, a)) continue;
        faults.push(`${a.said} lies over ${b.said}`);
      }
    });
    const root = document.scrollingElement;
    if (root && root.scrollWidth > innerWidth + SLACK) faults.push('the page scrolls sideways');
    return [...new Set(faults)];
  });
}
