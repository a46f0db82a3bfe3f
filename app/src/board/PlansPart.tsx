import { useState } from 'react';
import { troubleText } from '../store';
import { usePlans, usePlansDiffer } from './hooks';
import { Body, Card, Chip, Notice, Quiet, Row, SPACE, Strong, Tap } from '../ui';
import { momentWords } from '../yard/words';
import { placingWords } from './words';
import type { Desk } from './useDesk';

/** Plans as they were published: who, when, why, and how each differs from the one before. */
export function PlansPart({ desk }: { desk: Desk }) {
  const { data, error, again } = usePlans();
  const [open, setOpen] = useState<number>();
  if (!data)
    return error ? (
      <Notice
        tone="rust"
        title="Not there"
        text={troubleText(error)}
        action={{ title: 'Ask again', onPress: again }}
      />
    ) : (
      <Quiet>Asking for the plans.</Quiet>
    );
  if (!data.plans.length)
    return (
      <Notice
        title="No plan yet"
        text="The first one that is published stands here, and every one after it."
      />
    );
  return data.plans.map((plan) => (
    <Card key={plan.n} testID={`plan ${plan.n}`}>
      <Tap
        label={`Plan ${plan.n}: what it changed`}
        expanded={open === plan.n}
        onPress={() => setOpen(open === plan.n ? undefined : plan.n)}
      >
        <Strong>{`Plan ${plan.n} · ${momentWords(plan.at)}`}</Strong>
        <Quiet>{`${plan.by}: ${plan.why}`}</Quiet>
        <Quiet>{`${plan.changes} ${plan.changes === 1 ? 'visit' : 'visits'} ${open === plan.n ? '▴' : '▾'}`}</Quiet>
      </Tap>
      {open === plan.n ? (
        <Differs
          desk={desk}
          n={plan.n}
          earlier={data.plans.map((p) => p.n).filter((n) => n < plan.n)}
        />
      ) : null}
    </Card>
  ));
}

interface DiffersProps {
  readonly desk: Desk;
  readonly n: number;
  /** plans before it, newest first */
  readonly earlier: readonly number[];
}

/** So many earlier plans are offered beside the one before. */
const OFFERED = 8;

/** How a plan differs from the one before, or from an earlier one that is chosen. */
function Differs({ desk, n, earlier }: DiffersProps) {
  const [from, setFrom] = useState(n - 1);
  const { data, error } = usePlansDiffer(from, n);
  return (
    <>
      {earlier.length > 1 ? (
        <Row gap={SPACE.s}>
          <Quiet>Against plan</Quiet>
          {earlier.slice(0, OFFERED).map((e) => (
            <Chip
              key={e}
              title={`${e}`}
              label={`Against plan ${e}`}
              on={e === from}
              onPress={() => setFrom(e)}
            />
          ))}
        </Row>
      ) : null}
      {data ? null : <Quiet>{error ? troubleText(error) : 'Asking.'}</Quiet>}
      {data && !data.visits.length ? <Quiet>No visit differs.</Quiet> : null}
      {data?.visits.map(({ id, serial, from: before, to }) => (
        <Body key={id}>
          {`${serial}: ${placingWords(desk.page, to)} (before: ${placingWords(desk.page, before)})`}
        </Body>
      ))}
    </>
  );
}
