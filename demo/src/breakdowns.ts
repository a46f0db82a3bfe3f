import type { Breakdown, Machine } from '@green-tally/core/contracts';
import { demoId } from './ids';

/** What stopped in earlier harvests: machine, day, hours it had run, component, and how long. */
const STOPPED = [
  [
    'T104',
    '2025-07-09',
    1142,
    'fan-drive-belt',
    'Fan drive belt',
    'cameOff',
    3,
    'Frayed at one edge.',
  ],
  [
    'B027',
    '2025-07-06',
    1690,
    'conveyor-chain-tension',
    'Feeder conveyor chain',
    'broke',
    9.5,
    'Link gave way in wet straw.',
  ],
  ['T090', '2024-07-11', 520, 'elevator-chain', 'Clean-grain elevator chain', 'jammed', 2, ''],
  ['B025', '2025-07-10', 1490, null, 'Unloading auger gearbox', 'ranHot', 6, 'Out of oil.'],
] as const;

/** Breakdowns of the demo, as technicians noted them. */
export const breakdownsOf = (machines: readonly Machine[]): Breakdown[] =>
  STOPPED.flatMap(
    ([serial, day, hours, checkId, component, kind, hoursLost, note]): Breakdown[] => {
      const machine = machines.find((m) => m.serial === serial);
      return machine
        ? [
            {
              id: demoId(`breakdown ${serial} ${day}`),
              machineId: machine.id,
              at: `${day}T13:20:00.000Z`,
              ...{ hours, checkId, component, kind, hoursLost, note },
              by: 'Bram Tolley',
            },
          ]
        : [];
    },
  );
