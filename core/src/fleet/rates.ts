import type { ClassRate } from '../contracts';
import { fleetSlope, priorFromFleet, type SeenSlope } from '../forecast';
import type { LifeSlope } from './lines';

/**
 * Lives of a class that must be seen before they say more than the sheet. Shop rule: fewer scatter
 * too widely to be told from chance.
 */
export const ENOUGH_LIVES = 8;

/** A machine's lives and where it belongs. */
export interface FleetMember {
  readonly branch: string;
  readonly slopes: readonly Pick<LifeSlope, 'key' | 'slope' | 'se'>[];
}

/**
 * How fast each component class wears by the lives seen over the fleet: those of the own branch
 * where there are enough of them, else those of everywhere. A class with too few lives is left out:
 * its sheet's rate holds.
 */
export function ratesOf(
  fleet: readonly FleetMember[],
  branch: string,
): Readonly<Record<string, ClassRate>> {
  const everywhere = byClass(fleet);
  const here = byClass(fleet.filter((m) => m.branch === branch));
  const rates: Record<string, ClassRate> = {};
  for (const [key, all] of everywhere) {
    const own = here.get(key) ?? [];
    const enough = own.length >= ENOUGH_LIVES;
    const lives = enough ? own : all;
    if (lives.length < ENOUGH_LIVES) continue;
    const { mu, tau } = priorFromFleet(fleetSlope(lives), 0, 1);
    if (mu > 0)
      rates[key] = {
        perHour: mu,
        sd: tau,
        lives: lives.length,
        of: enough ? 'branch' : 'everywhere',
      };
  }
  return rates;
}

function byClass(fleet: readonly FleetMember[]): Map<string, SeenSlope[]> {
  const classes = new Map<string, SeenSlope[]>();
  for (const { slopes } of fleet)
    for (const { key, slope, se } of slopes) {
      const own = classes.get(key);
      if (own) own.push({ slope, se });
      else classes.set(key, [{ slope, se }]);
    }
  return classes;
}
