import { useState } from 'react';
import { troubleText } from '../store';
import { usePlans, usePlansDiffer } from './hooks';
import { Body, Card, Notice, Quiet, Strong, Tap } from '../ui';
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
      {open === plan.n ? <Differs desk={desk} n={plan.n} /> : null}
    </Card>
  ));
}

function Differs({ desk, n }: { desk: Desk; n: number }) {
  const { data, error } = usePlansDiffer(n - 1, n);
  if (!data) return <Quiet>{error ? troubleText(error) : 'Asking.'}</Quiet>;
  return data.visits.map(({ id, serial, from, to }) => (
    <Body key={id}>
      {`${serial}: ${placingWords(desk.page, to)} (before: ${placingWords(desk.page, from)})`}
    </Body>
  ));
}
