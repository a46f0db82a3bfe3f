import type { LabelSize } from '@green-tally/core/labels';
import type { OwnerReport, SeasonSummary } from '@green-tally/core/contracts/report';
import { labelPaper, type Label } from './labels';
import type { PAPERS } from './paper';
import { reportPaper } from './report';
import { seasonPaper } from './season';

type Size = keyof typeof PAPERS;

/** A paper to be made. */
export type PaperTask =
  | {
      readonly paper: 'report';
      readonly report: OwnerReport;
      /** pictures by id */
      readonly photos: ReadonlyMap<string, Uint8Array>;
      readonly size: Size;
    }
  | { readonly paper: 'season'; readonly season: SeasonSummary; readonly size: Size }
  | {
      readonly paper: 'labels';
      readonly labels: readonly Label[];
      readonly size: LabelSize;
      readonly skip: number;
    };

/** Makes a paper, here or on a thread: one with photos takes half a second. */
export type MakePaper = (task: PaperTask) => Promise<Uint8Array>;

export const makePaper: MakePaper = (task) => {
  switch (task.paper) {
    case 'report':
      return reportPaper(task.report, task);
    case 'season':
      return seasonPaper(task.season, task.size);
    case 'labels':
      return labelPaper(task.labels, task.size, task.skip);
  }
};
