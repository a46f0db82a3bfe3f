import { useMemo, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import type { SpecDetail } from '@green-tally/core/contracts';
import { limitProgress, limitRows, type LimitRow } from '@green-tally/core/figures';
import {
  Choice,
  HeadRow,
  Notice,
  Quiet,
  Screen,
  SPACE,
  STROKE,
  Strong,
  Title,
  usePalette,
} from '../../ui';
import { DraftCard } from '../DraftCard';
import { FindRow } from '../grid/FindRow';
import { Keeping } from '../grid/Keeping';
import { Stations } from '../grid/Stations';
import { useEditing } from '../useEditing';
import { WithSheet } from '../WithSheet';
import { sheetPath } from '../words';
import { Figures } from './Figures';
import { LimitFile } from './LimitFile';
import { useLimits } from './useLimits';

/** Fill in the limits: the figures of a sheet from the maker's manual, as a fast table. */
export const LimitsScreen = () => (
  <WithSheet>{(detail) => <Filling key={detail.sheet.revision} detail={detail} />}</WithSheet>
);

const SHOWN = [
  { value: 'open', title: 'Not entered' },
  { value: 'all', title: 'All' },
] as const;

function Filling({ detail }: { readonly detail: SpecDetail }) {
  const editing = useEditing(detail.sheet.model, detail);
  const { sheet } = editing;
  const [find, setFind] = useState('');
  const [shown, setShown] = useState<'open' | 'all'>('open');
  const [station, setStation] = useState<number | undefined>();
  // rows stay where they are while they are being filled in
  const [held, setHeld] = useState<ReadonlySet<string>>(() => new Set());
  const [table, setTable] = useState<readonly (readonly string[])[] | undefined>();
  const all = useMemo(() => limitRows(sheet), [sheet]);
  const wanted = find.trim().toLowerCase();
  const matching = all.filter(
    (r) =>
      (wanted === '' || textOf(r).includes(wanted)) &&
      (shown === 'all' || !r.entered || held.has(r.key)),
  );
  const stations = [...new Set(matching.map((r) => r.station))];
  const here = station !== undefined && stations.includes(station) ? station : stations[0];
  const rows = wanted ? matching.slice(0, MOST_FOUND) : matching.filter((r) => r.station === here);
  const limits = useLimits(editing, rows);
  const stationName = (n: number) => sheet.checks.find((c) => c.station === n)?.stationName ?? '';
  const { entered, all: count } = limits.progress;
  return (
    <Screen
      testID="limits"
      title={`Limits of ${sheet.model}`}
      full
      footer={
        editing.may ? (
          <Keeping
            testID="keep limits"
            typedRows={limits.typedRows}
            troubles={limits.troubles.length}
            busy={limits.busy}
            onKeep={limits.keep}
            onForget={limits.forget}
          />
        ) : undefined
      }
    >
      <HeadRow
        back={{ to: sheetPath(sheet.model), title: sheet.model, label: `Back to ${sheet.model}` }}
      />
      <Title>Fill in the limits</Title>
      <Quiet>
        {`${sheet.maker} ${sheet.model}. From the maker’s manual, with its page. A check without its limit takes readings and never holds.`}
      </Quiet>
      <Progress entered={entered} all={count} />
      {editing.may ? null : (
        <Notice title="Only to look at" text="A planner or an admin enters limits." />
      )}
      <DraftCard editing={editing} model={sheet.model} />
      <LimitFile editing={editing} table={table} onTable={setTable} />
      <FindRow find={find} onFind={setFind} hint="component, place, page">
        <Choice label="Rows" options={SHOWN} value={shown} onChange={setShown} />
      </FindRow>
      {wanted ? null : (
        <Stations
          here={here}
          onChoose={setStation}
          stations={stations.map((n) => {
            const done = limitProgress(all.filter((r) => r.station === n));
            return {
              station: n,
              title: `${n} ${stationName(n)} · ${done.entered} of ${done.all}`,
            };
          })}
        />
      )}
      {rows.length ? (
        <Figures
          limits={limits}
          rows={rows}
          onTyped={(row) => setHeld(new Set([...held, row.key]))}
          onTable={setTable}
        />
      ) : (
        <Notice
          tone="pine"
          title={wanted ? `Nothing matches "${find.trim()}"` : 'Every figure is entered'}
          text={
            wanted
              ? 'Find by component, what is read, place or page.'
              : 'Publish the draft, and the machines of this model are judged by it.'
          }
          {...(shown === 'open' && !wanted
            ? { action: { title: 'Show all figures', onPress: () => setShown('all') } }
            : {})}
        />
      )}
    </Screen>
  );
}

/** Rows shown while something is looked for. */
const MOST_FOUND = 80;

const textOf = ({ component, measures, place, cells }: LimitRow): string =>
  [component, measures, place, cells.page].join('\n').toLowerCase();

/** "84 of 131", as a bar with its words. */
function Progress({ entered, all }: { readonly entered: number; readonly all: number }) {
  const palette = usePalette();
  const share = all ? Math.round((100 * entered) / all) : 100;
  return (
    <View
      role="progressbar"
      aria-label={`${entered} of ${all} entered`}
      aria-valuenow={share}
      aria-valuemin={0}
      aria-valuemax={100}
      style={styles.progress}
    >
      <Strong testID="limit progress">{`${entered} of ${all} entered`}</Strong>
      <View style={[styles.track, { borderColor: palette.ink, backgroundColor: palette.card }]}>
        <View style={[styles.bar, { width: `${share}%`, backgroundColor: palette.pine }]} />
      </View>
    </View>
  );
}

const styles = StyleSheet.create({
  progress: { gap: SPACE.xs },
  track: { height: 18, borderWidth: STROKE.thin, borderRadius: 9, overflow: 'hidden' },
  bar: { height: '100%' },
});
