import { useRouter } from 'expo-router';
import { View } from 'react-native';
import { useRevisions } from '../store';
import { Card, Heading, Quiet, Strong, Tap } from '../ui';
import { dayWords } from '../yard/words';

/** Who changed what: the revisions of a model, newest first, each to be opened. */
export function Revisions({ model, shown }: { model: string; shown: number }) {
  const { data } = useRevisions(model);
  const router = useRouter();
  if (!data?.items.length) return null;
  return (
    <Card testID="revisions">
      <Heading>Revisions</Heading>
      {data.items.map((r) => (
        <Tap
          key={r.revision}
          role="link"
          label={`Revision ${r.revision}${r.revision === shown ? ', shown' : ''}`}
          onPress={() =>
            router.push(`/specs/${encodeURIComponent(model)}?revision=${r.revision}` as '/specs')
          }
          style={{ justifyContent: 'center' }}
        >
          <View>
            <Strong>{`${r.revision}${r.revision === shown ? ' · shown' : ''}`}</Strong>
            <Quiet>{`${dayWords(r.publishedAt.slice(0, 10))} · ${r.publishedBy} · ${r.remark || 'no remark'}`}</Quiet>
          </View>
        </Tap>
      ))}
    </Card>
  );
}
