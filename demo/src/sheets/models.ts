import type { CombineModel } from './combine';

/** The invented combines: each make has its own schools. */
export const COMBINES: readonly CombineModel[] = [
  {
    model: 'AX7', maker: 'Tolvane', book: 'Larkmoor spec book 1', inch: false, rotary: true, conveyor: 'spring-gauge', past: 3, conveyorTravel: 45, conveyorPitches: 94, conveyorLimit: 2.6, elevatorTravel: 60, elevatorPitches: 160, noPlay: false,
    fanBelt: [38, 35], variableBelt: [63, 58.5], sheaveGap: [2, 6], gapWhen: 'slowest', raspBar: [26, 19], knives: 48, turnFrom: 6, mates: 'opposite', straightenSlats: false, drumAlwaysHigh: false, greaseAt: 'slowest', slipClutchStrokes: [1, 2], oilByHours: true,
  },
  {
    model: 'AX5', maker: 'Tolvane', book: 'Larkmoor spec book 3', inch: true, rotary: true, conveyor: 'slat-in-window', past: 3, conveyorTravel: 40, conveyorPitches: 86, conveyorLimit: 2.6, elevatorTravel: 55, elevatorPitches: 148, noPlay: false,
    fanBelt: [34.925, 31.75], variableBelt: [57.15, 52.4], sheaveGap: [1.8, 5.2], gapWhen: 'slowest', raspBar: [25.4, 19.05], knives: 40, turnFrom: 5, mates: 'opposite', straightenSlats: true, drumAlwaysHigh: true, greaseAt: 'fastest', slipClutchStrokes: [5, 8], oilByHours: true,
  },
  {
    model: 'W4', maker: 'Brackenfell', book: 'Larkmoor spec book 4', inch: false, rotary: false, conveyor: 'slat-at-floor', past: 2, conveyorTravel: 50, conveyorPitches: 90, conveyorLimit: 2.4, elevatorTravel: 60, elevatorPitches: 152, noPlay: true,
    fanBelt: [32, 29.2], variableBelt: [50, 46], sheaveGap: [3, 7], gapWhen: 'far sheave closed', raspBar: [30, 22], knives: 36, turnFrom: 4, mates: 'each', straightenSlats: false, drumAlwaysHigh: false, greaseAt: 'slowest', slipClutchStrokes: [1, 2], oilByHours: false,
  },
];
