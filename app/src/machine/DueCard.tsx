import { useMemo } from 'react';
import type { MachineFile } from '@green-tally/core/contracts';
import { dueOf, type Standing } from '@green-tally/core/plan';
import { STATE_WORDS, whenWords } from '../due/words';
import { Card, Go, Heading, Quiet, Row, Strong } from '../ui';

/** The nearest few are told on the machine's own page. */
const SHOWN = 3;

/** What falls due next on a machine, and the way to all of it. */
export function DueCard({ file, standing }: { file: MachineFile; standing: Standing }) {
  const lines = useMemo(() => dueOf(file, standing), [file, standing]);
  const late = lines.filter((l) => l.state === 'overdue' || l.state === 'now').length;
  return (
    <Card edge={late ? 'violet' : 'line'} testID="due card">
      <Row apart>
        <Heading>Due</Heading>
        <Quiet>
          {late ? `${late} now, ${lines.length - late} to come` : `${lines.length} to come`}
        </Quiet>
      </Row>
      {lines.slice(0, SHOWN).map((l) => (
        <Quiet key={l.key}>
          {`${l.component}: ${l.state === 'overdue' || l.state === 'now' ? STATE_WORDS[l.state].toLowerCase() : whenWords(l)}`}
        </Quiet>
      ))}
      <Go to={`/due/${file.machine.id}`} label="All that is due on this machine">
        <Strong tone="pine">All that is due ›</Strong>
      </Go>
    </Card>
  );
}
