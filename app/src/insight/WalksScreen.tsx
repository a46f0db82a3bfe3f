import { useLocalSearchParams } from 'expo-router';
import { WalkKind } from '@green-tally/core/contracts';
import { WalksPage } from '@green-tally/core/contracts/insight';
import { counted, printNumber } from '@green-tally/core/units';
import { SyncLine } from '../session/SyncLine';
import { troubleText } from '../store';
import { useAnswer } from '../store/hooks';
import { HeadRow, Notice, Quiet, Screen, Title, Waiting } from '../ui';
import { dayWords } from '../yard/words';
import { insightHref, useAsked } from './asked';
import { walkWords } from './classWords';
import { Ranges, type RangeRow } from './Ranges';

/** Walks of a kind, those that found most in an hour first; each leads to its machine. */
export function WalksScreen() {
  const { kind: asked } = useLocalSearchParams<{ kind?: string }>();
  const { of } = useAsked();
  const kind = WalkKind.safeParse(asked).data;
  const { data, error, again } = useAnswer(
    'GET /insight/walks',
    { query: { ...of, ...(kind ? { kind } : {}) } },
    WalksPage,
  );
  if (!data)
    return (
      <Waiting
        what="the walks"
        trouble={error ? troubleText(error) : undefined}
        again={again}
        full
      />
    );
  return (
    <Screen testID="insight walks" title="Insight: walks" full>
      <HeadRow
        back={{
          to: insightHref('/insight', of, { show: 'walks' }),
          title: 'Insight',
          label: 'Back to insight',
        }}
      >
        <SyncLine />
      </HeadRow>
      <Title>{`${walkWords(data.kind)}: what walks found`}</Title>
      {data.walks.length ? (
        <Ranges
          label="Walk"
          heads={['Found', 'Minutes', 'Read']}
          testID="insight each walk"
          rows={data.walks.map((w): RangeRow => {
            const perHour = w.minutes > 0 ? (60 * w.found) / w.minutes : 0;
            return {
              ...{ key: w.id, to: `/machine/${w.machineId}` as const },
              title: `${w.serial}, ${dayWords(w.day)} ${w.day.slice(0, 4)}`,
              ...{ value: perHour, low: 0, high: perHour },
              said: `${w.found}: ${printNumber(perHour, 1)} an hour`,
              range: `${printNumber(w.minutes, 0)} min`,
              by: `${counted(w.read, 'check')} read`,
            };
          })}
        />
      ) : (
        <Notice title="None of this kind" text="No such walk was finished on these machines." />
      )}
      {data.more ? <Quiet>{`${data.more} more are in the CSV.`}</Quiet> : null}
    </Screen>
  );
}
