import type { YardRow } from '@green-tally/core/contracts';
import { SyncLine } from '../session/SyncLine';
import { troubleText, useYard, type YardList } from '../store';
import { Heading, More, Notice, Quiet, Row, Screen, Title, useWide, Waiting } from '../ui';
import { AsOf } from '../yard/AsOf';
import { MachineRow } from '../yard/MachineRow';
import { MachineTable } from '../yard/MachineTable';

/** Machines to walk: those begun first, then those without a walk, least slack first. */
export function WalkListScreen() {
  const begun = useYard({ walk: 'started' });
  const none = useYard({ walk: 'none' });
  const done = useYard({ walk: 'done' });
  const lists = [begun, none, done];
  if (lists.some((l) => !l.yard)) {
    const error = lists.find((l) => l.error)?.error;
    return (
      <Waiting
        what="the machines"
        trouble={error ? troubleText(error) : undefined}
        again={() => lists.forEach((l) => l.again())}
      />
    );
  }
  const toWalk = rowsOf(begun).length + rowsOf(none).length;
  return (
    <Screen testID="walk list" title="Walk" full>
      <Row apart>
        <Title>Walk</Title>
        <SyncLine />
      </Row>
      <AsOf at={none.asOf} />
      {toWalk === 0 ? (
        <Notice
          tone="pine"
          title="Every machine has been walked"
          text="Walk one again below if something changed."
        />
      ) : null}
      <Group title="Begun" list={begun} />
      <Group title="No walk yet" list={none} />
      <Group title="Walked" list={done} />
      <Quiet>
        The walk is the same check after check, front to back, with the make-safe gate first.
      </Quiet>
    </Screen>
  );
}

/** Machines with something to check. */
const rowsOf = ({ yard }: YardList): readonly YardRow[] =>
  (yard?.rows ?? []).filter((r) => r.checks > 0);

function Group({ title, list }: { title: string; list: YardList }) {
  const rows = rowsOf(list);
  const wide = useWide();
  const to = (r: YardRow) => `/walk/${r.machine.id}` as const;
  if (!rows.length) return null;
  return (
    <>
      <Heading>{title}</Heading>
      {wide ? (
        <MachineTable label={title} rows={rows} to={to} />
      ) : (
        rows.map((r) => <MachineRow key={r.machine.id} row={r} to={to(r)} />)
      )}
      <More more={list.more} />
    </>
  );
}
