import { z } from 'zod';
import {
  BoardPage,
  CalendarFeed,
  CrewPage,
  PlanSearch,
  PlanVersion,
  VisitDiffers,
} from '@green-tally/core/contracts/board';
import { ForecastPage } from '@green-tally/core/contracts/breakdown';
import { useAnswer } from '../store/hooks';
import { useWithLists } from '../store/lists';

/*
 * What planners ask for. Loaded with their screens: a phone that walks knows nothing of it.
 */

/** All that a planner of the branch has before them; asked for anew when lists are. */
export function useBoard() {
  const board = useAnswer('GET /board', {}, BoardPage);
  useWithLists(board.again);
  return board;
}
/** What the branch plans by. */
export const useCrew = () => useAnswer('GET /crew', {}, CrewPage);
/** A search for a plan; asked for when there is one, and told of how it goes. */
export const usePlanSearch = (id: string) =>
  useAnswer('GET /board/searches/{id}', id ? { params: { id } } : null, PlanSearch);
const Plans = z.object({ plans: z.array(PlanVersion) });
export const usePlans = () => useAnswer('GET /board/plans', {}, Plans);
const Differences = z.object({ visits: z.array(VisitDiffers) });
/** How one plan differs from a later one; asked for when both are named. */
export const usePlansDiffer = (from: number | undefined, to: number | undefined) =>
  useAnswer(
    'GET /board/plans/differences',
    from === undefined || to === undefined ? null : { query: { from, to } },
    Differences,
  );
/** Whether forecasts were right. */
export const useForecasts = () => useAnswer('GET /forecasts', {}, ForecastPage);
const Feeds = z.object({ feeds: z.array(CalendarFeed) });
export const useFeeds = () => useAnswer('GET /feeds', {}, Feeds);
