import type { Task } from '@green-tally/core/plan';
import { useTick } from '../store';
import { Card, Heading, Notice, Quiet, Row, TickLine } from '../ui';
import { dayWords } from '../yard/words';

interface TicksProps {
  readonly machineId: string;
  readonly title: string;
  readonly about: string;
  readonly tasks: readonly Task[];
  readonly testID: string;
}

/** Tasks to tick, each with who ticked it and when; a tick can be taken back. */
export function Ticks({ machineId, title, about, tasks, testID }: TicksProps) {
  const tick = useTick(machineId);
  const open = tasks.filter((t) => !t.done).length;
  if (!tasks.length) return null;
  return (
    <Card edge={open ? 'violet' : 'pine'} testID={testID}>
      <Row apart>
        <Heading>{title}</Heading>
        <Quiet>{open ? `${open} of ${tasks.length} open` : 'all done'}</Quiet>
      </Row>
      <Quiet>{about}</Quiet>
      {tick.trouble ? <Notice tone="rust" title="Not kept" text={tick.trouble} /> : null}
      {tasks.map((task) => (
        <TickLine
          key={task.key}
          line={task.text}
          about={aboutTask(task)}
          on={task.done !== undefined}
          testID={`tick ${task.key.split('|').at(-1) ?? ''}`}
          onPress={() => void tick.run(task.key, task.done === undefined)}
        />
      ))}
    </Card>
  );
}

const aboutTask = ({ check, done, since }: Task): string =>
  [
    ...(check
      ? [`after work on ${check.component.toLowerCase()}, ${dayWords(since.slice(0, 10))}`]
      : []),
    ...(done ? [`ticked by ${done.by}, ${dayWords(done.at.slice(0, 10))}`] : []),
  ].join(' · ');
