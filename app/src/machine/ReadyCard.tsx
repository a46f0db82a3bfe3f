import type { Href } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import type { MissingStep } from '@green-tally/core/contracts';
import type { Standing } from '@green-tally/core/plan';
import { Card, Go, Heading, Notice, Quiet, Row, SPACE, Strong } from '../ui';

interface ReadyCardProps {
  readonly machineId: string;
  readonly standing: Standing;
}

/** Whether a machine is ready for harvest; and if not, what is missing, in the order to do it. */
export function ReadyCard({ machineId, standing }: ReadyCardProps) {
  const { missing, ready } = standing;
  if (ready)
    return (
      <Notice
        tone="pine"
        testID="ready"
        title="Ready for harvest"
        text="Everything of this season’s walk was read, work is closed, tasks are ticked and the machine was closed up."
      />
    );
  return (
    <Card edge="violet" testID="not ready">
      <Heading>Not ready yet</Heading>
      <Quiet>What is missing, in the order to do it:</Quiet>
      {missing.map((step, i) => (
        <Go
          key={step.id}
          to={wayOf(step, machineId)}
          label={`${i + 1}. ${missingWords(step)}`}
          testID={`missing ${step.id}`}
        >
          <Row>
            <Strong>{`${i + 1}.`}</Strong>
            <View style={styles.step}>
              <Strong tone="pine">{`${missingWords(step)} ›`}</Strong>
              {named(step, standing) ? <Quiet>{named(step, standing)}</Quiet> : null}
            </View>
          </Row>
        </Go>
      ))}
    </Card>
  );
}

const plural = (n: number, one: string, many = `${one}s`): string => `${n} ${n === 1 ? one : many}`;

/** What is missing, as something to do. */
export function missingWords({ id, count }: Pick<MissingStep, 'id' | 'count'>): string {
  switch (id) {
    case 'noSheet':
      return 'Bring in the spec sheet of this model';
    case 'startWalk':
      return count ? `Walk it: ${plural(count, 'check')} to read` : 'Walk it and close it up';
    case 'resumeWalk':
      return count
        ? `Go on with the walk: ${plural(count, 'check')} to read`
        : 'Finish the walk that was begun';
    case 'readRest':
      return `Read ${plural(count, 'check')} that ${count === 1 ? 'is' : 'are'} left`;
    case 'remeasure':
      return `Measure ${plural(count, 'check')} again`;
    case 'acceptSkips':
      return `${plural(count, 'skip')} to accept, or measure`;
    case 'acceptWork':
      return `Accept ${plural(count, 'decision')} into work, or leave with a reason`;
    case 'planVisit':
      return `Plan a visit for ${plural(count, 'item')} of work`;
    case 'doWork':
      return `Do ${plural(count, 'item')} of work and read as left`;
    case 'tasks':
      return `Tick ${plural(count, 'task')}`;
    case 'closeUp':
      return `Close the machine up: ${plural(count, 'step')}`;
  }
}

/** So many components are named below a step. */
const NAMED = 3;

function named({ checks, id }: MissingStep, { verdicts }: Standing): string {
  if (id === 'startWalk' || id === 'resumeWalk') return '';
  const names = checks.flatMap(
    (c) => verdicts.find((v) => v.check.id === c)?.check.component ?? [],
  );
  if (!names.length) return '';
  const more = checks.length - Math.min(NAMED, names.length);
  return `${names.slice(0, NAMED).join(', ')}${more > 0 ? ` and ${more} more` : ''}`;
}

const WAYS: Readonly<Record<MissingStep['id'], (machineId: string) => Href>> = {
  noSheet: () => '/specs',
  startWalk: (id) => `/walk/${id}`,
  resumeWalk: (id) => `/walk/${id}`,
  readRest: (id) => `/walk/${id}?only=rest`,
  remeasure: (id) => `/walk/${id}?only=remeasure`,
  acceptSkips: (id) => `/due/${id}`,
  acceptWork: (id) => `/work/${id}`,
  planVisit: (id) => `/work/${id}`,
  doWork: (id) => `/work/${id}`,
  tasks: (id) => `/due/${id}`,
  closeUp: (id) => `/due/${id}`,
};

const wayOf = ({ id }: MissingStep, machineId: string): Href => WAYS[id](machineId);

const styles = StyleSheet.create({ step: { flex: 1, paddingVertical: SPACE.xs } });
