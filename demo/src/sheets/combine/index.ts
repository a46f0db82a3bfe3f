import { positionsOf } from '../positions';
import { sharingClasses, type SheetInput } from '../build';
import { schoolsOf } from '../schools';
import { arrive } from './arrive';
import { feederFace } from './feederFace';
import { conveyorTension } from './conveyorTension';
import { conveyorWear } from './conveyorWear';
import { feederDrum } from './feederDrum';
import { feederHouse } from './feederHouse';
import { feederDrive } from './feederDrive';
import { threshing } from './threshing';
import { cleaning } from './cleaning';
import { elevators } from './elevators';
import { beltDrives } from './beltDrives';
import { rotorDrive } from './rotorDrive';
import { engineSide } from './engineSide';
import { residue } from './residue';
import { unloading } from './unloading';
import { lubrication } from './lubrication';
import { beginCombine, type CombineModel } from './model';
import {
  ANY,
  DOWN,
  DRAWN_IN,
  FAR,
  FAST,
  FEEDER_UP,
  LEVEL,
  LOWERED,
  ROTOR_SLOW,
  RUN_SLOW,
  RUNNING,
  SHIELDS,
  SLOW,
  UNDERNEATH,
  WARM,
} from './positions';

export type { CombineModel } from './model';

const LIMITS_OVERRIDE = 'The made-up numbers of this book; the maker’s manual goes before them.';

/** A combine's whole sheet, front to back. */
export function combineSheet(m: CombineModel): SheetInput {
  const combine = beginCombine(m);
  arrive(combine);
  feederFace(combine);
  conveyorTension(combine);
  conveyorWear(combine);
  feederHouse(combine);
  feederDrum(combine);
  feederDrive(combine);
  threshing(combine);
  cleaning(combine);
  elevators(combine);
  beltDrives(combine);
  rotorDrive(combine);
  engineSide(combine);
  residue(combine);
  unloading(combine);
  lubrication(combine);
  return {
    model: m.model,
    maker: m.maker,
    machine: 'combine',
    revision: 1,
    remark: `First whole sheet. ${LIMITS_OVERRIDE}`,
    equipment: equipmentOf(m),
    schools: schoolsOf(m.follows),
    moves: {
      usual: 2,
      table: [
        { from: LEVEL, to: FEEDER_UP, minutes: 8 },
        { from: FEEDER_UP, to: LEVEL, minutes: 8 },
        { from: DOWN, to: FEEDER_UP, minutes: 10 },
        { from: FEEDER_UP, to: DOWN, minutes: 10 },
        { from: DOWN, to: LEVEL, minutes: 5 },
        { from: LEVEL, to: DOWN, minutes: 5 },
        { from: LEVEL, to: LOWERED, minutes: 4 },
        { from: LOWERED, to: LEVEL, minutes: 6 },
        { from: LOWERED, to: DRAWN_IN, minutes: 2 },
        { from: FEEDER_UP, to: UNDERNEATH, minutes: 1 },
        { from: UNDERNEATH, to: FEEDER_UP, minutes: 1 },
        ...[LEVEL, DOWN, SHIELDS, FEEDER_UP, ANY].flatMap((from) =>
          [SLOW, FAST, FAR, ROTOR_SLOW, RUN_SLOW, RUNNING, WARM].map((to) => ({
            from,
            to,
            minutes: 10,
          })),
        ),
      ],
    },
    positions: positionsOf(combine.w.checks),
    checks: sharingClasses(combine.w.checks),
  };
}

/** What a combine may be built with; what it is sold with first. */
function equipmentOf({ conveyor, standard }: CombineModel): NonNullable<SheetInput['equipment']> {
  const sold: Readonly<Record<string, string>> = { conveyor, ...standard };
  return EQUIPMENT.map(({ id, name, options }) => ({
    id,
    name,
    options: [...options].sort((a, b) => Number(b.id === sold[id]) - Number(a.id === sold[id])),
  }));
}

const EQUIPMENT = [
  {
    id: 'feeder-drive',
    name: 'Feeder drive',
    options: [
      { id: 'variable', name: 'Variable speed' },
      { id: 'fixed', name: 'Fixed, multi-rib belt' },
    ],
  },
  {
    id: 'variable-drive',
    name: 'Variable drive',
    options: [
      { id: 'standard', name: 'Standard' },
      { id: 'heavy', name: 'Heavy' },
    ],
  },
  {
    id: 'feeder-power',
    name: 'Feeder gearbox',
    options: [
      { id: 'standard', name: 'Standard' },
      { id: 'high', name: 'High power, with its own pump' },
    ],
  },
  {
    id: 'conveyor',
    name: 'Feeder conveyor',
    options: [
      { id: 'chain', name: 'Chain and slats' },
      { id: 'belt', name: 'Belt and slats' },
    ],
  },
  {
    id: 'conveyor-tension',
    name: 'Conveyor tensioner',
    options: [
      { id: 'manual', name: 'Spring and nut' },
      { id: 'hydraulic', name: 'Hydraulic' },
    ],
  },
  {
    id: 'stone-guard',
    name: 'Against stones',
    options: [
      { id: 'trap', name: 'Rock trap' },
      { id: 'beater', name: 'Rock beater' },
    ],
  },
  {
    id: 'feed-accelerator',
    name: 'Feed accelerator',
    options: [
      { id: 'none', name: 'None' },
      { id: 'fitted', name: 'Fitted' },
    ],
  },
  {
    id: 'tilt',
    name: 'Face tilt',
    options: [
      { id: 'single', name: 'One cylinder' },
      { id: 'twin', name: 'Two cylinders' },
    ],
  },
  {
    id: 'chopper',
    name: 'Chopper',
    options: [
      { id: 'fine', name: 'Fine cut, all knives' },
      { id: 'standard', name: 'Standard' },
    ],
  },
  {
    id: 'unload-drives',
    name: 'Unloading drives',
    options: [
      { id: 'one', name: 'One belt' },
      { id: 'two', name: 'Two belts' },
    ],
  },
] as const;
