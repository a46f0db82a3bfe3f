import { useLocalSearchParams } from 'expo-router';
import { ClassPage, type InsightOf } from '@green-tally/core/contracts/insight';
import { SyncLine } from '../session/SyncLine';
import { ApiProblem, troubleText } from '../store';
import { useAnswer } from '../store/hooks';
import { HeadRow, Notice, Quiet, Screen, Title, Waiting } from '../ui';
import { insightHref, useAsked } from './asked';
import { className, ofWords } from './classWords';
import { EachMachine, Facts, Lives, Minutes, Where } from './ClassParts';

/** One component class: where it wears out, how long it lives, and the machines it is told from. */
export function ClassScreen() {
  const { key = '' } = useLocalSearchParams<{ key?: string }>();
  const { of } = useAsked();
  const { data, error, again } = useAnswer(
    'GET /insight/classes/{key}',
    { params: { key }, query: of },
    ClassPage,
  );
  if (error instanceof ApiProblem && error.problem.status === 404)
    return (
      <Screen testID="no class" title="Insight">
        <Notice
          alone
          title="None of these machines knows it"
          text={`${className(key)} is on no sheet of theirs, or nothing was read of it yet.`}
        />
      </Screen>
    );
  if (!data)
    return (
      <Waiting
        what="the component class"
        trouble={error ? troubleText(error) : undefined}
        again={again}
        full
      />
    );
  return <Told page={data} of={of} />;
}

function Told({ page, of }: { page: ClassPage; of: InsightOf }) {
  const { key } = page.class;
  return (
    <Screen testID="insight class" title={`Insight: ${className(key)}`} full>
      <HeadRow
        back={{ to: insightHref('/insight', of), title: 'Insight', label: 'Back to insight' }}
      >
        <SyncLine />
      </HeadRow>
      <Title>{className(key)}</Title>
      <Quiet>{ofWords(of, page.machines.length)}</Quiet>
      <Facts page={page} />
      <Where page={page} of={of} />
      <Lives page={page} />
      <Minutes page={page} of={of} />
      <EachMachine page={page} of={of} />
    </Screen>
  );
}
