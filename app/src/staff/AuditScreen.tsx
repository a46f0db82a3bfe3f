import { useState } from 'react';
import { View } from 'react-native';
import { troubleText } from '../store';
import { Card, Notice, Press, Quiet, Strong, TextEntry } from '../ui';
import { SettingsFrame } from '../settings/SettingsFrame';
import { momentWords } from '../yard/words';
import { useAudit } from './hooks';

/** Who changed what, newest first. Readings and walks say themselves who took them. */
export function AuditScreen() {
  const [by, setBy] = useState('');
  const [pages, setPages] = useState<readonly (string | undefined)[]>([undefined]);
  return (
    <SettingsFrame title="Who changed what" testID="audit">
      <Quiet>
        Sheets, machines, plans, work, costs, people, and who signed in. Readings, walks and ticks
        say themselves who took them.
      </Quiet>
      <TextEntry
        label="Only of this person"
        value={by}
        onChange={(text) => {
          setBy(text);
          setPages([undefined]);
        }}
      />
      {pages.map((cursor, i) => (
        <Entries
          key={cursor ?? 'newest'}
          by={by.trim()}
          cursor={cursor}
          last={i === pages.length - 1}
          onMore={(next) => setPages([...pages, next])}
        />
      ))}
    </SettingsFrame>
  );
}

interface EntriesProps {
  readonly by: string;
  readonly cursor: string | undefined;
  readonly last: boolean;
  readonly onMore: (next: string) => void;
}

function Entries({ by, cursor, last, onMore }: EntriesProps) {
  const { data, error, again } = useAudit(by, cursor);
  if (!data)
    return error ? (
      <Notice
        tone="rust"
        title="Not there"
        text={troubleText(error)}
        action={{ title: 'Ask again', onPress: again }}
      />
    ) : (
      <Quiet>Asking.</Quiet>
    );
  if (!data.entries.length)
    return (
      <Notice
        title="Nothing on record"
        text={
          by
            ? `Nobody like “${by}” changed anything.`
            : 'Whatever is changed from now on stands here.'
        }
      />
    );
  const { next } = data;
  return (
    <>
      <Card>
        {data.entries.map((e) => (
          <View key={e.id} testID={`audit ${e.id}`}>
            <Strong>{`${e.what}${e.subject ? `: ${e.subject}` : ''}`}</Strong>
            <Quiet>{`${momentWords(e.at)}, ${e.by}${e.detail ? ` · ${e.detail}` : ''}`}</Quiet>
          </View>
        ))}
      </Card>
      {last && next ? <Press small title="Earlier ones" onPress={() => onMore(next)} /> : null}
    </>
  );
}
