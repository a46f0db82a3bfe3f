import { useRouter } from 'expo-router';
import { useState } from 'react';
import type { Check, SpecDetail } from '@green-tally/core/contracts';
import { Choice, HeadRow, Notice, Quiet, Screen, Title, useWide } from '../../ui';
import { AddCheck } from '../AddCheck';
import { DraftCard } from '../DraftCard';
import { FindRow } from '../grid/FindRow';
import { Keeping } from '../grid/Keeping';
import { Stations } from '../grid/Stations';
import { useEditing } from '../useEditing';
import { WithSheet } from '../WithSheet';
import { sheetPath } from '../words';
import { GROUPS } from './columns';
import { SheetGrid } from './SheetGrid';
import { useSheetTable } from './useSheetTable';

/** All checks of a sheet as a table, to be written by keyboard on a wide screen. */
export const SheetTableScreen = () => (
  <WithSheet>{(detail) => <Writing key={detail.sheet.revision} detail={detail} />}</WithSheet>
);

/** Rows shown while something is looked for. */
const MOST_FOUND = 60;

function Writing({ detail }: { readonly detail: SpecDetail }) {
  const editing = useEditing(detail.sheet.model, detail);
  const { sheet, may } = editing;
  const wide = useWide();
  const router = useRouter();
  const table = useSheetTable(editing);
  const [group, setGroup] = useState<(typeof GROUPS)[number]['value']>('where');
  const [station, setStation] = useState<number | undefined>();
  const [find, setFind] = useState('');
  // a row stays while it is written, whatever is looked for
  const [held, setHeld] = useState<ReadonlySet<string>>(() => new Set());
  const wanted = find.trim().toLowerCase();
  const stations = [...new Map(sheet.checks.map((c) => [c.station, c.stationName]))]
    .sort(([a], [b]) => a - b)
    .map(([n, name]) => ({ station: n, title: `${n} ${name}` }));
  const here = stations.some((s) => s.station === station) ? station : stations[0]?.station;
  const checks = wanted
    ? sheet.checks.filter((c) => held.has(c.id) || textOf(c).includes(wanted)).slice(0, MOST_FOUND)
    : sheet.checks.filter((c) => c.station === here);
  const { columns, title } = GROUPS.find((g) => g.value === group) ?? GROUPS[0];
  return (
    <Screen
      testID="sheet table"
      title={`Checks of ${sheet.model} as a table`}
      full
      footer={
        may && wide ? (
          <Keeping
            testID="keep rows"
            typedRows={table.typedRows}
            troubles={table.troubles.length}
            busy={editing.busy}
            onKeep={table.keep}
            onForget={table.forget}
          />
        ) : undefined
      }
    >
      <HeadRow
        back={{ to: sheetPath(sheet.model), title: sheet.model, label: `Back to ${sheet.model}` }}
      />
      <Title>Write the checks</Title>
      {may ? null : <Notice title="Only to look at" text="A planner or an admin writes sheets." />}
      <DraftCard editing={editing} model={sheet.model} />
      {wide ? (
        <>
          <Quiet>
            Enter and the arrows go down a column; a block from a spreadsheet fills the cells from
            where it is pasted. Figures have a table of their own, all else is in each check’s form.
          </Quiet>
          {may ? <AddCheck editing={editing} onOpen={() => setFind('')} /> : null}
          <FindRow find={find} onFind={setFind} hint="component, position, page">
            <Choice label="Columns" options={GROUPS} value={group} onChange={setGroup} />
          </FindRow>
          {wanted ? null : <Stations stations={stations} here={here} onChoose={setStation} />}
          {group === 'when' ? <Quiet>{OFTEN_WORDS}</Quiet> : null}
          {checks.length ? (
            <SheetGrid
              key={title}
              sheet={sheet}
              table={table}
              checks={checks}
              columns={columns}
              onTyped={(check) => setHeld(new Set([...held, check.id]))}
            />
          ) : (
            <Notice title={`Nothing matches "${find.trim()}"`} text="Try fewer words." />
          )}
        </>
      ) : (
        <Notice
          title="The table wants a wide screen"
          text="On a phone the checks are written one by one, each in its form."
          action={{ title: 'To the checks', onPress: () => router.push(sheetPath(sheet.model)) }}
        />
      )}
    </Screen>
  );
}

const OFTEN_WORDS =
  'How often: Before each harvest, By hours or days, Daily, Per crop, Per header, After each harvest, Into storage, Out of storage, or Once, when new.';

const textOf = ({ component, measures, position, source }: Check): string =>
  [component, measures, position, source].join('\n').toLowerCase();
