import { StyleSheet } from 'react-native';
import { useRevisions } from '../store';
import { Card, Go, Heading, Quiet, Strong } from '../ui';
import { dayWords } from '../yard/words';
import { sheetPath } from './words';

/** Who changed what: the revisions of a model, newest first, each to be opened. */
export function Revisions({ model, shown }: { model: string; shown: number }) {
  const { data } = useRevisions(model);
  if (!data?.items.length) return null;
  return (
    <Card testID="revisions">
      <Heading>Revisions</Heading>
      {data.items.map(({ revision, publishedAt, publishedBy, remark }) => {
        const here = revision === shown;
        return (
          <Go
            key={revision}
            to={sheetPath(model, revision)}
            label={`Revision ${revision}${here ? ', shown' : ''}`}
            here={here}
            style={styles.revision}
          >
            <Strong>{`${revision}${here ? ' · shown' : ''}`}</Strong>
            <Quiet>
              {`${dayWords(publishedAt.slice(0, 10))} · ${publishedBy} · ${remark || 'no remark'}`}
            </Quiet>
          </Go>
        );
      })}
    </Card>
  );
}

const styles = StyleSheet.create({ revision: { justifyContent: 'center' } });
