import type { Customer, Header, Machine } from '@green-tally/core/contracts';
import { spotOf } from './crew';
import { demoId } from './ids';

/** Headers that stand in a shed: taken on for another crop. */
const IN_SHED = [
  ['H30', 'Merle 10', 'Pell Brothers', 'Upper Larkmoor'],
  ['H36', 'Merle 10', 'Harrow End', 'Upper Larkmoor'],
  ['H42', 'Merle 12', 'Thornmere Estate', 'Upper Larkmoor'],
  ['H46', 'Merle 12', 'Cawdell Grange', 'Upper Larkmoor'],
  ['H10', 'Tarn 7', 'Low Birrow', 'Upper Larkmoor'],
  ['H16', 'Tarn 7', 'Ferry Lees', 'Sedge Ford'],
  ['H59', 'Tarn 5', 'Gull Marsh', 'Sedge Ford'],
  ['H60', 'Tarn 5', 'Hollin Reach', 'Upper Larkmoor'],
] as const;

/** Where the invented farms lie. */
const LANES = ['Mill Lane', 'Low Road', 'Weir Side', 'Church Way', 'Carr Bank', 'Long Drove'];

/** Everybody whose machines are on the books, once in each branch. */
export function customersOf(machines: readonly Machine[]): Customer[] {
  const named = new Map(
    machines.map(({ customer, branch }) => [`${branch}|${customer}`, { customer, branch }]),
  );
  const count = new Map<string, number>();
  const inBranch = (branch: string) => {
    const n = count.get(branch) ?? 0;
    count.set(branch, n + 1);
    return n;
  };
  return [...named.values()].map(({ customer, branch }, i) => ({
    id: demoId(`customer ${branch} ${customer}`),
    name: customer,
    branch,
    place: `${LANES[i % LANES.length] ?? ''} ${3 + ((i * 7) % 40)}`,
    phone: `0100 ${String(210 + i * 3)} ${String(400 + i * 11)}`,
    email: '',
    note: '',
    spot: spotOf(branch, inBranch(branch)),
  }));
}

/** Headers on the machines, and those in a shed. */
export function headersOf(machines: readonly Machine[]): Header[] {
  const on = machines.flatMap(({ header, customer, branch, serial }) =>
    header
      ? [
          {
            id: demoId(`header ${header.serial}`),
            serial: header.serial,
            model: header.model,
            customer,
            branch,
            on: serial,
          },
        ]
      : [],
  );
  const inShed = IN_SHED.map(([serial, model, customer, branch]) => ({
    id: demoId(`header ${serial}`),
    serial,
    model,
    customer,
    branch,
    on: null,
  }));
  return [...on, ...inShed];
}
