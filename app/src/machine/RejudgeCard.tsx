import { useState } from 'react';
import { View } from 'react-native';
import { useSWRConfig } from 'swr';
import type { MachineFile } from '@green-tally/core/contracts';
import { DECISION_WORDS } from '@green-tally/core/verdict';
import { api, troubleText, useRejudge, useSession } from '../store';
import { Card, Heading, Loading, Notice, Press, Quiet, Strong, useOnce } from '../ui';

/** When a newer revision is out than the one a machine's readings were taken under: what judging them anew would change. */
export function RejudgeCard({ file }: { file: MachineFile }) {
  const { data: session } = useSession();
  const { mutate } = useSWRConfig();
  const [model, setModel] = useState<string | undefined>();
  const [trouble, setTrouble] = useState('');
  const behind = file.sheets.filter(
    (s) =>
      file.earlier.some((e) => e.model === s.model) &&
      (file.machine.rejudged?.[s.model] ?? 0) < s.revision &&
      file.readings.some((r) => r.sheet.model === s.model && r.sheet.revision < s.revision),
  );
  const sheet = behind.find((s) => s.model === model);
  const { data, error, isLoading } = useRejudge(file.machine.id, sheet?.model, sheet?.revision);
  const keeps = session?.person?.role === 'planner' || session?.person?.role === 'admin';
  const adopt = useOnce(async () => {
    if (!sheet) return;
    setTrouble('');
    try {
      await api('POST', `/machines/${file.machine.id}/rejudge`, {
        model: sheet.model,
        revision: sheet.revision,
      });
      setModel(undefined);
      await mutate(
        (key) =>
          typeof key === 'string' &&
          (key === '/yard' || key.startsWith(`/machines/${file.machine.id}`)),
      );
    } catch (failure) {
      setTrouble(troubleText(failure));
    }
  });
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
      {sheet && isLoading ? <Loading what="the verdicts" /> : null}
      {sheet && error ? (
        <Notice tone="rust" title="This cannot be shown" text={troubleText(error)} />
      ) : null}
      {sheet && data ? (
        <View style={{ gap: 8 }} testID="rejudged">
          {data.changes.length ? (
            data.changes.map((c) => (
              <View key={c.checkId}>
                <Strong>{`${c.component}: ${c.before ? DECISION_WORDS[c.before] : 'no verdict'} → ${c.after ? DECISION_WORDS[c.after] : 'no longer checked'}`}</Strong>
                <Quiet>{c.reasonAfter || c.reasonBefore}</Quiet>
              </View>
            ))
          ) : (
            <Quiet>Nothing: every verdict stays as it is.</Quiet>
          )}
          {keeps ? (
            <Press
              fill="violet"
              title={`Judge by revision ${sheet.revision} from now on`}
              testID="adopt"
              onPress={() => void adopt()}
              small
            />
          ) : (
            <Quiet>
              A planner decides whether to judge anew. Readings themselves never change.
            </Quiet>
          )}
        </View>
      ) : null}
      {trouble ? <Notice tone="rust" title="Not judged anew" text={trouble} /> : null}
    </Card>
  );
}
