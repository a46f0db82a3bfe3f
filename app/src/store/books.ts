// beside the store's index: what these answers are is loaded with the forms, not at start
import { z } from 'zod';
import { CustomerPage, HeaderPage, Starter } from '@green-tally/core/contracts/books';
import { useAnswer } from './hooks';
import { useList, type List, type Query } from './lists';

/** Customers by name, as far as they are asked for. */
export const useCustomers = (query: Query<'GET /customers'> = {}): List<CustomerPage> =>
  useList('GET /customers', query, CustomerPage);

/** Headers by serial, as far as they are asked for. */
export const useHeaders = (query: Query<'GET /headers'> = {}): List<HeaderPage> =>
  useList('GET /headers', query, HeaderPage);

const Starters = z.object({ starters: z.array(Starter) });
/** Sheets that a new one may begin from. */
export const useStarters = () => useAnswer('GET /starters', {}, Starters);
