import { addYears } from 'date-fns/addYears';
import { formatISO } from 'date-fns/formatISO';
import { parseISO } from 'date-fns/parseISO';
import type { Day, Harvest, MachineFile, Walk } from '../contracts';
import { struckIds } from '../history';

/** A machine as it stood when a walk ended. */
export interface AsOf {
  readonly file: MachineFile;
  readonly today: Day;
  readonly walk: Walk;
}

/**
 * A machine as it stood when a walk ended, as far as its facts tell: what was read, accepted and ticked
 * until then, before the harvest that came next. What has been struck since is not told: it was wrong.
 * Header, crop and how it is built are as they are now.
 * @returns undefined for a walk that is not of this machine, or not finished
 */
export function asOfWalk(file: MachineFile, walkId: string): AsOf | undefined {
  const walk = file.walks.find((w) => w.id === walkId);
  const end = walk?.finishedAt;
  if (!walk || !end) return undefined;
  const today = end.slice(0, 10);
  const since = (at: string | null) => at !== null && at > end;
  const struck = struckIds(file.readings);
  return {
    ...{ today, walk },
    file: {
      ...file,
      machine: {
        ...file.machine,
        hours: walk.hours,
        harvest: harvestAfter(file.machine.harvest, today),
      },
      readings: file.readings.filter((r) => !since(r.takenAt) && !struck.has(r.id)),
      walks: file.walks.filter((w) => w.finishedAt !== null && !since(w.finishedAt)),
      work: file.work
        .filter((w) => !since(w.acceptedAt))
        .map((w) => ({
          ...w,
          worked: w.worked.filter((e) => !since(e.at)),
          withdrawnAt: since(w.withdrawnAt) ? null : w.withdrawnAt,
        })),
      ticks: file.ticks.filter((t) => !since(t.at)),
      photos: file.photos.filter((p) => !since(p.takenAt)),
      said: file.said.filter((s) => !since(s.at)),
      visits: file.visits.filter((v) => v.startsOn >= today),
    },
  };
}

const shifted = (day: Day, years: number): Day =>
  formatISO(addYears(parseISO(day), years), { representation: 'date' });

/** The harvest that came after a day: as this year's, in its year. */
function harvestAfter(harvest: Harvest, day: Day): Harvest {
  const years = Number(day.slice(0, 4)) - Number(harvest.end.slice(0, 4));
  const by = shifted(harvest.end, years) >= day ? years : years + 1;
  return { ...harvest, start: shifted(harvest.start, by), end: shifted(harvest.end, by) };
}
