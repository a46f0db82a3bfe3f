import { v7 as uuidv7 } from 'uuid';
import type {
  Check,
  MachineFile,
  Reading,
  ReadingValue,
  Walk,
  ValueOf,
} from '@green-tally/core/contracts';
import type { Stand } from '@green-tally/core/stand';

/** What a new reading is made from. */
export interface Taking {
  readonly file: MachineFile;
  readonly check: Check;
  readonly walk: Walk;
  readonly place: string;
  readonly state: Reading['state'];
  readonly now: Date;
  readonly by: string;
  readonly note?: string;
  readonly renewed?: boolean;
  readonly repaired?: boolean;
  readonly settled?: boolean;
  readonly strikes?: string | null;
  /** the sheet's unless said */
  readonly tool?: Reading['tool'];
  /** how the machine stands, as it was confirmed */
  readonly stand: Stand | undefined;
}

/**
 * A reading with an id of its own, bound to the sheet it is judged by. It counts only where the
 * machine stands as its check wants.
 */
export function newReading(taking: Taking, value: ReadingValue): Reading {
  const { file, check, walk, place, state, now, by } = taking;
  return {
    id: uuidv7(),
    machineId: file.machine.id,
    walkId: walk.id,
    checkId: check.id,
    sheet: sheetOf(file, check),
    place,
    state,
    value,
    renewed: taking.renewed ?? false,
    repaired: taking.repaired ?? false,
    settled: taking.settled ?? false,
    positionConfirmed: value.kind === 'skip' || taking.stand?.position === check.position,
    tool: check.kind === 'measure' || check.kind === 'series' ? (taking.tool ?? check.tool) : null,
    takenAt: now.toISOString(),
    hours: walk.hours,
    fit: fitOf(file),
    by,
    note: taking.note ?? '',
    strikes: taking.strikes ?? null,
  };
}

/** That a new part was fitted, whether or not anything was read then. */
export function newRenewal(
  { file, check, place, by }: Pick<Taking, 'file' | 'check' | 'place' | 'by'>,
  value: ValueOf<'renewal'>,
  { takenAt, hours }: Pick<Reading, 'takenAt' | 'hours'>,
): Reading {
  return {
    id: uuidv7(),
    machineId: file.machine.id,
    walkId: null,
    checkId: check.id,
    sheet: sheetOf(file, check),
    place,
    state: 'asLeft',
    value,
    renewed: true,
    repaired: false,
    settled: false,
    positionConfirmed: true,
    tool: null,
    takenAt,
    hours,
    // it may have been fitted before another crop or under another header
    fit: null,
    by,
    note: '',
    strikes: null,
  };
}

/** That a reading was wrong, and why; nothing takes its place. */
export function newStrike(
  struck: Reading,
  why: string,
  {
    file,
    walkId,
    by,
    now,
  }: Pick<Taking, 'file' | 'by' | 'now'> & { readonly walkId: string | null },
): Reading {
  return {
    id: uuidv7(),
    machineId: struck.machineId,
    walkId,
    checkId: struck.checkId,
    sheet: struck.sheet,
    place: struck.place,
    state: struck.state,
    value: { kind: 'strike', why },
    renewed: false,
    repaired: false,
    settled: false,
    positionConfirmed: true,
    tool: null,
    takenAt: now.toISOString(),
    hours: file.machine.hours,
    fit: fitOf(file),
    by,
    note: '',
    strikes: struck.id,
  };
}

/** What the machine stands for when a reading is taken. */
const fitOf = ({ machine }: MachineFile): Reading['fit'] => ({
  crop: machine.harvest.crop,
  header: machine.header?.serial ?? null,
});

/** The revision a reading of a check is judged by. */
function sheetOf({ sheets, machine }: MachineFile, check: Check): Reading['sheet'] {
  const sheet = sheets.find(
    (s) => s.machine === check.on && s.checks.some((c) => c.id === check.id),
  );
  return { model: sheet?.model ?? machine.model, revision: sheet?.revision ?? 1 };
}

/** A walk begun now; it counts once the make-safe gate is confirmed. */
export function newWalk(
  file: MachineFile,
  now: Date,
  {
    hours,
    by,
    noticed,
    checks,
    kind,
    minutes,
  }: Pick<Walk, 'hours' | 'by' | 'noticed' | 'checks' | 'kind' | 'minutes'>,
): Walk {
  const begun = now.toISOString();
  return {
    id: uuidv7(),
    machineId: file.machine.id,
    startedAt: begun,
    finishedAt: null,
    madeSafeAt: begun,
    hours,
    by,
    asFound: {},
    noticed,
    checks,
    kind,
    minutes,
  };
}
