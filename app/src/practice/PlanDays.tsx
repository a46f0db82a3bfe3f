import { useRouter } from 'expo-router';
import { jobsIn, planTroubles } from '@green-tally/core/practice';
import { useClock } from '../store';
import { Body, Card, Choice, HeadRow, Notice, Press, Quiet, Screen, Strong, Title } from '../ui';
import { CHOICE_WORDS } from './words';
import type { Practising } from './usePractice';

/** The work that was decided, laid on the days there are. */
export function PlanDays({ on }: { on: Practising }) {
  const router = useRouter();
  const clock = useClock();
  const { game, play } = on;
  const { days, hours } = game.spec;
  const jobs = jobsIn(game, play);
  const troubles = planTroubles(game, jobs, play.plan);
  const open = game.sheet.checks.filter((c) => !play.decided[c.id]);
  const on_ = (day: number) =>
    jobs.filter((j) => play.plan[j.checkId] === day).reduce((s, j) => s + j.minutes, 0);
  const done = () => {
    on.finish(clock());
    router.replace('/practice');
  };
  return (
    <Screen
      testID="practice plan"
      title="Plan"
      footer={<Press fill="pine" title="Done: look back" testID="practice done" onPress={done} />}
    >
      <HeadRow back={{ to: '/practice', title: 'Practice', label: 'Back to all checks' }}>
        <Quiet>{`${play.minutes} of ${game.minutes} min`}</Quiet>
      </HeadRow>
      <Title>Plan the work</Title>
      <Body>
        {Array.from(
          { length: days },
          (_, i) => `Day ${i + 1}: ${on_(i + 1)} of ${hours * 60} min`,
        ).join('. ')}
      </Body>
      {troubles.map((t) => (
        <Notice key={t} tone="rust" title="Not like this" text={t} />
      ))}
      {jobs.length ? null : <Body>Nothing was decided that wants a day.</Body>}
      {jobs.map((job) => (
        <Card key={job.checkId} testID={`job ${job.checkId}`}>
          <Strong>
            {`${CHOICE_WORDS[job.choice]}: ${game.sheet.checks.find((c) => c.id === job.checkId)?.component ?? ''}`}
          </Strong>
          <Quiet>{`${job.minutes} min${job.from > 1 ? `; its part is there on day ${job.from}` : ''}`}</Quiet>
          <Choice
            label="When"
            value={`${play.plan[job.checkId] ?? 0}`}
            onChange={(day) => on.plan(job.checkId, Number(day))}
            options={[
              ...Array.from({ length: days }, (_, i) => ({
                value: `${i + 1}`,
                title: `Day ${i + 1}`,
              })),
              { value: '0', title: 'Leave out' },
            ]}
          />
        </Card>
      ))}
      {open.length ? (
        <Notice
          title={
            open.length === 1 ? 'One check is not decided' : `${open.length} checks are not decided`
          }
          text={`${open.map((c) => c.component).join(', ')}. They count as missed.`}
        />
      ) : null}
    </Screen>
  );
}
