import type { DueLine } from '@green-tally/core/contracts';
import { Card, Go, Heading, Quiet, Row, Strong } from '../ui';
import { KIND_WORDS, lineWords, STATE_WORDS, whenWords, whyWords } from './words';

/** A due line of one machine: what, when and why; a tap begins the short walk that does it. */
export function LineCard({
  line,
  machine,
}: {
  line: DueLine;
  machine: { readonly id: string; readonly name?: string };
}) {
  const late = line.state === 'overdue';
  const said = machine.name ? `${machine.name}, ${lineWords(line)}` : lineWords(line);
  return (
    <Go to={wayOf(line, machine.id)} label={said} testID={`due ${line.key}`}>
      <Card edge={late ? 'rust' : 'line'} fill={late ? 'rustTint' : 'card'}>
        <Row apart>
          <Strong>{machine.name ? `${machine.name}: ${line.component}` : line.component}</Strong>
          <Quiet>{KIND_WORDS[line.kind]}</Quiet>
        </Row>
        <Strong tone={late ? 'rust' : 'ink'}>
          {late ? `${STATE_WORDS.overdue}, ${whenWords(line)}` : whenWords(line)}
        </Strong>
        <Quiet>{`${line.what} · ${whyWords(line)}`}</Quiet>
      </Card>
    </Go>
  );
}

/** Where a line is done: its own short walk, the list of tasks, or where it is decided. */
export function wayOf({ kind, checkId }: DueLine, machineId: string) {
  if (kind === 'deferred') return `/work/${machineId}` as const;
  return kind === 'task' || checkId === null
    ? (`/due/${machineId}` as const)
    : (`/walk/${machineId}?only=${checkId}` as const);
}

/** Lines under a heading that says how many. */
export function Group({
  title,
  children,
  count,
}: {
  title: string;
  count: number;
  children: React.ReactNode;
}) {
  return count ? (
    <>
      <Heading>{`${title}: ${count}`}</Heading>
      {children}
    </>
  ) : null;
}
