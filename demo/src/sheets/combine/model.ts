import { SheetWriter } from '../build';
import { again, differing, waysOf, type Follows, type SchoolId, type WayOf } from '../schools';

/** What sets one combine's sheet apart from another's; lengths mm. Everything here is made up. */
export interface CombineModel {
  readonly model: string;
  readonly maker: string;
  readonly book: string;
  readonly inch: boolean;
  /** one rotor, two of them, or a cylinder before straw walkers */
  readonly build: 'rotor' | 'twin' | 'walker';
  /** which feeder conveyor it is sold with */
  readonly conveyor: 'chain' | 'belt';
  /** the way its book follows where people disagree */
  readonly follows: Follows;
  /** mm a washer may stand past its gauge, where a little past is fine */
  readonly past: number;
  readonly conveyorTravel: number;
  readonly conveyorPitches: number;
  readonly conveyorLimit: number;
  readonly elevatorTravel: number;
  readonly elevatorPitches: number;
  /** which end of the elevator is moved to set its chain */
  readonly elevatorMoves: 'boot' | 'head';
  readonly fanBelt: readonly [nominal: number, limit: number];
  readonly variableBelt: readonly [nominal: number, limit: number];
  readonly sheaveGap: readonly [low: number, high: number];
  readonly heavyGap: readonly [low: number, high: number];
  readonly raspBar: readonly [nominal: number, limit: number];
  readonly knives: number;
  readonly perHanger: number;
  readonly turnFrom: number;
  /** where the feeder stands while the reverser's oil is read */
  readonly reverserReadAt: 'lowered' | 'level' | 'raised';
  /** how the drive gearbox's oil is read: before it has run, rested after it, or while it runs */
  readonly driveGearbox: 'cold' | 'rested' | 'running';
  /** crops that the separator's spacers are fitted for */
  readonly spacers: 'smallGrain' | 'largeGrain';
  /** what it is sold with, where that is not the first option */
  readonly standard: Readonly<Record<string, string>>;
}

/**
 * The writing of one combine's sheet: its model, the writer, and its numbers the way the book
 * writes them.
 */
export type Combine = ReturnType<typeof beginCombine>;

/** Begins a combine's sheet. */
export function beginCombine(m: CombineModel) {
  const w = new SheetWriter({ on: 'combine', book: m.book, inch: m.inch });
  const { ruled, fine } = w;
  const wear = (nominal: number, limit: number) => ({
    type: 'wear' as const,
    nominal: w.len(nominal),
    limit: w.len(limit),
    wornSide: limit < nominal ? ('smaller' as const) : ('larger' as const),
  });
  const fineWear = (nominal: number, limit: number) => ({
    type: 'wear' as const,
    nominal: w.thou(nominal),
    limit: w.thou(limit),
    wornSide: limit < nominal ? ('smaller' as const) : ('larger' as const),
  });
  const fineBand = (low: number | undefined, high: number | undefined, rest: object = {}) => ({
    type: 'band' as const,
    ...(low === undefined ? {} : { low: w.thou(low) }),
    ...(high === undefined ? {} : { high: w.thou(high) }),
    ...rest,
  });
  const rate = (perHour: number) => ({
    perHour,
    sd: Number((perHour / 3).toPrecision(2)),
    atNew: 0.02,
    atNewSd: 0.03,
  });
  const ways = <S extends SchoolId>(school: S) => waysOf(school, m.follows);
  /** Work that brings a check again, whichever way of a school it is read by. */
  const bring = (school: SchoolId, check: string, why: string) =>
    again(school, m.follows, check, why);
  const by = <S extends SchoolId, T extends Readonly<Record<WayOf<S>, object>>>(
    school: S,
    table: T,
  ) => differing(school, m.follows, table);
  const rotary = m.build !== 'walker';
  return { m, w, ruled, fine, wear, fineWear, fineBand, rate, ways, bring, by, rotary };
}

/** A washer against its gauge: exactly at its end, or a little past it, as the book follows. */
export const indicatorOf = ({ by, m }: Combine, length: number) =>
  by('indicator', {
    exact: { gauge: { length, short: 0, past: 0 } },
    past: { gauge: { length, short: 0, past: m.past } },
  });
