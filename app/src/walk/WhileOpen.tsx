import { StyleSheet } from 'react-native';
import type { Check, MachineFile, Walk } from '@green-tally/core/contracts';
import { checksFor, whileOpen, type Beside, type WalkStop } from '@green-tally/core/walk';
import { put, useAction } from '../store';
import { Card, Go, Heading, Press, Quiet, Row, Strong } from '../ui';

interface WhileOpenProps {
  readonly file: MachineFile;
  readonly walk: Walk;
  readonly check: Check;
  readonly stops: readonly WalkStop[];
}

/** So many are offered at once. */
const MOST = 5;

/**
 * What else can be taken while this check is at hand: what lies behind the same cover, and its mates.
 * One that the walk leaves out is taken along by a tap.
 */
export function WhileOpen({ file, walk, check, stops }: WhileOpenProps) {
  const { machine, sheets } = file;
  const found = whileOpen(check, checksFor(machine, sheets), stops);
  const take = useAction(async ({ check: { id } }: Beside) => {
    if (!walk.checks) return;
    await put([{ kind: 'walk', body: { ...walk, checks: [...walk.checks, id] } }]);
  });
  if (!found.length) return null;
  const cover = check.labour.cover?.name;
  return (
    <Card testID="while open">
      <Heading>{cover ? `While ${lower(cover)} is open` : 'While you are at it'}</Heading>
      {found.slice(0, MOST).map((beside) => (
        <Row key={beside.check.id} apart>
          <Go
            to={`/walk/${machine.id}/${beside.check.id}`}
            label={`${beside.check.component}, ${whyWords(beside)}`}
            style={styles.grows}
          >
            <Strong tone="pine">{beside.check.component}</Strong>
            <Quiet>{whyWords(beside)}</Quiet>
          </Go>
          {beside.inWalk ? null : (
            <Press
              title="Take it along"
              label={`Take it along: ${beside.check.component}`}
              loading={take.busy}
              onPress={() => void take.run(beside)}
              small
            />
          )}
        </Row>
      ))}
      {found.length > MOST ? <Quiet>{`and ${found.length - MOST} more behind it`}</Quiet> : null}
      {take.trouble ? <Strong tone="rust">{take.trouble}</Strong> : null}
    </Card>
  );
}

const lower = (name: string): string => name.charAt(0).toLowerCase() + name.slice(1);

const whyWords = ({ as, why, check, inWalk }: Beside): string =>
  [as === 'mate' ? why : check.measures, ...(inWalk ? [] : ['not in this walk'])].join(' · ');

const styles = StyleSheet.create({ grows: { flex: 1 } });
