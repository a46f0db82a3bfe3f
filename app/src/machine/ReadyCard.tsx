import type { Href } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import type { MissingStep } from '@green-tally/core/contracts';
import type { Standing } from '@green-tally/core/plan';
import { counted } from '@green-tally/core/units';
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

/** What is missing, as something to do. */
export const missingWords = ({ id, count }: Pick<MissingStep, 'id' | 'count'>): string =>
  MISSING[id](count);

const MISSING: Readonly<Record<MissingStep['id'], (n: number) => string>> = {
  noSheet: () => 'Bring in the spec sheet of this model',
  startWalk: (n) => (n ? `Walk it: ${counted(n, 'check')} to read` : 'Walk it and close it up'),
  resumeWalk: (n) =>
    n ? `Go on with the walk: ${counted(n, 'check')} to read` : 'Finish the walk that was begun',
  readRest: (n) => `Read ${counted(n, 'check')} that ${n === 1 ? 'is' : 'are'} left`,
  enterLimits: (n) =>
    `Enter what ${counted(n, 'check')} ${n === 1 ? 'is' : 'are'} judged by, from the maker’s manual`,
  remeasure: (n) => `Measure ${counted(n, 'check')} again`,
  acceptSkips: (n) => `${counted(n, 'skip')} to accept, or measure`,
  acceptWork: (n) => `Accept ${counted(n, 'decision')} into work, or leave with a reason`,
  planVisit: (n) => `Plan a visit for ${counted(n, 'item')} of work`,
  doWork: (n) => `Do ${counted(n, 'item')} of work and read as left`,
  tasks: (n) => `Tick ${counted(n, 'task')}`,
  closeUp: (n) => `Close the machine up: ${counted(n, 'step')}`,
};

/** So many components are named below a step. */
const NAMED = 3;

function named({ checks, id }: MissingStep, { verdicts }: Standing): string {
  if (id === 'startWalk' || id === 'resumeWalk' || id === 'enterLimits') return '';
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
  enterLimits: () => '/specs',
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
