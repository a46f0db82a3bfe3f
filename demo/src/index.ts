import {
  SpecSheet,
  type BoardSetting,
  type BranchCosts,
  type Breakdown,
  type Customer,
  type Header,
  type Machine,
  type MachineFile,
  type PartEntry,
  type PartOrder,
  type PartPrice,
  type Reading,
  type Supplier,
  type TechnicianHours,
  type Tick,
  type Visit,
  type Walk,
  type WorkItem,
} from '@green-tally/core/contracts';
import { ratesOf, slopesOf, type FleetMember } from '@green-tally/core/fleet';
import { CLOSING, standingOf, tasksOf } from '@green-tally/core/plan';
import { checksFor } from '@green-tally/core/walk';
import { accepted } from '@green-tally/core/work';
import corrie4 from '../specs/corrie4.json';
import corrie6 from '../specs/corrie6.json';
import merle10 from '../specs/merle10.json';
import merle12 from '../specs/merle12.json';
import ouzel5 from '../specs/ouzel5.json';
import ouzel7 from '../specs/ouzel7.json';
import ouzel9 from '../specs/ouzel9.json';
import tarn5 from '../specs/tarn5.json';
import tarn7 from '../specs/tarn7.json';
import { breakdownsOf } from './breakdowns';
import { costsOf, DEMO_COSTS, pricesOf } from './costs';
import { DEMO_BOARDS, DEMO_HOURS, visitOf } from './crew';
import { demoId } from './ids';
import { DEMO_SUPPLIERS, ordersOf, partsOf, stockOf } from './parts';
import { doneBefore, saidOfWork, workedLately } from './workSaid';
import { historyOf } from './history';
import { customersOf, headersOf } from './books';
import { DEMO_MACHINES, type DemoMachine } from './machines';
import { BRANCHES, DEMO_PEOPLE, type DemoPerson } from './people';

export { DEMO_PASSWORD, DEMO_PEOPLE } from './people';
export { demoId } from './ids';

/** The demo's stated day, a Tuesday. */
export const DEMO_DAY = '2026-06-09';

/** The invented dealership's books on the stated day. */
export interface Scenario {
  readonly today: string;
  readonly branches: readonly string[];
  readonly customers: readonly Customer[];
  /** on a machine, or standing in a shed */
  readonly headers: readonly Header[];
  readonly people: readonly (DemoPerson & { readonly id: string })[];
  readonly machines: readonly Machine[];
  readonly sheets: readonly SpecSheet[];
  readonly walks: readonly Walk[];
  readonly readings: readonly Reading[];
  readonly work: readonly WorkItem[];
  readonly visits: readonly Visit[];
  readonly ticks: readonly Tick[];
  /** each machine as it is on the books */
  readonly files: readonly MachineFile[];
  readonly breakdowns: readonly Breakdown[];
  readonly boards: readonly BoardSetting[];
  readonly hours: readonly TechnicianHours[];
  readonly costs: readonly BranchCosts[];
  readonly prices: readonly PartPrice[];
  readonly suppliers: readonly Supplier[];
  readonly parts: readonly PartEntry[];
  /** by branch and number */
  readonly stock: Readonly<Record<string, Readonly<Record<string, number>>>>;
  readonly orders: readonly PartOrder[];
  /** readings that are still on paper: what the sample file holds */
  readonly onPaper: readonly Reading[];
}

const demoSheets = (): SpecSheet[] =>
  [ouzel5, ouzel7, merle10, tarn7, merle12, corrie4, corrie6, ouzel9, tarn5].map((sheet) =>
    SpecSheet.parse(sheet),
  );

/** What lies on the shelves of the demo's branches. */
export const demoStock = (): Scenario['stock'] => stockOf(demoSheets(), BRANCHES);

/** Each machine with what its meter shows. */
export const demoMeters = (): Pick<Machine, 'serial' | 'model' | 'hours'>[] =>
  DEMO_MACHINES.map(({ serial, model, hours }) => ({ serial, model, hours }));

/** The demo's machines and sheets by themselves: its books, without what was read of them. */
export const demoBooks = (): Pick<Scenario, 'machines' | 'sheets'> => ({
  machines: DEMO_MACHINES.map(machineOf),
  sheets: demoSheets(),
});

const machineOf = (demo: DemoMachine): Machine => ({
  id: demoId(`machine ${demo.serial}`),
  serial: demo.serial,
  model: demo.model,
  customer: demo.customer,
  branch: demo.branch,
  builtOn: demo.builtOn,
  hours: demo.hours,
  header: demo.header,
  ...(demo.equipment ? { equipment: demo.equipment } : {}),
  harvest: {
    crop: demo.crop,
    start: demo.harvest[0],
    end: demo.harvest[1],
    areaHa: demo.areaHa,
    widthM: demo.widthM,
    speedKmh: 6.2,
    efficiency: 0.72,
  },
});

/** Builds the scenario; the same every time. */
export function scenario(): Scenario {
  const sheets = demoSheets();
  const people = DEMO_PEOPLE.map((p) => ({ ...p, id: demoId(`person ${p.signIn}`) }));
  const walked = DEMO_MACHINES.map((demo, i) => {
    const machine = machineOf(demo);
    const { walks, readings } = historyOf(demo, machine, sheets, 1000 + i);
    const file: MachineFile = {
      machine,
      sheets: sheets.filter((s) => [machine.model, machine.header?.model].includes(s.model)),
      earlier: [],
      readings,
      walks,
      work: [],
      visits: [],
      ticks: [],
      photos: [],
      said: [],
      costs: costsOf(machine, sheets),
      rates: {},
      hands: {},
      times: {},
    };
    return { demo, file };
  });
  const fleet = walked.flatMap(({ demo, file }) => (demo.onPaper ? [] : memberOf(file)));
  const built = walked.map(({ demo, file: read }) => {
    const { machine, walks } = read;
    const file: MachineFile = { ...read, rates: ratesOf(fleet, machine.branch) };
    const done = demo.onPaper ? [] : doneBefore(read, DEMO_DAY.slice(0, 4));
    const work: WorkItem[] = demo.accepted
      ? standingOf(file, DEMO_DAY).proposed.map((p) =>
          workedLately(
            demo.serial,
            accepted(p, {
              id: demoId(`work ${demo.serial} ${p.checkId}`),
              machineId: machine.id,
              acceptedBy: 'Rhea Aldane',
              acceptedAt: '2026-06-08T15:40:00.000Z',
            }),
            machine.hours,
          ),
        )
      : [];
    const { hours } = standingOf({ ...file, work }, DEMO_DAY).labour;
    const visits = demo.visit && hours > 0 ? [visitOf(demo.visit, { machine, work, hours })] : [];
    const ticks = [
      ...closedUp(walks, DEMO_DAY),
      ...ticked(file, demo),
      ...saidOfWork(file, DEMO_DAY),
    ];
    return { ...file, work: [...done, ...work], visits, ticks, onPaper: demo.onPaper ?? false };
  });
  const booked = built.filter((b) => !b.onPaper);
  return {
    today: DEMO_DAY,
    branches: BRANCHES,
    people,
    customers: customersOf(built.map((b) => b.machine)),
    headers: headersOf(built.map((b) => b.machine)),
    machines: built.map((b) => b.machine),
    sheets,
    files: built.map(({ onPaper, ...file }) =>
      onPaper ? { ...file, readings: [], walks: [], ticks: [] } : file,
    ),
    breakdowns: breakdownsOf(built.map((b) => b.machine)),
    boards: DEMO_BOARDS,
    hours: DEMO_HOURS,
    costs: DEMO_COSTS,
    prices: pricesOf(sheets),
    suppliers: DEMO_SUPPLIERS,
    parts: partsOf(sheets, pricesOf(sheets)),
    stock: stockOf(sheets, BRANCHES),
    orders: ordersOf(sheets),
    walks: booked.flatMap((b) => b.walks),
    readings: booked.flatMap((b) => b.readings),
    work: built.flatMap((b) => b.work),
    visits: built.flatMap((b) => b.visits),
    ticks: booked.flatMap((b) => b.ticks),
    onPaper: built
      .filter((b) => b.onPaper)
      .flatMap((b) => b.readings.map((r) => ({ ...r, walkId: null }))),
  };
}

const memberOf = ({ machine, sheets, readings }: MachineFile): FleetMember => ({
  branch: machine.branch,
  slopes: slopesOf(checksFor(machine, sheets), readings, {
    serial: machine.header?.serial,
    since: machine.header?.since,
  }),
});

/** What this year's work brought along and was done at once, but for what is still open. */
function ticked(file: MachineFile, { openTasks = [] }: DemoMachine): Tick[] {
  const { machine, sheets, walks } = file;
  const walk = walks.findLast((w) => w.finishedAt?.startsWith(DEMO_DAY.slice(0, 4)));
  if (!walk?.finishedAt) return [];
  const at = walk.finishedAt;
  return tasksOf(file, checksFor(machine, sheets), walk).flatMap(({ key, text }) =>
    key.startsWith('close|') || openTasks.some((words) => text.startsWith(words))
      ? []
      : [
          {
            id: demoId(`tick ${machine.serial} ${key}`),
            machineId: machine.id,
            key,
            done: true,
            at,
            by: walk.by,
            note: '',
            until: null,
            answer: null,
          },
        ],
  );
}

/** Who finished a walk of this year closed the machine up after it. */
const closedUp = (walks: readonly Walk[], today: string): Tick[] =>
  walks.flatMap(({ id, machineId, finishedAt, by }) =>
    finishedAt?.startsWith(today.slice(0, 4))
      ? CLOSING.map((c) => ({
          id: demoId(`tick ${id} ${c.id}`),
          machineId,
          key: `close|${id}|${c.id}`,
          done: true,
          at: finishedAt,
          by,
          note: '',
          until: null,
          answer: null,
        }))
      : [],
  );
