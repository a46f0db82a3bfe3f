import { SheetWriter } from '../build';

/** What sets one combine's sheet apart from another's; lengths mm. Everything here is made up. */
export interface CombineModel {
  readonly model: string;
  readonly maker: string;
  readonly book: string;
  readonly inch: boolean;
  readonly rotary: boolean;
  /** how the conveyor chain's tension is judged on this make */
  readonly conveyor: 'spring-gauge' | 'slat-in-window' | 'slat-at-floor';
  /** a washer a little past its gauge is fine, mm past; 0: exactly at its end */
  readonly past: number;
  readonly conveyorTravel: number;
  readonly conveyorPitches: number;
  readonly conveyorLimit: number;
  readonly elevatorTravel: number;
  readonly elevatorPitches: number;
  readonly noPlay: boolean;
  readonly fanBelt: readonly [nominal: number, limit: number];
  readonly variableBelt: readonly [nominal: number, limit: number];
  readonly sheaveGap: readonly [low: number, high: number];
  readonly gapWhen: 'slowest' | 'far sheave closed';
  readonly raspBar: readonly [nominal: number, limit: number];
  readonly knives: number;
  readonly turnFrom: number;
  readonly mates: 'opposite' | 'each';
  readonly straightenSlats: boolean;
  readonly drumAlwaysHigh: boolean;
  readonly greaseAt: 'slowest' | 'fastest';
  readonly slipClutchStrokes: readonly [amount: number, most: number];
  readonly oilByHours: boolean;
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
  return { m, w, ruled, fine, wear, fineWear, fineBand, rate };
}
