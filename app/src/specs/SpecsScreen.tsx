import { StyleSheet, View } from 'react-native';
import type { SpecSummary } from '@green-tally/core/contracts';
import { mayDo } from '@green-tally/core/rights';
import { troubleText, useSession, useSpecModels } from '../store';
import {
  Card,
  Go,
  Heading,
  later,
  Notice,
  Quiet,
  Row,
  Screen,
  SPACE,
  Strong,
  Table,
  Title,
  useWide,
  Waiting,
  type Column,
} from '../ui';
import { dayWords } from '../yard/words';
import { sheetPath } from './words';

const NewSheet = later('the new sheet', async () => (await import('../forms')).NewSheet);
const ImportSheet = later('the import', async () => (await import('../forms')).ImportSheet);

/** Specs: a sheet for each model, and the way in for new ones. */
export function SpecsScreen() {
  const { data, error, again } = useSpecModels();
  const { data: session } = useSession();
  const wide = useWide();
  if (!data)
    return (
      <Waiting what="the specs" trouble={error ? troubleText(error) : undefined} again={again} />
    );
  const keeps = session?.person ? mayDo(session.person.role, 'keepSheets') : false;
  return (
    <Screen testID="specs" title="Specs" full>
      <Title>Specs</Title>
      <Quiet>
        What is checked on each model, how, and where the limits lie. A reading stays judged by the
        revision it was taken under.
      </Quiet>
      {data.items.length ? null : (
        <Notice
          title="No spec sheet yet"
          text={
            keeps
              ? 'Begin one below from a starter, or import a file.'
              : 'A planner makes them here.'
          }
        />
      )}
      {(['combine', 'header'] as const).map((kind) => {
        const own = data.items.filter((i) => i.machine === kind);
        if (!own.length) return null;
        const title = kind === 'combine' ? 'Combines' : 'Headers';
        return (
          <View key={kind} style={styles.group}>
            <Heading>{title}</Heading>
            {wide ? (
              <Table
                label={title}
                rows={own}
                columns={COLUMNS}
                keyOf={(i) => i.model}
                to={(i) => sheetPath(i.model)}
                said={said}
                testID={(i) => `spec ${i.model}`}
              />
            ) : (
              own.map((item) => <SpecCard key={item.model} item={item} keeps={keeps} />)
            )}
          </View>
        );
      })}
      {keeps ? <NewSheet /> : null}
      {keeps ? <ImportSheet /> : null}
    </Screen>
  );
}

const said = ({ maker, model, revision, checks }: SpecSummary): string =>
  `${maker} ${model}, revision ${revision}, ${checks} checks`;

const lacksFigures = ({ figures }: SpecSummary): boolean => figures.entered < figures.all;

const figureWords = ({ figures }: SpecSummary): string => `${figures.entered} of ${figures.all}`;

const draftWords = ({ draft }: SpecSummary): string =>
  draft ? `Draft open, last saved by ${draft.by}` : '';

const COLUMNS: readonly Column<SpecSummary>[] = [
  {
    key: 'model',
    title: 'Model',
    flex: 2,
    by: (i) => i.model,
    cell: (i) => <Strong>{`${i.maker} ${i.model}`}</Strong>,
  },
  {
    key: 'checks',
    title: 'Checks',
    flex: 1,
    by: (i) => i.checks,
    cell: (i) => <Strong>{String(i.checks)}</Strong>,
  },
  {
    key: 'figures',
    title: 'Limits',
    flex: 1.5,
    by: (i) => i.figures.entered / Math.max(1, i.figures.all),
    cell: (i) => <Strong tone={lacksFigures(i) ? 'rust' : 'ink'}>{figureWords(i)}</Strong>,
  },
  {
    key: 'revision',
    title: 'Revision',
    flex: 1,
    by: (i) => i.revision,
    cell: (i) => <Strong>{String(i.revision)}</Strong>,
  },
  {
    key: 'published',
    title: 'Published',
    flex: 2,
    by: (i) => i.publishedAt,
    cell: (i) => <Quiet>{`${dayWords(i.publishedAt.slice(0, 10))} · ${i.publishedBy}`}</Quiet>,
  },
  { key: 'remark', title: 'Remark', flex: 4, cell: (i) => <Quiet>{i.remark}</Quiet> },
  {
    key: 'draft',
    title: 'Draft',
    flex: 2,
    cell: (i) => <Strong tone="violet">{draftWords(i)}</Strong>,
  },
];

function SpecCard({ item, keeps }: { item: SpecSummary; keeps: boolean }) {
  const draft = keeps ? draftWords(item) : '';
  return (
    <Go testID={`spec ${item.model}`} label={said(item)} to={sheetPath(item.model)}>
      <Card edge={draft ? 'violet' : 'line'}>
        <Row apart>
          <Heading>{`${item.maker} ${item.model}`}</Heading>
          <Strong>{`${item.checks} checks`}</Strong>
        </Row>
        <Quiet>
          {`revision ${item.revision} · ${dayWords(item.publishedAt.slice(0, 10))} · ${item.publishedBy}`}
        </Quiet>
        {lacksFigures(item) ? (
          <Strong tone="rust">{`Limits: ${figureWords(item)} entered`}</Strong>
        ) : null}
        {item.remark ? <Quiet>{item.remark}</Quiet> : null}
        {draft ? <Strong tone="violet">{draft}</Strong> : null}
      </Card>
    </Go>
  );
}

const styles = StyleSheet.create({ group: { gap: SPACE.s } });
