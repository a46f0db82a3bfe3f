import { z } from 'zod';
import { Id } from '../contracts';
import {
  NewReportLink,
  OwnerReport,
  ReportAnswer,
  ReportAsked,
  ReportLink,
  SeasonSummary,
  SharedReport,
} from '../contracts/report';
import { LABEL_SIZES } from '../labels';
import { ById } from './params';
import type { Route } from './route';

const ByKey = z.object({ key: z.string().min(1).max(120) });
/** A walk of the past; as it stands now where nothing is said. */
const OfWalk = z.object({ walk: Id.optional() });
const Printed = z.object({ paper: z.enum(['a4', 'letter']).default('a4') });

/** Routes about what is printed and what owners are told: labels, reports, for people of the branch, and for whoever has a report's link. */
export const REPORT_ROUTES = {
  'GET /labels.pdf': {
    summary: 'Sheets of labels with codes: of one machine, or of all of the person’s branch',
    door: 'look',
    of: 'label',
    query: z.object({
      kind: z.enum(['machine', 'walk', 'header', 'station', 'card']).default('machine'),
      machine: Id.optional(),
      size: z.enum(LABEL_SIZES).default('a4-24'),
      skip: z.coerce
        .number()
        .int()
        .min(0)
        .max(29)
        .default(0)
        .describe('labels of the first sheet that are used already'),
    }),
    answer: 'application/pdf',
  },
  'GET /season': {
    summary: 'All machines of a customer in the person’s branch, each in a line',
    door: 'look',
    of: 'customer',
    query: z.object({ customer: z.string().min(1).max(200) }),
    answer: SeasonSummary,
  },
  'GET /season.pdf': {
    summary: 'The same as PDF',
    door: 'look',
    of: 'customer',
    query: Printed.extend({ customer: z.string().min(1).max(200) }),
    answer: 'application/pdf',
  },
  'GET /machines/{id}/report': {
    summary: 'What the owner of a machine is told, as it stands now or stood when a walk ended',
    door: 'look',
    of: 'machine or walk',
    params: ById,
    query: OfWalk,
    answer: OwnerReport,
  },
  'GET /machines/{id}/report.pdf': {
    summary: 'The same as PDF',
    door: 'look',
    of: 'machine or walk',
    params: ById,
    query: Printed.extend(OfWalk.shape),
    answer: 'application/pdf',
  },
  'GET /machines/{id}/report-links': {
    summary: 'Links to reports of the machine, newest first',
    door: 'look',
    of: 'machine',
    params: ById,
    answer: z.object({ links: z.array(ReportLink) }),
  },
  'POST /machines/{id}/report-links': {
    summary:
      'Keep the report as it stands now and make a link that opens it alone; its secret is told once',
    door: 'acceptWork',
    of: 'machine',
    params: ById,
    body: ReportAsked,
    status: 201,
    answer: NewReportLink,
  },
  'DELETE /report-links/{id}': {
    summary: 'Take a link back: it opens nothing any more',
    door: 'acceptWork',
    of: 'report',
    params: ById,
    answer: ReportLink,
  },
  'GET /report/{key}': {
    summary: 'A report, for whoever has its link',
    door: 'anyone',
    of: 'report',
    params: ByKey,
    answer: SharedReport,
  },
  'GET /report/{key}/report.pdf': {
    summary: 'The same as PDF',
    door: 'anyone',
    of: 'report',
    params: ByKey,
    query: Printed,
    answer: 'application/pdf',
  },
  'GET /report/{key}/photos/{id}': {
    summary: 'A photo that stands in the report; no other',
    door: 'anyone',
    of: 'photo',
    params: ByKey.extend({ id: Id }),
    query: z.object({ size: z.enum(['full', 'small']).default('small') }),
    answer: 'image/jpeg',
  },
  'POST /report/{key}/answers': {
    summary: 'What the owner answers to one item; sent twice it is there once',
    door: 'anyone',
    of: 'report',
    params: ByKey,
    body: ReportAnswer,
    status: 201,
    answer: SharedReport,
  },
} as const satisfies Readonly<Record<string, Route>>;
