import type { Href } from 'expo-router';
import type { YardRow } from '@green-tally/core/contracts';
import { DecisionCounts, Quiet, Strong, Table, type Column } from '../ui';
import {
  chanceWords,
  dayWords,
  machineName,
  nextWords,
  rowWords,
  slackWords,
  walkWords,
} from './words';

interface MachineTableProps {
  readonly label: string;
  readonly rows: readonly YardRow[];
  readonly to: (row: YardRow) => Href;
}

const COLUMNS: readonly Column<YardRow>[] = [
  {
    key: 'slack',
    title: 'Slack',
    flex: 1.2,
    by: (r) => r.slack,
    cell: (r) => {
      const { figure, words } = slackWords(r.slack);
      return <Strong tone={r.late ? 'rust' : 'ink'}>{`${figure} ${words}`}</Strong>;
    },
  },
  {
    key: 'machine',
    title: 'Machine',
    flex: 1.2,
    by: (r) => r.machine.serial,
    cell: (r) => <Strong>{machineName(r.machine)}</Strong>,
  },
  {
    key: 'customer',
    title: 'Customer',
    flex: 1.2,
    by: (r) => r.machine.customer,
    cell: (r) => <Quiet>{r.machine.customer}</Quiet>,
  },
  {
    key: 'harvest',
    title: 'Harvest',
    flex: 1.4,
    by: (r) => r.machine.harvest.start,
    cell: (r) => <Quiet>{`${r.machine.harvest.crop} ${dayWords(r.machine.harvest.start)}`}</Quiet>,
  },
  { key: 'walk', title: 'Walk', flex: 1, cell: (r) => <Quiet>{walkWords(r)}</Quiet> },
  {
    key: 'decisions',
    title: 'Decisions',
    flex: 2.4,
    cell: (r) => <DecisionCounts counts={r.counts} />,
  },
  {
    key: 'chance',
    title: 'Work in time',
    flex: 1,
    by: (r) => r.chance ?? 2,
    cell: (r) => <Quiet>{r.chance === null ? 'not planned' : chanceWords(r.chance)}</Quiet>,
  },
  { key: 'next', title: 'What now', flex: 2, cell: (r) => <Strong>{nextWords(r)}</Strong> },
];

/** Machines as a table, for a wide screen. */
export function MachineTable({ label, rows, to }: MachineTableProps) {
  return (
    <Table
      label={label}
      rows={rows}
      columns={COLUMNS}
      keyOf={(r) => r.machine.id}
      to={to}
      said={rowWords}
      testID={(r) => `machine ${r.machine.serial}`}
    />
  );
}
