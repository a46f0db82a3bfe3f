import { useLocalSearchParams, useRouter } from 'expo-router';
import { ScrollView, StyleSheet, View } from 'react-native';
import type { Check, SpecDetail } from '@green-tally/core/contracts';
import { diffSheets } from '@green-tally/core/sheets';
import {
  Card,
  Go,
  Heading,
  HeadRow,
  later,
  Notice,
  Press,
  Quiet,
  Screen,
  SPACE,
  Strong,
  Title,
  useWide,
} from '../ui';
import { dayWords } from '../yard/words';
import { Changes } from './Changes';
import { CheckDetail } from './CheckDetail';
import { CheckList } from './CheckList';
import { DraftCard } from './DraftCard';
import { EquipmentCard } from './EquipmentCard';
import { PagesCard } from './PagesCard';
import { PositionsCard } from './PositionsCard';
import { Revisions } from './Revisions';
import { SchoolsCard } from './SchoolsCard';
import { useEditing, type Editing } from './useEditing';
import { WithSheet } from './WithSheet';
import { checkPath, limitsPath, sheetPath } from './words';

const AddCheck = later(
  'the form',
  async () => (await import('../forms')).AddCheck,
  // as high as what comes: what stands below it does not move from under a finger
  <Press title="Add a check" disabled onPress={() => undefined} small />,
);
// the figures are counted by those alone who may enter them
const FiguresLine = later('the figures', async () => (await import('../forms')).FiguresLine);

/** A model's sheet: its checks by station, and one of them; side by side when wide. */
export function SheetScreen() {
  const { checkId } = useLocalSearchParams<{ checkId?: string }>();
  return (
    <WithSheet>
      {(detail) => (
        <Sheet
          key={`${detail.sheet.model}|${detail.sheet.revision}`}
          detail={detail}
          checkId={checkId}
        />
      )}
    </WithSheet>
  );
}

function Sheet({ detail, checkId }: { detail: SpecDetail; checkId: string | undefined }) {
  const wide = useWide();
  const router = useRouter();
  const editing = useEditing(detail.sheet.model, detail);
  const { sheet } = editing;
  const revision = olderRevision(detail);
  const open = (id: string | undefined) => router.push(checkPath(sheet.model, id, revision));
  const check = sheet.checks.find((c) => c.id === checkId);
  const detailOf = (one: Check) => (
    <CheckDetail key={one.id} detail={detail} editing={editing} check={one} onOpen={open} />
  );
  if (wide) {
    const beside = check ?? sheet.checks[0];
    return (
      <View testID="sheet" style={styles.beside}>
        <ScrollView style={styles.list} contentContainerStyle={styles.content}>
          <AboutSheet detail={detail} editing={editing} chosen={beside?.id} onOpen={open} />
        </ScrollView>
        <ScrollView style={styles.detail} contentContainerStyle={styles.content}>
          {beside ? detailOf(beside) : null}
        </ScrollView>
      </View>
    );
  }
  if (checkId && !check)
    return (
      <Screen title={sheet.model}>
        <Notice
          alone
          title={`${sheet.model} has no check "${checkId}"`}
          text="It may have been removed in this revision."
          action={{ title: 'To the sheet', onPress: () => open(undefined) }}
        />
      </Screen>
    );
  if (check)
    return (
      <Screen testID="sheet" title={`${sheet.model}: ${check.component}`}>
        <HeadRow
          back={{
            to: checkPath(sheet.model, undefined, revision),
            title: `${sheet.maker} ${sheet.model}`,
            label: `Back to ${sheet.model}`,
          }}
        />
        {detailOf(check)}
      </Screen>
    );
  return (
    <Screen testID="sheet" title={`${sheet.maker} ${sheet.model}`}>
      <AboutSheet detail={detail} editing={editing} chosen={undefined} onOpen={open} />
    </Screen>
  );
}

/** The revision to name in an address: only an older one is named. */
const olderRevision = ({ sheet, latest }: SpecDetail): number | undefined =>
  sheet.revision < latest ? sheet.revision : undefined;

interface AboutSheetProps {
  readonly detail: SpecDetail;
  readonly editing: Editing;
  readonly chosen: string | undefined;
  readonly onOpen: (id: string | undefined) => void;
}

/** The sheet itself: its revision, what changed, its draft, and its checks. */
function AboutSheet({ detail, editing, chosen, onOpen }: AboutSheetProps) {
  const { sheet } = editing;
  const { previous, publishedAt, publishedBy } = detail;
  const wide = useWide();
  const router = useRouter();
  const older = olderRevision(detail);
  const { model } = sheet;
  const about = [
    `revision ${detail.sheet.revision}`,
    dayWords(publishedAt.slice(0, 10)),
    publishedBy,
    ...(detail.sheet.remark ? [detail.sheet.remark] : []),
  ];
  return (
    <>
      <HeadRow back={{ to: '/specs', title: 'Specs', label: 'Back to the specs' }}>
        <Press
          title="Compare"
          label={`Compare ${model} with another model`}
          onPress={() => router.push(`/specs/${encodeURIComponent(model)}/compare`)}
          small
        />
        <Press
          title="Export"
          label={`Export ${model} as a file`}
          onPress={() => void globalThis.open?.(exportUrl(detail), '_blank')}
          small
        />
      </HeadRow>
      <Title>{`${sheet.maker} ${model}`}</Title>
      <Quiet>{about.join(' · ')}</Quiet>
      {older === undefined ? null : (
        <Notice
          title={`Revision ${detail.latest} is the newest`}
          text="This one only judges readings taken under it."
          action={{
            title: 'Show the newest',
            onPress: () => router.replace(sheetPath(model)),
          }}
        />
      )}
      {previous && !editing.draft ? (
        <Card testID="since">
          <Heading>{`Changed since revision ${previous.revision}`}</Heading>
          <Changes changes={diffSheets(previous, detail.sheet)} />
        </Card>
      ) : null}
      <DraftCard editing={editing} model={model} />
      {editing.may ? <AddCheck editing={editing} onOpen={onOpen} /> : null}
      {editing.may && wide ? (
        <Press
          title="Write the checks as a table"
          testID="to table"
          onPress={() => router.push(`/specs/${encodeURIComponent(model)}/table`)}
          small
        />
      ) : null}
      <FiguresPart editing={editing} />
      <EquipmentCard editing={editing} />
      <SchoolsCard editing={editing} />
      <PagesCard sheet={sheet} may={editing.may} />
      <PositionsCard editing={editing} />
      <CheckList sheet={sheet} published={detail.sheet} chosen={chosen} revision={older} />
      <Revisions model={model} shown={detail.sheet.revision} />
    </>
  );
}

/** The way to the table of its figures; how many are entered is told to who may enter them. */
function FiguresPart({ editing }: { readonly editing: Editing }) {
  if (editing.may) return <FiguresLine sheet={editing.sheet} />;
  return (
    <Go to={limitsPath(editing.sheet.model)} label="Limits as a table" testID="to limits">
      <Card>
        <Strong>Limits ›</Strong>
        <Quiet>As a table: check, place, new, low, high, limit, unit, page.</Quiet>
      </Card>
    </Go>
  );
}

const exportUrl = ({ sheet: { model, revision } }: SpecDetail): string =>
  `/api/specs/${encodeURIComponent(model)}/file?revision=${revision}`;

const styles = StyleSheet.create({
  beside: { flex: 1, flexDirection: 'row' },
  list: { width: 470, flexGrow: 0 },
  detail: { flex: 1 },
  content: { padding: SPACE.m, gap: SPACE.m },
});
