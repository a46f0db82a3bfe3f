import { CheckUnit, QUANTITY_UNITS, type MeasuredCheck } from '@green-tally/core/contracts';
import { atPlace, limitWords } from '@green-tally/core/kinds';
import { saidOf } from '@green-tally/core/earlier';
import { Schematic } from '../../schematics/Schematic';
import { Press, Quiet, useWide } from '../../ui';
import { Pad } from '../../ui/Pad';
import type { EntryProps } from '../entries';
import { ToolCard } from '../tools/ToolCard';
import { ChallengeCard } from './ChallengeCard';
import { groupBySides } from './sides';
import { SeriesGrid } from './SeriesGrid';
import { useSeries, type Series } from './useSeries';

/** Up to so many rows there is room for the drawing above them. */
const FEW_ROWS = 4;

/**
 * The same measure at many places in one pass, then the travel left at each; what falls out of the
 * family is challenged.
 */
export function SeriesEntry(props: EntryProps<MeasuredCheck>) {
  const { check, places, frame } = props;
  const series = useSeries(props);
  const here = atPlace(check, series.place);
  const grid = groupBySides(places);
  const travel =
    series.pass === 'travel' && check.takeUp
      ? ` · now the travel left at each tightener, of ${check.takeUp.total} mm`
      : '';
  const body = (
    <>
      {grid.rows.length <= FEW_ROWS ? <Schematic check={here} /> : null}
      <Quiet>{`${limitWords(here, here, 1)}${travel}`}</Quiet>
      <ToolCard check={check} hand={series.hand} />
      <SeriesGrid check={check} grid={grid} series={series} />
    </>
  );
  const footer = series.challenge ? (
    <ChallengeCard
      check={check}
      challenge={series.challenge}
      onRetake={series.retake}
      onKeep={() => void series.keep()}
    />
  ) : (
    <SeriesPad check={check} series={series} />
  );
  return <>{frame(body, footer)}</>;
}

function SeriesPad({ check, series }: { check: MeasuredCheck; series: Series }) {
  const wide = useWide();
  const { place, pass, same, wrong } = series;
  const label = `${place}${pass === 'travel' ? ', travel left' : ''}`;
  return (
    <>
      <Pad
        label={wrong ? `${label}: what is typed strikes ${saidOf(check, wrong)}` : label}
        labelID="series place"
        text={series.text}
        unit={series.unit}
        units={QUANTITY_UNITS[check.quantity]}
        onText={series.type}
        onUnit={(unit) => series.setUnit(CheckUnit.parse(unit))}
        onEnter={() => void series.next()}
        trouble={series.trouble}
        autoFocus={wide}
        extras={[
          {
            title: 'same',
            label:
              same === undefined ? 'same as the one before' : `same as the one before, ${same}`,
            onPress: () => void series.takeSame(),
            disabled: same === undefined,
          },
          {
            title: 'skip',
            label: `skip ${place}: out of reach`,
            onPress: () => void series.skip(),
          },
        ]}
      />
      <Press fill="pine" title="Next" testID="key next" onPress={() => void series.next()} />
    </>
  );
}
