import { useState } from 'react';
import { SAFETY } from '@green-tally/core/stand';
import { groupsOf, type WalkStop } from '@green-tally/core/walk';
import { Body, Card, Press, Quiet, Strong, TickLine } from '../ui';
import { standWords } from './PositionBanner';
import type { Standing } from './useStand';

interface WalkStandProps {
  readonly stops: readonly WalkStop[];
  readonly stands: Standing;
}

/** "Header raised on its stops, 7 checks" */
export const groupWords = ({ position, stops }: ReturnType<typeof groupsOf>[number]): string =>
  `${position}, ${stops.length} ${stops.length === 1 ? 'check' : 'checks'}`;

/** How the machine stands in this walk, how it is to stand next, and for how many checks. */
export function WalkStand({ stops, stands }: WalkStandProps) {
  const { stand, facts } = stands;
  const [next, after] = groupsOf(stops, stand?.position);
  if (facts?.run === 'running') return <StopIt stands={stands} />;
  return (
    <Card testID="stands">
      {stand ? (
        <Quiet>{`Stands: ${stand.position} · ${standWords(stand)}`}</Quiet>
      ) : (
        <Quiet>How it stands is not confirmed in this walk yet.</Quiet>
      )}
      {next ? (
        <Strong>
          {next.position === stand?.position
            ? `As it stands: ${next.stops.length} more to read`
            : `Next: ${groupWords(next)}`}
        </Strong>
      ) : null}
      {after ? <Body>{`Then: ${groupWords(after)}`}</Body> : null}
    </Card>
  );
}

/** A machine that was left running is stopped and made safe before anything else. */
function StopIt({ stands }: Pick<WalkStandProps, 'stands'>) {
  const [safe, setSafe] = useState<readonly number[]>([]);
  const { title, lines } = SAFETY.stop;
  const all = safe.length === lines.length;
  return (
    <Card edge="rust" testID="stop it">
      <Strong>{title}</Strong>
      {lines.map((line, i) => (
        <TickLine
          key={line}
          line={line}
          testID={`stop ${i}`}
          on={safe.includes(i)}
          onPress={() => setSafe(safe.includes(i) ? safe.filter((s) => s !== i) : [...safe, i])}
        />
      ))}
      {stands.moved.trouble ? <Strong tone="rust">{stands.moved.trouble}</Strong> : null}
      <Press
        fill="pine"
        title={all ? 'Stopped and made safe' : `Confirm ${lines.length} lines first`}
        testID="stopped"
        disabled={!all}
        loading={stands.moved.busy}
        onPress={() => void stands.moved.run()}
      />
    </Card>
  );
}
