import { positionsOf } from '../positions';
import type { SheetInput } from '../build';
import { arrive } from './arrive';
import { feederFace } from './feederFace';
import { conveyorTension } from './conveyorTension';
import { conveyorWear } from './conveyorWear';
import { feederDrum } from './feederDrum';
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
import { DOWN, LEVEL, FEEDER_UP, SHIELDS, SLOW, FAR, ROTOR_SLOW, ANY } from './positions';

export type { CombineModel } from './model';

const LIMITS_OVERRIDE = 'The made-up numbers of this book; the maker’s manual goes before them.';

/** A combine's whole sheet, front to back. */
export function combineSheet(m: CombineModel): SheetInput {
  const combine = beginCombine(m);
  arrive(combine);
  feederFace(combine);
  conveyorTension(combine);
  conveyorWear(combine);
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
    equipment: [
      {
        id: 'feeder-drive',
        name: 'Feeder drive',
        options: [
          { id: 'variable', name: 'Variable speed' },
          { id: 'fixed', name: 'Fixed, multi-rib belt' },
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
    ],
    moves: {
      usual: 2,
      table: [
        { from: LEVEL, to: FEEDER_UP, minutes: 8 },
        { from: FEEDER_UP, to: LEVEL, minutes: 8 },
        { from: DOWN, to: FEEDER_UP, minutes: 10 },
        { from: FEEDER_UP, to: DOWN, minutes: 10 },
        { from: DOWN, to: LEVEL, minutes: 5 },
        { from: LEVEL, to: DOWN, minutes: 5 },
        ...[LEVEL, DOWN, SHIELDS, FEEDER_UP, ANY].flatMap((from) =>
          [SLOW, FAR, ROTOR_SLOW].map((to) => ({ from, to, minutes: 10 })),
        ),
      ],
    },
    positions: positionsOf(combine.w.checks),
    checks: combine.w.checks,
  };
}
