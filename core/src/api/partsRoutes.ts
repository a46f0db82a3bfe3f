import { Day, VanList } from '../contracts';
import { z } from 'zod';
import {
  Catalogue,
  NewOrders,
  OrderChange,
  PartOrder,
  PartsChange,
  PartsPage,
  StockCount,
  SupplierChange,
} from '../contracts/parts';
import { ById } from './params';
import type { Route } from './route';

/** Routes about parts: the catalogue, stock, orders, and what is loaded. */
export const PARTS_ROUTES = {
  'GET /catalogue': {
    summary: 'Every part the sheets name, its price and supplier; and who delivers',
    door: 'look',
    answer: Catalogue,
  },
  'PUT /parts': {
    summary: 'Change prices and suppliers of parts, all or none; what is not named stays',
    door: 'keepParts',
    body: PartsChange,
    answer: z.object({ changed: z.int() }),
  },
  'PUT /suppliers': {
    summary: 'Write the list of suppliers anew',
    door: 'keepParts',
    body: SupplierChange,
    answer: SupplierChange,
  },
  'GET /parts': {
    summary: 'What open work of the branch wants of its parts, net of shelf and orders; orders',
    door: 'look',
    answer: PartsPage,
  },
  'GET /parts.csv': {
    summary: 'What is wanted of each part, as CSV',
    door: 'look',
    answer: 'text/csv',
  },
  'GET /catalogue.csv': {
    summary: 'All parts as CSV: number, name, price, supplier, how many there are',
    door: 'look',
    answer: 'text/csv',
  },
  'POST /catalogue/import': {
    summary: 'Prices, suppliers and counts of parts from a CSV file, all or none',
    door: 'keepParts',
    body: 'text/csv',
    answer: z.object({ changed: z.int(), counted: z.int() }),
  },
  'PUT /stock': {
    summary: "Keep what was counted on the branch's shelf, all or none",
    door: 'takeReadings',
    body: StockCount,
    answer: z.object({ counted: z.int() }),
  },
  'POST /stock/ask': {
    summary: 'Ask the stock service now',
    door: 'takeReadings',
    answer: z.object({ answered: z.int() }),
  },
  'POST /orders': {
    summary: 'Place orders of the branch, all or none, each id once',
    door: 'keepParts',
    body: NewOrders,
    status: 201,
    answer: z.object({ orders: z.array(PartOrder) }),
  },
  'PUT /orders/{id}': {
    summary: 'Change an order, or say that it has come',
    door: 'takeReadings',
    of: 'order',
    params: ById,
    body: OrderChange,
    answer: PartOrder,
  },
  'DELETE /orders/{id}': {
    summary: 'Take an order back that has not come',
    door: 'keepParts',
    of: 'order',
    params: ById,
    status: 204,
    answer: null,
  },
  'GET /visits/{id}/van': {
    summary: 'What is loaded for a visit',
    door: 'look',
    of: 'visit',
    params: ById,
    answer: VanList,
  },
  'GET /van': {
    summary: 'What a technician loads for the visits of a day',
    door: 'look',
    query: z.object({ technician: z.uuid('a technician'), on: Day }),
    answer: VanList,
  },
} as const satisfies Record<string, Route>;
