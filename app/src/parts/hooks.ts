import { VanList } from '@green-tally/core/contracts';
import { Catalogue, PartsPage } from '@green-tally/core/contracts/parts';
import { useAnswer } from '../store/hooks';

/*
 * What is asked of parts. Loaded with their screens: a phone that walks knows nothing of it.
 */

/** What open work wants of its parts, and what is on order. */
export const useParts = () => useAnswer('GET /parts', {}, PartsPage);
export const useCatalogue = () => useAnswer('GET /catalogue', {}, Catalogue);
/** What is loaded for one visit. */
export const useVisitVan = (id: string) =>
  useAnswer('GET /visits/{id}/van', id ? { params: { id } } : null, VanList);
/** What a technician loads for the visits of a day. */
export const useDayVan = (technician: string, on: string) =>
  useAnswer('GET /van', technician ? { query: { technician, on } } : null, VanList);
