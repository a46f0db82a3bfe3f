import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { useSWRConfig } from 'swr';
import type { MachineFile, RejudgeAnswer, SpecSheet } from '@green-tally/core/contracts';
import { mayDo } from '@green-tally/core/rights';
import { DECISION_WORDS } from '@green-tally/core/verdict';
import { api, listsChanged, troubleText, useAction, useRejudge, useSession } from '../store';
import { Card, Heading, Notice, Press, Quiet, Skeleton, SPACE, Strong } from '../ui';

/**
 * When a newer revision is out than the one a machine's readings were taken under: what judging
 * them anew would change.
 */
export function RejudgeCard({ file }: { file: MachineFile }) {
  const [model, setModel] = useState<string | undefined>();
  const behind = file.sheets.filter((s) => isBehind(file, s));
  const sheet = behind.find((s) => s.model === model);
  if (!behind.length) return null;
  return (
    <Card edge="violet" testID="rejudge">
      <Heading>Judged by an earlier revision</Heading>
      {behind.map((s) => (
        <Press
          key={s.model}
          title={`What would ${s.model} revision ${s.revision} change?`}
          onPress={() => setModel(model === s.model ? undefined : s.model)}
          small
        />
      ))}
      {sheet ? (
        <Rejudged machineId={file.machine.id} sheet={sheet} onAdopted={() => setModel(undefined)} />
      ) : null}
    </Card>
  );
}

/**
 * Whether readings were taken under an older revision than the newest, and nobody has judged them
 * anew.
 */
const isBehind = ({ earlier, machine, readings }: MachineFile, s: SpecSheet): boolean =>
  earlier.some((e) => e.model === s.model) &&
  (machine.rejudged?.[s.model] ?? 0) < s.revision &&
  readings.some((r) => r.sheet.model === s.model && r.sheet.revision < s.revision);

interface RejudgedProps {
  readonly machineId: string;
  readonly sheet: SpecSheet;
  readonly onAdopted: () => void;
}

function Rejudged({ machineId, sheet, onAdopted }: RejudgedProps) {
  const { model, revision } = sheet;
  const { data: session } = useSession();
  const { mutate } = useSWRConfig();
  const { data, error } = useRejudge(machineId, model, revision);
  const adopt = useAction(async () => {
    await api('POST /machines/{id}/rejudge', {
      params: { id: machineId },
      body: { model, revision },
    });
    onAdopted();
    await mutate((key) => typeof key === 'string' && key.startsWith(`/machines/${machineId}`));
    listsChanged();
  });
  if (error) return <Notice tone="rust" title="This cannot be shown" text={troubleText(error)} />;
  if (!data) return <Skeleton what="the verdicts" />;
  const mayAdopt = session?.person && mayDo(session.person.role, 'keepSheets');
  return (
    <View style={styles.rejudged} testID="rejudged">
      {data.changes.map((c) => (
        <View key={c.checkId}>
          <Strong>{changeWords(c)}</Strong>
          <Quiet>{c.reasonAfter || c.reasonBefore}</Quiet>
        </View>
      ))}
      {data.changes.length ? null : <Quiet>Nothing: every verdict stays as it is.</Quiet>}
      {mayAdopt ? (
        <Press
          fill="violet"
          title={`Judge by revision ${revision} from now on`}
          testID="adopt"
          loading={adopt.busy}
          onPress={() => void adopt.run()}
          small
        />
      ) : (
        <Quiet>A planner decides whether to judge anew. Readings themselves never change.</Quiet>
      )}
      {adopt.trouble ? <Notice tone="rust" title="Not judged anew" text={adopt.trouble} /> : null}
    </View>
  );
}

function changeWords({ component, before, after }: RejudgeAnswer['changes'][number]): string {
  const was = before ? DECISION_WORDS[before] : 'no verdict';
  const is = after ? DECISION_WORDS[after] : 'no longer checked';
  return `${component}: ${was} → ${is}`;
}

const styles = StyleSheet.create({ rejudged: { gap: SPACE.s } });
