import { KINDS, wantWords } from '@green-tally/core/kinds';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { useEffect, useState } from 'react';
import { ScrollView, View } from 'react-native';
import type { Check, SpecDetail, SpecSheet } from '@green-tally/core/contracts';
import { diffSheets } from '@green-tally/core/sheets';
import { troubleText, useDraft, useSpec } from '../store';
import {
  Card,
  Choice,
  Heading,
  Loading,
  Notice,
  Press,
  Quiet,
  Row,
  Screen,
  Strong,
  Tap,
  Title,
  usePalette,
  useWide,
} from '../ui';
import { TextEntry } from '../walk/TextEntry';
import { dayWords } from '../yard/words';
import { AddCheck } from './AddCheck';
import { Changes } from './Changes';
import { CheckForm } from './CheckForm';
import { CheckPage } from './CheckPage';
import { DraftCard } from './DraftCard';
import { Revisions } from './Revisions';
import { useEditing, type Editing } from './useEditing';

/** A model's sheet: its checks by station, and one of them; side by side when wide. */
export function SheetScreen() {
  const {
    model = '',
    checkId,
    revision,
  } = useLocalSearchParams<{ model: string; checkId?: string; revision?: string }>();
  const { data, error, isLoading, again } = useSpec(model, revision);
  if (!data)
    return (
      <Screen>
        {isLoading ? (
          <Loading what={`the sheet of ${model}`} />
        ) : (
          <Notice
            tone="rust"
            title={`There is no sheet to show for ${model}`}
            text={troubleText(error)}
            action={{ title: 'Try again', onPress: again }}
          />
        )}
      </Screen>
    );
  return (
    <Sheet key={`${data.sheet.model}|${data.sheet.revision}`} detail={data} checkId={checkId} />
  );
}

function Sheet({ detail, checkId }: { detail: SpecDetail; checkId: string | undefined }) {
  const wide = useWide();
  const router = useRouter();
  const editing = useEditing(detail.sheet.model, detail);
  const { sheet } = editing;
  const old = detail.sheet.revision < detail.latest;
  const query = old ? `?revision=${detail.sheet.revision}` : '';
  const open = (id: string | undefined) =>
    router.push(
      `/specs/${encodeURIComponent(sheet.model)}${id ? `/${id}` : ''}${query}` as '/specs',
    );
  const check = sheet.checks.find((c) => c.id === checkId) ?? (wide ? sheet.checks[0] : undefined);
  const list = (
    <>
      <Row style={{ justifyContent: 'space-between' }}>
        <Tap
          label="Back to the specs"
          onPress={() => router.replace('/specs')}
          style={{ justifyContent: 'center' }}
        >
          <Strong>‹ Specs</Strong>
        </Tap>
        <Press
          title="Export"
          label={`Export ${sheet.model} as a file`}
          onPress={() =>
            void globalThis.open?.(
              `/api/specs/${encodeURIComponent(sheet.model)}/file?revision=${detail.sheet.revision}`,
              '_blank',
            )
          }
          small
        />
      </Row>
      <Title>{`${sheet.maker} ${sheet.model}`}</Title>
      <Quiet>{`revision ${detail.sheet.revision} · ${dayWords(detail.publishedAt.slice(0, 10))} · ${detail.publishedBy}${detail.sheet.remark ? ` · ${detail.sheet.remark}` : ''}`}</Quiet>
      {old ? (
        <Notice
          title={`Revision ${detail.latest} is the newest`}
          text="This one only judges readings taken under it."
          action={{
            title: 'Show the newest',
            onPress: () => router.replace(`/specs/${encodeURIComponent(sheet.model)}`),
          }}
        />
      ) : null}
      {detail.previous && !editing.draft ? (
        <Card testID="since">
          <Heading>{`Changed since revision ${detail.previous.revision}`}</Heading>
          <Changes changes={diffSheets(detail.previous, detail.sheet)} />
        </Card>
      ) : null}
      <DraftCard editing={editing} model={sheet.model} />
      {editing.may ? <AddCheck editing={editing} onOpen={open} /> : null}
      <CheckList
        sheet={sheet}
        published={detail.sheet}
        chosen={wide ? check?.id : undefined}
        onChoose={open}
      />
      <Revisions model={sheet.model} shown={detail.sheet.revision} />
    </>
  );
  const detailOf = (one: Check) => (
    <CheckDetail key={one.id} detail={detail} editing={editing} check={one} onOpen={open} />
  );
  if (wide) {
    return (
      <View testID="sheet" style={{ flex: 1, flexDirection: 'row' }}>
        <ScrollView
          style={{ width: 470, flexGrow: 0 }}
          contentContainerStyle={{ padding: 14, gap: 12 }}
        >
          {list}
        </ScrollView>
        <ScrollView
          style={{ flex: 1 }}
          contentContainerStyle={{ padding: 14, gap: 12, maxWidth: 800 }}
        >
          {check ? detailOf(check) : null}
        </ScrollView>
      </View>
    );
  }
  if (checkId && !check)
    return (
      <Screen>
        <Notice
          title={`${sheet.model} has no check "${checkId}"`}
          text="It may have been removed in this revision."
          action={{ title: 'To the sheet', onPress: () => open(undefined) }}
        />
      </Screen>
    );
  if (check && checkId)
    return (
      <Screen testID="sheet">
        <Tap
          label={`Back to ${sheet.model}`}
          onPress={() => open(undefined)}
          style={{ justifyContent: 'center' }}
        >
          <Strong>{`‹ ${sheet.maker} ${sheet.model}`}</Strong>
        </Tap>
        {detailOf(check)}
      </Screen>
    );
  return <Screen testID="sheet">{list}</Screen>;
}

interface CheckListProps {
  readonly sheet: SpecSheet;
  readonly published: SpecSheet;
  readonly chosen: string | undefined;
  readonly onChoose: (id: string) => void;
}

const ALL = 'all';

/** The checks by station: searched, and filtered by kind, position and interval. */
function CheckList({ sheet, published, chosen, onChoose }: CheckListProps) {
  const palette = usePalette();
  const [search, setSearch] = useDraft(`spec-search|${sheet.model}`);
  const [filtering, setFiltering] = useState(false);
  const [kind, setKind] = useState(ALL);
  const [position, setPosition] = useState(ALL);
  const [interval, setInterval] = useState(ALL);
  const wanted = search.trim().toLowerCase();
  const shown = sheet.checks.filter(
    (c) =>
      (!wanted ||
        `${c.id} ${c.component} ${c.measures} ${c.method} ${c.parts.map((p) => `${p.number} ${p.name}`).join(' ')}`
          .toLowerCase()
          .includes(wanted)) &&
      (kind === ALL || c.kind === kind) &&
      (position === ALL || c.position === position) &&
      (interval === ALL || c.interval.kind === interval),
  );
  useEffect(() => {
    if (chosen && typeof document !== 'undefined')
      document
        .querySelector(`[data-testid="check ${chosen}"]`)
        ?.scrollIntoView({ block: 'nearest' });
  }, [chosen]);
  const stations = [...new Set(shown.map((c) => c.station))].sort((a, b) => a - b);
  const changedSince = new Map(published.checks.map((c) => [c.id, JSON.stringify(c)]));
  const filters = [kind, position, interval].filter((f) => f !== ALL).length;
  const options = (values: readonly string[], words: (v: string) => string) => [
    { value: ALL, title: 'Any' },
    ...[...new Set(values)].map((value) => ({ value, title: words(value) })),
  ];
  return (
    <View style={{ gap: 10 }} testID="check list">
      <TextEntry
        label="Find a check"
        value={search}
        onChange={setSearch}
        hint="belt, gap, LM-5207"
      />
      <Row>
        <Press
          title={filtering ? 'Hide the filters' : filters ? `Filters (${filters})` : 'Filters'}
          onPress={() => setFiltering(!filtering)}
          small
        />
        <Quiet>{`${shown.length} of ${sheet.checks.length} checks`}</Quiet>
      </Row>
      {filtering ? (
        <Card>
          <Choice
            label="Kind"
            value={kind}
            onChange={setKind}
            options={options(
              sheet.checks.map((c) => c.kind),
              (v) => KINDS[v as Check['kind']].name,
            )}
          />
          <Choice
            label="How often"
            value={interval}
            onChange={setInterval}
            options={options(
              sheet.checks.map((c) => c.interval.kind),
              (v) =>
                ({
                  every: 'By hours or days',
                  daily: 'Daily',
                  perCrop: 'Per crop',
                  season: 'Before harvest',
                })[v] ?? v,
            )}
          />
          <Choice
            label="Position"
            value={position}
            onChange={setPosition}
            options={options(
              sheet.checks.map((c) => c.position),
              (v) => v,
            )}
          />
        </Card>
      ) : null}
      {shown.length === 0 ? (
        <Notice
          title="No check like that"
          text="Try fewer words or filters."
          action={{
            title: 'Show all',
            onPress: () => {
              setSearch('');
              setKind(ALL);
              setPosition(ALL);
              setInterval(ALL);
            },
          }}
        />
      ) : null}
      {stations.map((station) => {
        const own = shown.filter((c) => c.station === station);
        return (
          <Card key={station}>
            <Heading>{`${station} · ${own[0]?.stationName ?? ''}`}</Heading>
            {own.map((c) => {
              const before = changedSince.get(c.id);
              const mark =
                before === undefined ? 'new' : before === JSON.stringify(c) ? '' : 'changed';
              return (
                <Tap
                  key={c.id}
                  testID={`check ${c.id}`}
                  role="link"
                  label={`${c.component}, ${c.measures}`}
                  onPress={() => onChoose(c.id)}
                  style={{
                    borderLeftWidth: 6,
                    borderColor: chosen === c.id ? palette.pine : 'transparent',
                    paddingLeft: 8,
                    paddingVertical: 4,
                    justifyContent: 'center',
                    backgroundColor: chosen === c.id ? palette.pineTint : 'transparent',
                    borderRadius: 6,
                  }}
                >
                  <Row style={{ justifyContent: 'space-between', flexWrap: 'nowrap' }}>
                    <View style={{ flex: 1 }}>
                      <Strong>{c.component}</Strong>
                      <Quiet>{`${c.measures}: ${wantWords(c)}`}</Quiet>
                    </View>
                    <View style={{ alignItems: 'flex-end' }}>
                      <Quiet>{KINDS[c.kind].name}</Quiet>
                      {mark ? <Strong tone="violet">{mark}</Strong> : null}
                    </View>
                  </Row>
                </Tap>
              );
            })}
          </Card>
        );
      })}
    </View>
  );
}

interface CheckDetailProps {
  readonly detail: SpecDetail;
  readonly editing: Editing;
  readonly check: Check;
  readonly onOpen: (id: string | undefined) => void;
}

/** One check to look at; a planner may change it, copy it, move it or take it out. */
function CheckDetail({ detail, editing, check, onOpen }: CheckDetailProps) {
  const { sheet, keep, busy, may } = editing;
  const [form] = useDraft(`check-form|${sheet.model}|${check.id}`);
  const [changing, setChanging] = useState(form !== '');
  const [sure, setSure] = useState(false);
  const index = sheet.checks.findIndex((c) => c.id === check.id);
  const base = editing.draft ? detail.sheet : detail.previous;
  const near = (step: number) => {
    const other = sheet.checks[index + step];
    return other?.station === check.station ? index + step : -1;
  };
  const move = async (step: number) => {
    const to = near(step);
    if (to < 0) return;
    const checks = [...sheet.checks];
    checks.splice(to, 0, ...checks.splice(index, 1));
    await keep({ ...sheet, checks });
  };
  const copy = async () => {
    const ids = new Set(sheet.checks.map((c) => c.id));
    const stem = check.id.replace(/-copy(-\d+)?$/, '').slice(0, 50);
    const id =
      [`${stem}-copy`, ...Array.from({ length: 98 }, (_, i) => `${stem}-copy-${i + 2}`)].find(
        (i) => !ids.has(i),
      ) ?? `${stem}-copy-99`;
    const twin = { ...check, id, component: `${check.component} (copy)`.slice(0, 120) };
    if (
      await keep({
        ...sheet,
        checks: [...sheet.checks.slice(0, index + 1), twin, ...sheet.checks.slice(index + 1)],
      })
    )
      onOpen(id);
  };
  const remove = async () => {
    if (!sure) return setSure(true);
    const without = sheet.checks
      .filter((c) => c.id !== check.id)
      .map((c) => ({
        ...c,
        knockOns: c.knockOns.filter((k) => !('check' in k && k.check === check.id)),
        pairs: c.pairs.filter((p) => p.check !== check.id),
      }));
    if (await keep({ ...sheet, checks: without })) onOpen(undefined);
  };
  if (may && changing)
    return (
      <CheckForm
        sheet={sheet}
        check={check}
        busy={busy}
        onKeep={(changed) =>
          keep({ ...sheet, checks: sheet.checks.map((c) => (c.id === check.id ? changed : c)) })
        }
        onDone={() => setChanging(false)}
      />
    );
  return (
    <>
      {may ? (
        <Row gap={8}>
          <Press
            fill="pine"
            title="Change it"
            testID="change check"
            onPress={() => setChanging(true)}
            small
          />
          <Press
            title="Copy"
            testID="copy check"
            disabled={busy}
            onPress={() => void copy()}
            small
          />
          <Press
            title="Up"
            label="Move it up in its station"
            disabled={busy || near(-1) < 0}
            onPress={() => void move(-1)}
            small
          />
          <Press
            title="Down"
            label="Move it down in its station"
            disabled={busy || near(1) < 0}
            onPress={() => void move(1)}
            small
          />
          <Press
            {...(sure ? { fill: 'rust' as const } : {})}
            title={sure ? 'Tap again: take it out' : 'Take out'}
            disabled={busy}
            onPress={() => void remove()}
            small
          />
        </Row>
      ) : null}
      <CheckPage
        sheet={sheet}
        check={check}
        before={base?.checks.find((c) => c.id === check.id)}
        beforeRevision={base?.revision}
      />
      {may ? null : (
        <Quiet>
          {detail.sheet.revision < detail.latest
            ? 'An older revision is kept as it was.'
            : 'Planners change sheets.'}
        </Quiet>
      )}
    </>
  );
}
