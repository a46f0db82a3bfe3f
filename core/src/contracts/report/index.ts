import { z } from 'zod';
import { Decision } from '../check';
import { Day, Id, LongText, Moment, ShortText } from '../common';
import { WalkKind } from '../reading';
import { OwnerAnswer } from '../tick';

/** A strip as a report draws it: how far worn, or where it lies in its band. */
export const ReportStrip = z.discriminatedUnion('kind', [
  z.object({
    kind: z.literal('wear'),
    ticks: z.array(z.object({ wear: z.number(), struck: z.boolean() })),
    forecast: z.object({ low: z.number(), middle: z.number(), high: z.number() }).nullable(),
  }),
  z.object({
    kind: z.literal('band'),
    from: z.number(),
    to: z.number(),
    low: z.number(),
    high: z.number(),
    ticks: z.array(z.object({ label: z.string(), value: z.number() })),
    unit: z.string(),
  }),
]);
export type ReportStrip = z.infer<typeof ReportStrip>;

/** What was measured, in its own unit and in the other system's; empty where nothing was. */
const Measured = z.object({ text: z.string(), other: z.string() });

const found = {
  component: z.string(),
  station: z.string(),
  decision: Decision,
  said: z.string().describe('what was found, in a sentence'),
  measured: Measured,
  strip: ReportStrip.nullable(),
  photos: z.array(Id),
};

/** Work the owner is asked about. Money of the branch, in the report's currency. */
export const ReportItem = z.object({
  key: z.string().describe('unique in the report; an answer names it'),
  ...found,
  places: z.array(z.string()),
  ifLeft: z.string(),
  guardsPeople: z.boolean(),
  minutes: z.number(),
  now: z.number().nullable().describe('what it costs now; null where a price is missing'),
  left: z
    .number()
    .nullable()
    .describe('what leaving it may cost by its chance; null where none is known'),
  ifItGoes: z.number().nullable().describe('what it costs when it goes in harvest'),
  visit: Day.nullable().describe('when it is planned'),
  owner: z
    .object({ answer: OwnerAnswer, note: z.string(), by: z.string(), at: Moment })
    .nullable()
    .describe('what the owner said last'),
});
export type ReportItem = z.infer<typeof ReportItem>;

/** A report to the owner of a machine: what stands in it stays as it was when it was made. */
export const OwnerReport = z.object({
  machine: z.object({
    serial: z.string(),
    model: z.string(),
    header: z.string(),
    customer: z.string(),
    hours: z.number(),
    crop: z.string(),
    harvest: z.object({ start: Day, end: Day }),
  }),
  branch: z.string(),
  today: Day,
  walk: z
    .object({
      kind: WalkKind.nullable(),
      from: Moment,
      to: Moment.nullable(),
      people: z.array(z.string()),
      read: z.int(),
    })
    .nullable(),
  past: z
    .boolean()
    .default(false)
    .describe('as it stood when a walk ended: it says nothing of now, nor of being ready'),
  ready: z.boolean(),
  lacks: z.array(z.string()),
  currency: z.string(),
  items: z.array(ReportItem),
  watch: z.array(z.object(found)),
  holds: z.array(z.string()),
  renewed: z.array(z.object({ component: z.string(), on: Day, by: z.string(), hours: z.number() })),
  notLooked: z.array(z.object({ component: z.string(), why: z.string() })),
  next: z.array(
    z.object({
      component: z.string(),
      what: z.string(),
      on: Day.nullable(),
      atHours: z.number().nullable(),
    }),
  ),
});
export type OwnerReport = z.infer<typeof OwnerReport>;

/** A link to a report, as people of the branch see it; its secret is told once, when it is made. */
export const ReportLink = z.object({
  id: Id,
  machineId: Id,
  madeBy: ShortText,
  madeAt: Moment,
  expiresAt: Moment,
  revokedAt: Moment.nullable(),
  views: z.int(),
  seenAt: Moment.nullable(),
  mailedTo: z.string().nullable(),
});
export type ReportLink = z.infer<typeof ReportLink>;

/** Longest that a link may open, days. */
export const LONGEST_LINK = 180;

export const ReportAsked = z.object({
  days: z.int().min(1).max(LONGEST_LINK, `at most ${LONGEST_LINK} days`).default(30),
  mailTo: z.email('an e-mail address').max(200).nullable().default(null),
});

export type ReportAsked = z.output<typeof ReportAsked>;

export const NewReportLink = ReportLink.extend({
  key: z.string().describe('what the link ends with; told once'),
});
export type NewReportLink = z.infer<typeof NewReportLink>;

/** A report as its link shows it. */
export const SharedReport = z.object({ report: OwnerReport, expiresAt: Moment });
export type SharedReport = z.infer<typeof SharedReport>;

/** What the owner answers to one item. */
export const ReportAnswer = z.object({
  id: Id,
  key: z.string().min(1).max(400),
  answer: OwnerAnswer,
  name: ShortText.describe('who answers, as they give it'),
  note: LongText.default(''),
});
export type ReportAnswer = z.infer<typeof ReportAnswer>;

/** One machine of a customer in the season, in a line. Money of the branch. */
export const SeasonMachine = z.object({
  id: Id,
  serial: z.string(),
  model: z.string(),
  hours: z.number(),
  crop: z.string(),
  harvest: Day,
  walked: Day.nullable(),
  ready: z.boolean(),
  lacks: z.array(z.string()),
  items: z.int().describe('pieces of work that are open'),
  loudest: z.array(z.string()).describe('what they are, the loudest first'),
  now: z.number().describe('what those with a price cost now'),
  unpriced: z.int(),
  ifItGoes: z.number().describe('what they cost when they go in harvest'),
  renewed: z.int(),
  notLooked: z.int(),
});
export type SeasonMachine = z.infer<typeof SeasonMachine>;

/** All machines of a customer in the season. */
export const SeasonSummary = z.object({
  customer: z.string(),
  branch: z.string(),
  today: Day,
  currency: z.string(),
  machines: z.array(SeasonMachine),
});
export type SeasonSummary = z.infer<typeof SeasonSummary>;
