import { useRouter } from 'expo-router';
import { SyncLine } from '../session/SyncLine';
import { troubleText, useYard } from '../store';
import { Heading, Loading, Notice, Quiet, Row, Screen, Title } from '../ui';
import { MachineRow } from '../yard/MachineRow';

/** Machines to walk: those begun first, then those without a walk, least slack first. */
export function WalkListScreen() {
  const { data: yard, error, again } = useYard();
  const router = useRouter();
  const begun = yard?.rows.filter((r) => r.walk === 'started') ?? [];
  const none = yard?.rows.filter((r) => r.walk === 'none' && r.checks > 0) ?? [];
  const done = yard?.rows.filter((r) => r.walk === 'done') ?? [];
  const group = (title: string, rows: typeof begun) =>
    rows.length ? (
      <>
        <Heading>{title}</Heading>
        {rows.map((r) => (
          <MachineRow
            key={r.machine.id}
            row={r}
            onPress={() => router.push(`/walk/${r.machine.id}`)}
          />
        ))}
      </>
    ) : null;
  return (
    <Screen testID="walk list">
      <Row style={{ justifyContent: 'space-between' }}>
        <Title>Walk</Title>
        <SyncLine />
      </Row>
      {!yard && error ? (
        <Notice
          tone="rust"
          title="The machines cannot be shown"
          text={troubleText(error)}
          action={{ title: 'Try again', onPress: again }}
        />
      ) : null}
      {!yard && !error ? <Loading what="machines" /> : null}
      {yard && begun.length + none.length === 0 ? (
        <Notice
          tone="pine"
          title="Every machine has been walked"
          text="Walk one again below if something changed."
        />
      ) : null}
      {group('Begun', begun)}
      {group('No walk yet', none)}
      {group('Walked', done)}
      {yard ? (
        <Quiet>
          The walk is the same check after check, front to back, with the make-safe gate first.
        </Quiet>
      ) : null}
    </Screen>
  );
}
