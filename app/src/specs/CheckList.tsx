import { useEffect, useRef, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import type { Check, SpecSheet } from '@green-tally/core/contracts';
import { KINDS, wantWords } from '@green-tally/core/kinds';
import { useTextDraft } from '../store';
import {
  Card,
  Choice,
  Go,
  Heading,
  Notice,
  Press,
  Quiet,
  RADIUS,
  Row,
  SPACE,
  Strong,
  TextEntry,
  usePalette,
} from '../ui';
import { checkPath } from './words';

interface CheckListProps {
  readonly sheet: SpecSheet;
  readonly published: SpecSheet;
  readonly chosen: string | undefined;
  /** revision in the address, when an older one is looked at */
  readonly revision: number | undefined;
}

const ANY = 'any';
const NO_FILTER = { kind: ANY, position: ANY, interval: ANY };
type Filter = typeof NO_FILTER;

/** The checks by station: searched, and filtered by kind, position and interval. */
export function CheckList({ sheet, published, chosen, revision }: CheckListProps) {
  const [search, setSearch] = useTextDraft(`spec-search|${sheet.model}`);
  const [filtering, setFiltering] = useState(false);
  const [filter, setFilter] = useState<Filter>(NO_FILTER);
  const wanted = search.trim().toLowerCase();
  const shown = sheet.checks.filter(
    (c) => searchText(c, sheet).includes(wanted) && passes(c, filter),
  );
  const stations = [...new Set(shown.map((c) => c.station))].sort((a, b) => a - b);
  const before = new Map(published.checks.map((c) => [c.id, JSON.stringify(c)]));
  const filters = Object.values(filter).filter((f) => f !== ANY).length;
  return (
    <View style={styles.list} testID="check list">
      <TextEntry
        label="Find a check"
        value={search}
        onChange={setSearch}
        hint="belt, oil, LM-5207, slowest"
      />
      <Row>
        <Press
          title={filtering ? 'Hide the filters' : filtersTitle(filters)}
          onPress={() => setFiltering(!filtering)}
          small
        />
        <Quiet>{`${shown.length} of ${sheet.checks.length} checks`}</Quiet>
      </Row>
      {filtering ? <Filters sheet={sheet} filter={filter} onChange={setFilter} /> : null}
      {shown.length === 0 ? (
        <Notice
          title="No check like that"
          text="Try fewer words or filters."
          action={{
            title: 'Show all',
            onPress: () => {
              setSearch('');
              setFilter(NO_FILTER);
            },
          }}
        />
      ) : null}
      {stations.map((station) => {
        const own = shown.filter((c) => c.station === station);
        return (
          <Card key={station}>
            <Heading>{`${station} · ${own[0]?.stationName ?? ''}`}</Heading>
            {own.map((c) => (
              <CheckLink
                key={c.id}
                model={sheet.model}
                check={c}
                chosen={c.id === chosen}
                mark={markOf(c, before.get(c.id))}
                revision={revision}
              />
            ))}
          </Card>
        );
      })}
    </View>
  );
}

const filtersTitle = (filters: number): string => (filters ? `Filters (${filters})` : 'Filters');

/** A check is found by what it is, where it is read, its parts, its oil or grease, and its school. */
function searchText(check: Check, { schools }: Pick<SpecSheet, 'schools'>): string {
  const { id, component, measures, method, position, parts, source } = check;
  const ways = schools.flatMap(({ id: of, subject, options }) =>
    (check.when[of] ?? []).flatMap((way) => [
      subject,
      options.find((o) => o.id === way)?.name ?? '',
    ]),
  );
  return [
    id,
    component,
    measures,
    method,
    position,
    source,
    'product' in check ? check.product : '',
    ...parts.flatMap((p) => [
      p.number,
      p.name,
      p.supersededBy?.number ?? '',
      ...(p.needs ?? []).map((n) => `${n.number} ${n.name}`),
    ]),
    ...ways,
  ]
    .join('\n')
    .toLowerCase();
}

const passes = (c: Check, { kind, position, interval }: Filter): boolean =>
  (kind === ANY || c.kind === kind) &&
  (position === ANY || c.position === position) &&
  (interval === ANY || c.interval.kind === interval);

/** Whether a check differs from the published one. */
function markOf(check: Check, before: string | undefined): '' | 'new' | 'changed' {
  if (before === undefined) return 'new';
  return before === JSON.stringify(check) ? '' : 'changed';
}

const OFTEN: Readonly<Record<Check['interval']['kind'], string>> = {
  every: 'By hours or days',
  daily: 'Daily',
  perCrop: 'Per crop',
  perHeader: 'Per header',
  season: 'Before harvest',
  afterHarvest: 'After harvest',
  storageIn: 'Into storage',
  storageOut: 'Out of storage',
  once: 'Once, when new',
};

interface FiltersProps {
  readonly sheet: SpecSheet;
  readonly filter: Filter;
  readonly onChange: (filter: Filter) => void;
}

function Filters({ sheet, filter, onChange }: FiltersProps) {
  const options = (named: readonly (readonly [value: string, title: string])[]) => [
    { value: ANY, title: 'Any' },
    ...[...new Map(named)].map(([value, title]) => ({ value, title })),
  ];
  const { checks } = sheet;
  return (
    <Card>
      <Choice
        label="Kind"
        value={filter.kind}
        onChange={(kind) => onChange({ ...filter, kind })}
        options={options(checks.map((c) => [c.kind, KINDS[c.kind].name]))}
      />
      <Choice
        label="How often"
        value={filter.interval}
        onChange={(interval) => onChange({ ...filter, interval })}
        options={options(checks.map((c) => [c.interval.kind, OFTEN[c.interval.kind]]))}
      />
      <Choice
        label="Position"
        value={filter.position}
        onChange={(position) => onChange({ ...filter, position })}
        options={options(checks.map((c) => [c.position, c.position]))}
      />
    </Card>
  );
}

interface CheckLinkProps {
  readonly model: string;
  readonly check: Check;
  readonly chosen: boolean;
  readonly mark: '' | 'new' | 'changed';
  readonly revision: number | undefined;
}

function CheckLink({ model, check, chosen, mark, revision }: CheckLinkProps) {
  const palette = usePalette();
  const line = useRef<View>(null);
  useEffect(() => {
    const target: unknown = line.current;
    if (chosen && typeof HTMLElement !== 'undefined' && target instanceof HTMLElement)
      target.scrollIntoView({ block: 'nearest' });
  }, [chosen]);
  return (
    <View ref={line}>
      <Go
        testID={`check ${check.id}`}
        to={checkPath(model, check.id, revision)}
        label={`${check.component}, ${check.measures}`}
        here={chosen}
        style={[
          styles.link,
          {
            borderColor: chosen ? palette.pine : 'transparent',
            backgroundColor: chosen ? palette.pineTint : 'transparent',
          },
        ]}
      >
        <View style={styles.row}>
          <View style={styles.name}>
            <Strong>{check.component}</Strong>
            <Quiet>{`${check.measures}: ${wantWords(check)}`}</Quiet>
          </View>
          <View style={styles.kind}>
            <Quiet>{KINDS[check.kind].name}</Quiet>
            {mark ? <Strong tone="violet">{mark}</Strong> : null}
          </View>
        </View>
      </Go>
    </View>
  );
}

const styles = StyleSheet.create({
  list: { gap: SPACE.m },
  link: {
    borderLeftWidth: 6,
    borderRadius: RADIUS.s,
    paddingLeft: SPACE.s,
    paddingVertical: SPACE.xs,
    justifyContent: 'center',
  },
  row: { flexDirection: 'row', justifyContent: 'space-between', gap: SPACE.s },
  name: { flex: 1 },
  kind: { alignItems: 'flex-end' },
});
