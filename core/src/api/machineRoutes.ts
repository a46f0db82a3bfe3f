import { z } from 'zod';
import {
  BranchCosts,
  ChangesAsked,
  CostsPage,
  Machine,
  MachineChange,
  MachineChanges,
  MachineFile,
  NewMachine,
  PriceList,
  RejudgeAnswer,
  Yard,
  YardAsked,
} from '../contracts';
import { BookKind, BookReport, BooksAsked, CustomerPage, HeaderPage } from '../contracts/books';
import { CheckPage, ById, revision, Preview, Paging } from './params';
import type { Route } from './route';

const ByKind = z.object({ kind: BookKind });
const Rejudge = z.object({ model: z.string().min(1), revision });

/** Routes about machines: the yard, the books, what they cost. */
export const MACHINE_ROUTES = {
  'GET /yard': {
    summary: 'Machines page by page, by slack unless said, of the own branch unless said',
    door: 'look',
    query: YardAsked,
    answer: Yard,
  },
  'GET /machines/{id}': {
    summary: 'Everything needed to judge one machine',
    door: 'look',
    of: 'machine',
    params: ById,
    answer: MachineFile,
  },
  'GET /machines/{id}/changes': {
    summary: 'What has changed of a machine since a version of it; all of it since 0',
    door: 'look',
    of: 'machine',
    params: ById,
    query: ChangesAsked,
    answer: MachineChanges,
  },
  'GET /events': {
    summary: 'What changes on the machines of the branch, as it happens (Server-Sent Events)',
    door: 'look',
    answer: 'text/event-stream',
  },
  'POST /machines': {
    summary: 'Add a machine',
    door: 'keepMachines',
    body: NewMachine,
    status: 201,
    answer: Machine,
  },
  'PATCH /machines/{id}': {
    summary: 'Change hours, harvest, header or build',
    door: 'keepMachines',
    of: 'machine',
    params: ById,
    body: MachineChange,
    answer: Machine,
  },
  'GET /costs': {
    summary: 'What stopping and working cost at a branch, the own one unless said, and part prices',
    door: 'look',
    query: z.object({ branch: z.string().max(120).optional() }),
    answer: CostsPage,
  },
  'PUT /costs': {
    summary: "Set a branch's costs",
    door: 'keepCosts',
    body: BranchCosts,
    answer: BranchCosts,
  },
  'PUT /prices': {
    summary: 'Set prices of parts, all or none; null takes a price away',
    door: 'keepCosts',
    body: PriceList,
    answer: PriceList,
  },
  'GET /machines/{id}/checks': {
    summary: 'Checks of a machine as it is built',
    door: 'look',
    of: 'machine',
    params: ById,
    query: Paging,
    answer: CheckPage,
  },
  'GET /machines/{id}/rejudge': {
    summary: 'What judging under another revision would change',
    door: 'look',
    of: 'machine',
    params: ById,
    query: Rejudge,
    answer: RejudgeAnswer,
  },
  'POST /machines/{id}/rejudge': {
    summary: 'Judge its readings under that revision',
    door: 'keepSheets',
    of: 'machine',
    params: ById,
    body: Rejudge,
    answer: RejudgeAnswer,
  },
  'GET /customers': {
    summary: 'Customers of the own branch by name, page by page; an admin sees all',
    door: 'look',
    query: BooksAsked.omit({ customer: true }),
    answer: CustomerPage,
  },
  'GET /headers': {
    summary: 'Headers on the books by serial, on a machine or not, page by page',
    door: 'look',
    query: BooksAsked,
    answer: HeaderPage,
  },
  'POST /books/{kind}/import': {
    summary: 'Bring in a list as CSV; shown row by row first with preview',
    door: 'keepMachines',
    params: ByKind,
    query: Preview,
    body: 'text/csv',
    limit: 10,
    answer: BookReport,
  },
  'GET /books/{kind}/file': {
    summary: 'A list as the CSV that it is brought in by; people for an admin, without passwords',
    door: 'look',
    params: ByKind,
    answer: 'text/csv',
  },
} as const satisfies Readonly<Record<string, Route>>;
