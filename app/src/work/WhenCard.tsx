import type { Machine } from '@green-tally/core/contracts';
import { MARGIN_DAYS, type Standing } from '@green-tally/core/plan';
import { printNumber } from '@green-tally/core/units';
import { Body, Card, Heading, Quiet } from '../ui';
import { dayWords, weekdayWords } from '../yard/words';
import { visitLabour } from './words';

/** When the work must start, and when it would be finished as it stands. */
export function WhenCard({ machine, standing }: { machine: Machine; standing: Standing }) {
  const { hoursOpen, late, mustStartBy, finish, walkState, checksDue } = standing;
  if (hoursOpen === 0) return null;
  return (
    <Card edge={late ? 'rust' : 'line'} testID="dates">
      <Heading>When</Heading>
      <Body testID="must start">
        {`${printNumber(hoursOpen, 2)} h of work, covers opened and positions set once. Must start by `}
        {`${weekdayWords(mustStartBy)}: harvest ${dayWords(machine.harvest.start)}, less `}
        {`${MARGIN_DAYS} days of margin.`}
      </Body>
      <Body>
        {`As it stands, finished ${weekdayWords(finish)}${late ? ': after harvest starts.' : '.'}`}
      </Body>
      {walkState === 'done' ? null : (
        <Quiet>{`${checksDue} checks not walked yet count with their time.`}</Quiet>
      )}
      {standing.labour.minutes > 0 ? (
        <Quiet testID="labour">{`In work: ${visitLabour(standing.labour)}.`}</Quiet>
      ) : null}
    </Card>
  );
}
