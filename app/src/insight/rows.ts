import type { InsightClass, InsightOf, InsightPage } from '@green-tally/core/contracts/insight';
import { printHours, printNumber } from '@green-tally/core/units';
import { insightHref } from './asked';
import { className, machineWords, rateWords, untilWords, walkWords } from './classWords';
import type { RangeRow } from './Ranges';

/** What is asked of the machines. */
export type Show = 'wear' | 'lives' | 'stops' | 'minutes' | 'forecasts' | 'walks';

const toClass = (key: string, of: InsightOf) =>
  insightHref(`/insight/${encodeURIComponent(key)}`, of);
const lives = (n: number): string => `${n} ${n === 1 ? 'life' : 'lives'}`;

/** How fast each class wears, uses up its travel, or drifts; the fastest first. */
export const wearRows = (page: InsightPage): RangeRow[] =>
  page.classes
    .flatMap((c) => [
      ...rateRow(page.of, c, 'wear', ''),
      ...rateRow(page.of, c, 'travel', ', take-up'),
      ...rateRow(page.of, c, 'drift', ', setting'),
    ])
    .sort((a, b) => b.value - a.value);

function rateRow(
  of: InsightOf,
  { key, ...c }: InsightClass,
  line: 'wear' | 'travel' | 'drift',
  suffix: string,
): RangeRow[] {
  const rate = c[line];
  if (!rate) return [];
  const { value, low, high } = rate;
  return [
    {
      ...{ key: `${key} ${line}`, title: `${className(key)}${suffix}`, to: toClass(key, of) },
      ...{ value, low: Math.max(0, low), high, said: rateWords(value) },
      range: `${rateWords(Math.max(0, low))} to ${rateWords(high)}`,
      by: [untilWords(value), machineWords(rate.machines), lives(rate.lives)]
        .filter(Boolean)
        .join(' · '),
    },
  ];
}

/** How long parts run until they are renewed; what lives shortest first, what is not known last. */
export const lifeRows = ({ of, classes }: InsightPage): RangeRow[] =>
  classes
    .flatMap(({ key, life }): RangeRow[] => {
      if (!life?.ended) return [];
      const { median, low, high, ended, worn } = life;
      const till = high === null ? 'not known' : printHours(high);
      return [
        {
          ...{ key, title: className(key), to: toClass(key, of), value: median ?? 0 },
          ...{ low: low ?? median ?? 0, high: high ?? (median === null ? 0 : Infinity) },
          none: median === null,
          said: median === null ? 'more than half run still' : printHours(median),
          range: low === null ? '' : `${printHours(low)} to ${till}`,
          by: `${ended} of ${lives(life.lives)} ended${worn === null ? '' : ` · renewed ${printNumber(100 * worn, 0)} % worn`}`,
        },
      ];
    })
    .sort((a, b) => (a.value || Infinity) - (b.value || Infinity));

/** What stopped machines in harvest, and for how long. */
export const stopRows = ({ of, classes }: InsightPage): RangeRow[] =>
  classes
    .filter((c) => c.stops > 0)
    .map(({ key, stops, hoursLost }) => ({
      ...{ key, title: className(key), to: toClass(key, of) },
      ...{ value: hoursLost, low: 0, high: hoursLost },
      ...{
        said: printHours(hoursLost),
        range: `${stops} ${stops === 1 ? 'stop' : 'stops'}`,
        by: '',
      },
    }));

/** What jobs took against the sheet, the worst told first. */
export const minuteRows = ({ of, classes }: InsightPage): RangeRow[] =>
  classes
    .flatMap(({ key, minutes }): RangeRow[] => {
      if (!minutes) return [];
      const { value, low, high, jobs } = minutes;
      return [
        {
          ...{ key, title: className(key), to: toClass(key, of), value, low, high },
          said: `${printNumber(value, 2)} × the sheet’s`,
          range: `${printNumber(low, 2)} to ${printNumber(high, 2)}`,
          by: `${jobs} ${jobs === 1 ? 'job' : 'jobs'}`,
        },
      ];
    })
    .sort((a, b) => b.value - a.value);

/** What came to its limit in harvest against what had been said, class by class. */
export const forecastRows = ({ of, classes }: InsightPage): RangeRow[] =>
  classes
    .filter((c) => c.forecast.n > 0)
    .map(({ key, forecast: { n, happened, said } }) => ({
      ...{ key, title: className(key), to: toClass(key, of) },
      ...{ value: happened, low: Math.min(happened, said), high: Math.max(happened, said) },
      against: said,
      said: `${happened} of ${n}`,
      range: `${printNumber(said, 1)} said`,
      by: '',
    }))
    .sort((a, b) => b.high - b.low - (a.high - a.low));

/** The same, branch by branch, with how good it was. */
export const branchRows = ({ of, forecasts }: InsightPage): RangeRow[] =>
  forecasts.map(({ branch, score }) => ({
    ...{
      key: branch,
      title: branch,
      to: insightHref('/insight', { ...of, branch }, { show: 'forecasts' }),
    },
    ...{ value: score.happened, low: Math.min(score.happened, score.said) },
    ...{ high: Math.max(score.happened, score.said), against: score.said },
    said: `${score.happened} of ${score.n}`,
    range: `${printNumber(score.said, 1)} said`,
    by:
      score.brier === null || score.base === null
        ? 'none has come out yet'
        : `Brier score ${printNumber(score.brier, 3)}, the average’s ${printNumber(score.base, 3)}`,
  }));

/** What walks of a kind found in an hour. */
export const walkRows = ({ of, walks }: InsightPage): RangeRow[] =>
  walks.map((w) => ({
    ...{ key: w.kind ?? 'none', title: walkWords(w.kind) },
    to: insightHref('/insight/walks', of, { kind: w.kind ?? undefined }),
    ...{ value: w.value, low: w.low, high: w.high, said: `${printNumber(w.value, 2)} an hour` },
    range: `${printNumber(w.low, 2)} to ${printNumber(w.high, 2)}`,
    by: `${w.found} found, ${w.read} read, ${printHours(w.hours)} · ${w.walks} ${w.walks === 1 ? 'walk' : 'walks'}`,
  }));
