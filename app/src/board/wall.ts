import type { BoardPage } from '@green-tally/core/contracts';
import { halfDayAt, SLOTS_A_DAY } from '@green-tally/core/crew';

/** Heights, px: of a half day, of a day nobody works, and of such a day that has a name. */
export const HALF = 34;
export const SHUT = 12;
export const NAMED = 30;

/** A day of the wall. */
export interface WallDay {
  readonly day: string;
  /** index of its morning */
  readonly slot: number;
  readonly top: number;
  readonly height: number;
  /** nobody works */
  readonly shut: boolean;
  readonly holiday: string | undefined;
}

/** The wall: days one below the other, drawn low where nobody works. */
export interface Wall {
  readonly days: readonly WallDay[];
  readonly height: number;
}

/**
 * Lays the days out from today on.
 * @param days how many
 * @param worked slots with a visit on them, which are drawn whole whoever works
 */
export function layWall(page: BoardPage, days: number, worked: ReadonlySet<number>): Wall {
  let top = 0;
  const laid = Array.from({ length: Math.min(days, page.slots / SLOTS_A_DAY) }, (_, n): WallDay => {
    const slot = n * SLOTS_A_DAY;
    const { day } = halfDayAt(page.today, slot);
    const halves = [slot, slot + 1];
    const shut = !halves.some((t) => worked.has(t) || page.technicians.some((k) => k.open[t]));
    const holiday = page.setting.holidays.find((h) => h.on === day)?.name;
    const height = shut ? (holiday ? NAMED : SHUT) : SLOTS_A_DAY * HALF;
    const laidOut = { day, slot, top, height, shut, holiday };
    top += height;
    return laidOut;
  });
  return { days: laid, height: top };
}

/** Where a half day begins, px from the top; the end of the wall past it. */
export function topOf({ days, height }: Wall, slot: number): number {
  const day = days[Math.floor(slot / SLOTS_A_DAY)];
  if (!day) return slot < 0 ? 0 : height;
  return day.top + (day.height / SLOTS_A_DAY) * (slot - day.slot);
}

/** The half day at a height. */
export function slotAt({ days }: Wall, y: number): number {
  const day = days.findLast((d) => d.top <= y) ?? days[0];
  if (!day) return 0;
  return day.slot + (y - day.top >= day.height / SLOTS_A_DAY ? 1 : 0);
}

/** A harvest as it stands on the wall. */
export interface HarvestLine {
  readonly crop: string;
  readonly day: string;
  readonly top: number;
}

/** Where each crop's first machine is to be ready. */
export function harvestLines(page: BoardPage, wall: Wall): HarvestLine[] {
  const first = new Map<string, string>();
  for (const { crop, harvest } of page.machines) {
    const known = first.get(crop);
    if (!known || harvest.start < known) first.set(crop, harvest.start);
  }
  return [...first].flatMap(([crop, day]) => {
    const at = wall.days.find((d) => d.day === day);
    return at ? [{ crop, day, top: at.top }] : [];
  });
}

/** How many of the bays are taken on a day, at most. */
export function baysTaken(
  spans: readonly { readonly site: string; readonly first: number; readonly last: number }[],
  slot: number,
): number {
  const at = (t: number) =>
    spans.filter((s) => s.site === 'bay' && s.first <= t && t <= s.last).length;
  return Math.max(at(slot), at(slot + 1));
}
