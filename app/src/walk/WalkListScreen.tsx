import type { YardRow } from '@green-tally/core/contracts';
import { SyncLine } from '../session/SyncLine';
import { troubleText, useYard } from '../store';
import { Heading, Notice, Quiet, Row, Screen, Title, useWide, Waiting } from '../ui';
import { MachineRow } from '../yard/MachineRow';
import { MachineTable } from '../yard/MachineTable';

/** Machines to walk: those begun first, then those without a walk, least slack first. */
export function WalkListScreen() {
  const { data: yard, error, again } = useYard();
  if (!yard)
    return (
      <Waiting what="the machines" trouble={error ? troubleText(error) : undefined} again={again} />
    );
  const of = (walk: YardRow['walk']) => yard.rows.filter((r) => r.walk === walk && r.checks > 0);
  const [begun, none, done] = [of('started'), of('none'), of('done')];
  return (
    <Screen testID="walk list" title="Walk" full>
      <Row apart>
        <Title>Walk</Title>
        <SyncLine />
      </Row>
      {begun.length + none.length === 0 ? (
        <Notice
          tone="pine"
          title="Every machine has been walked"
          text="Walk one again below if something changed."
        />
      ) : null}
      <Group title="Begun" rows={begun} />
      <Group title="No walk yet" rows={none} />
      <Group title="Walked" rows={done} />
      <Quiet>
        The walk is the same check after check, front to back, with the make-safe gate first.
      </Quiet>
    </Screen>
  );
}

function Group({ title, rows }: { title: string; rows: readonly YardRow[] }) {
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
    </>
  );
}
