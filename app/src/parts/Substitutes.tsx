import type { PartDemand } from '@green-tally/core/contracts';
import { api, useAction } from '../store';
import { Card, Notice, Press, Quiet, Strong } from '../ui';
import { needWords, substituteWords } from './words';

/**
 * Parts that are short or hold a visit up, and for which another helps: it lies on the shelf, or the
 * visit waits anyway. Taken for one piece of work.
 */
export function Substitutes({
  rows,
  again,
}: {
  readonly rows: readonly PartDemand[];
  readonly again: () => void;
}) {
  const take = useAction(async (workId: string, number: string) => {
    try {
      await api('POST /work/{id}/substitute', { params: { id: workId }, body: { number } });
    } finally {
      again();
    }
  });
  const helped = rows.flatMap((row) =>
    row.needs
      .filter(({ substitute, heldUp, met }) => {
        if (!substitute) return false;
        return heldUp || (met === 'short' && substitute.free >= substitute.quantity);
      })
      .map((need) => ({ row, need })),
  );
  if (!helped.length) return null;
  return (
    <>
      <Strong>Another part may go in its place</Strong>
      {take.trouble ? <Notice tone="rust" title="Not taken" text={take.trouble} /> : null}
      {helped.map(({ row, need }) => (
        <Card
          key={`${need.workId} ${row.number}`}
          testID={`substitute ${need.serial} ${row.number}`}
        >
          <Strong>{`${row.number} ${row.name}`}</Strong>
          <Quiet>{needWords(need)}</Quiet>
          <Quiet>{substituteWords(need)}</Quiet>
          <Press
            small
            title={`Take ${need.substitute?.number ?? ''} instead`}
            label={`Take ${need.substitute?.number ?? ''} instead on ${need.serial}`}
            loading={take.busy}
            onPress={() => void take.run(need.workId, row.number)}
          />
        </Card>
      ))}
    </>
  );
}
