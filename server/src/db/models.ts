import {
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
} from 'sequelize';
import type {
  BoardSetting,
  BranchCosts,
  Breakdown,
  Import,
  ImportReport,
  Machine,
  OperatorSaid,
  OwnTool,
  Person,
  Photo,
  PlanSearch,
  PlanWish,
  Problem,
  Reading,
  SheetPage,
  SpecSheet,
  TechnicianHours,
  Tick,
  Visit,
  VisitDiffers,
  Walk,
  WorkItem,
} from '@green-tally/core/contracts';
import type { ApiToken } from '@green-tally/core/contracts/tokens';
import type { HoursReport } from '@green-tally/core/contracts/hours';
import type { OwnerReport } from '@green-tally/core/contracts/report';

/**
 * The tables. Facts are append-only; a correction is a new row that strikes an old one. Timestamps
 * are UTC.
 */
export class BranchRow extends Model<
  InferAttributes<BranchRow>,
  InferCreationAttributes<BranchRow>
> {
  declare id: string;
  declare name: string;
}

export class PersonRow extends Model<
  InferAttributes<PersonRow>,
  InferCreationAttributes<PersonRow>
> {
  declare id: string;
  declare name: string;
  declare signIn: string;
  declare passwordHash: string;
  declare role: Person['role'];
  declare branch: string;
  declare suspendedAt: CreationOptional<Date | null>;
  /** has a password that an admin has set */
  declare mustChange: CreationOptional<boolean>;
}

export class MachineRow extends Model<
  InferAttributes<MachineRow>,
  InferCreationAttributes<MachineRow>
> {
  declare id: string;
  declare serial: string;
  declare model: string;
  declare customer: string;
  declare branch: string;
  declare builtOn: string;
  declare hours: number;
  /** as entered by a person; `hours` is that, or what a reading that stands was taken at, if more */
  declare bookHours: CreationOptional<number>;
  declare header: CreationOptional<Machine['header']>;
  declare harvest: Machine['harvest'];
  declare equipment: CreationOptional<Record<string, string> | null>;
  declare rejudged: CreationOptional<Record<string, number> | null>;
  /** moves on with every write that bears on its verdicts; changes.ts moves it */
  declare version: CreationOptional<number>;
}

export class CustomerRow extends Model<
  InferAttributes<CustomerRow>,
  InferCreationAttributes<CustomerRow>
> {
  declare id: string;
  declare name: string;
  declare branch: string;
  declare place: string;
  declare phone: string;
  declare email: string;
  declare note: string;
  /** km east and north on the branch's map */
  declare x: CreationOptional<number | null>;
  declare y: CreationOptional<number | null>;
}

export class HeaderRow extends Model<
  InferAttributes<HeaderRow>,
  InferCreationAttributes<HeaderRow>
> {
  declare id: string;
  declare serial: string;
  declare model: string;
  declare customer: string;
  declare branch: string;
  declare equipment: CreationOptional<Record<string, string> | null>;
}

export class PageRow extends Model<InferAttributes<PageRow>, InferCreationAttributes<PageRow>> {
  declare id: string;
  declare model: string;
  declare name: string;
  declare checks: string[];
  declare mime: SheetPage['mime'];
  declare bytes: number;
  declare data: Buffer;
  declare by: string;
  declare at: Date;
}

export class SheetRow extends Model<InferAttributes<SheetRow>, InferCreationAttributes<SheetRow>> {
  declare model: string;
  declare revision: number;
  declare document: SpecSheet;
  declare publishedBy: CreationOptional<string>;
  declare publishedAt: CreationOptional<Date>;
}

/** A sheet being changed, one for each model. */
export class DraftRow extends Model<InferAttributes<DraftRow>, InferCreationAttributes<DraftRow>> {
  declare model: string;
  declare basedOn: number;
  declare document: SpecSheet;
  declare version: number;
  declare by: string;
  declare updatedAt: Date;
}

export class WalkRow extends Model<InferAttributes<WalkRow>, InferCreationAttributes<WalkRow>> {
  declare id: string;
  declare machineId: string;
  declare startedAt: Date;
  declare finishedAt: CreationOptional<Date | null>;
  declare madeSafeAt: CreationOptional<Date | null>;
  declare hours: number;
  declare by: string;
  declare noticed: string;
  declare asFound: CreationOptional<Walk['asFound']>;
  declare checks: CreationOptional<string[] | null>;
  declare kind: CreationOptional<Walk['kind']>;
  declare minutes: CreationOptional<number | null>;
}

export class ReadingRow extends Model<
  InferAttributes<ReadingRow>,
  InferCreationAttributes<ReadingRow>
> {
  declare id: string;
  declare machineId: string;
  declare walkId: CreationOptional<string | null>;
  declare checkId: string;
  declare sheet: Reading['sheet'];
  declare place: string;
  declare state: Reading['state'];
  declare value: Reading['value'];
  declare renewed: boolean;
  declare repaired: CreationOptional<boolean>;
  declare fit: CreationOptional<Reading['fit']>;
  declare settled: boolean;
  declare positionConfirmed: boolean;
  declare tool: CreationOptional<Reading['tool']>;
  declare takenAt: Date;
  declare hours: number;
  declare by: string;
  declare note: string;
  declare strikes: CreationOptional<string | null>;
}

export class WorkRow extends Model<InferAttributes<WorkRow>, InferCreationAttributes<WorkRow>> {
  declare id: string;
  declare machineId: string;
  declare checkId: string;
  declare decision: WorkItem['decision'];
  declare places: string[];
  declare reason: string;
  declare minutes: number;
  declare cover: CreationOptional<WorkItem['cover']>;
  declare parts: WorkItem['parts'];
  declare from: WorkItem['from'];
  declare task: CreationOptional<WorkItem['task']>;
  declare mates: CreationOptional<WorkItem['mates']>;
  declare learnt: CreationOptional<WorkItem['learnt']>;
  declare proposed: CreationOptional<WorkItem['proposed']>;
  declare worked: CreationOptional<WorkItem['worked']>;
  declare acceptedBy: string;
  declare acceptedAt: Date;
  declare withdrawnAt: CreationOptional<Date | null>;
}

export class VisitRow extends Model<InferAttributes<VisitRow>, InferCreationAttributes<VisitRow>> {
  declare id: string;
  declare machineId: string;
  declare technicianId: string;
  declare mateId: CreationOptional<string | null>;
  declare startsOn: string;
  declare starts: CreationOptional<Visit['starts']>;
  declare endsOn: string;
  declare ends: CreationOptional<Visit['ends']>;
  declare halfDays: CreationOptional<number | null>;
  declare hours: number;
  declare site: Visit['site'];
  declare pinned: CreationOptional<boolean>;
  declare overTime: CreationOptional<boolean>;
  declare note: string;
  declare workIds: string[];
  declare startedAt: CreationOptional<Date | null>;
  declare stoppedAt: CreationOptional<Date | null>;
  declare finishedAt: CreationOptional<Date | null>;
  declare version: number;
}

/** What was said of a task, a skip or a decision; only added to. */
export class TickRow extends Model<InferAttributes<TickRow>, InferCreationAttributes<TickRow>> {
  declare id: string;
  declare machineId: string;
  declare key: string;
  declare done: boolean;
  declare at: Date;
  declare by: string;
  declare note: string;
  declare until: CreationOptional<Tick['until']>;
  declare answer: CreationOptional<Tick['answer']>;
}

/** A link to a machine's operator's card. */
export class CardRow extends Model<InferAttributes<CardRow>, InferCreationAttributes<CardRow>> {
  declare id: string;
  declare machineId: string;
  declare madeBy: string;
  declare madeAt: Date;
  declare revokedAt: CreationOptional<Date | null>;
}

/** A report that was shared, as it stood, and its link. */
export class ReportLinkRow extends Model<
  InferAttributes<ReportLinkRow>,
  InferCreationAttributes<ReportLinkRow>
> {
  declare id: string;
  declare machineId: string;
  declare secretHash: string;
  declare madeBy: string;
  declare madeAt: Date;
  declare expiresAt: Date;
  declare revokedAt: CreationOptional<Date | null>;
  declare views: CreationOptional<number>;
  declare seenAt: CreationOptional<Date | null>;
  declare mailedTo: string | null;
  declare report: OwnerReport;
  /** what an answer to each of its items is kept under */
  declare subjects: Record<string, string[]>;
}

/** A token that another program reads with. */
export class ApiTokenRow extends Model<
  InferAttributes<ApiTokenRow>,
  InferCreationAttributes<ApiTokenRow>
> {
  declare id: string;
  declare name: string;
  declare branch: string;
  declare scopes: ApiToken['scopes'];
  declare secretHash: string;
  declare madeBy: string;
  declare madeAt: Date;
  declare expiresAt: Date | null;
  declare revokedAt: CreationOptional<Date | null>;
  declare usedAt: CreationOptional<Date | null>;
}

/** What a fleet service said of one meter. */
export class FleetHoursRow extends Model<
  InferAttributes<FleetHoursRow>,
  InferCreationAttributes<FleetHoursRow>
> {
  declare id: string;
  declare machineId: string;
  declare meter: HoursReport['meter'];
  declare hours: number;
  declare offset: number;
  declare at: Date;
  declare source: string;
  declare state: HoursReport['state'];
  declare doubt: HoursReport['doubt'];
  declare before: HoursReport['before'];
  declare answeredBy: string | null;
}

/** What an operator said on a card. */
export class SaidRow extends Model<InferAttributes<SaidRow>, InferCreationAttributes<SaidRow>> {
  declare id: string;
  declare machineId: string;
  declare cardId: string;
  declare at: Date;
  declare name: string;
  declare hours: number | null;
  declare noticed: string;
  declare answers: OperatorSaid['answers'];
  declare photo: boolean;
}

/** A person's own tool. */
export class OwnToolRow extends Model<
  InferAttributes<OwnToolRow>,
  InferCreationAttributes<OwnToolRow>
> {
  declare id: string;
  declare personId: string;
  declare name: string;
  declare quantity: OwnTool['quantity'];
  declare resolution: number;
  declare uncertainty: number | null;
  declare calibratedOn: string | null;
  declare everyMonths: number;
}

/** A photo that has come through whole, or was taken away again. */
export class PhotoRow extends Model<InferAttributes<PhotoRow>, InferCreationAttributes<PhotoRow>> {
  declare id: string;
  declare machineId: string;
  declare walkId: string | null;
  declare checkId: string;
  declare place: string;
  declare bytes: number;
  declare width: number;
  declare height: number;
  declare takenAt: Date;
  declare by: string;
  declare dropped: Photo['dropped'];
}

export class SettingRow extends Model<
  InferAttributes<SettingRow>,
  InferCreationAttributes<SettingRow>
> {
  declare key: string;
  declare value: string;
}

export class CostsRow extends Model<InferAttributes<CostsRow>, InferCreationAttributes<CostsRow>> {
  declare branch: string;
  declare currency: string;
  declare labourHour: number;
  declare stopHour: number;
  declare customers: BranchCosts['customers'];
  declare version: number;
  declare by: string;
  declare at: Date;
}

export class PriceRow extends Model<InferAttributes<PriceRow>, InferCreationAttributes<PriceRow>> {
  declare number: string;
  declare price: number | null;
  declare supplier: CreationOptional<string | null>;
  declare by: string;
  declare at: Date;
}

export class SupplierRow extends Model<
  InferAttributes<SupplierRow>,
  InferCreationAttributes<SupplierRow>
> {
  declare name: string;
  declare leadDays: number;
  declare spreadDays: number;
}

/** How many of a part a branch has. */
export class StockRow extends Model<InferAttributes<StockRow>, InferCreationAttributes<StockRow>> {
  declare branch: string;
  declare number: string;
  declare onHand: number;
  declare asOf: Date;
  declare source: 'service' | 'count';
}

export class OrderRow extends Model<InferAttributes<OrderRow>, InferCreationAttributes<OrderRow>> {
  declare id: string;
  declare branch: string;
  declare number: string;
  declare name: string;
  declare quantity: number;
  declare supplier: CreationOptional<string | null>;
  declare placedOn: string;
  declare expectedOn: string;
  declare arrivedOn: CreationOptional<string | null>;
  declare note: string;
  declare by: string;
  declare version: number;
}

/** How a branch plans its visits, but for its version. */
export class BoardSettingRow extends Model<
  InferAttributes<BoardSettingRow>,
  InferCreationAttributes<BoardSettingRow>
> {
  declare branch: string;
  declare document: Omit<BoardSetting, 'branch' | 'version'>;
  declare version: number;
  declare by: string;
  declare at: Date;
}

/** What a technician can do, and when. */
export class TechnicianHoursRow extends Model<
  InferAttributes<TechnicianHoursRow>,
  InferCreationAttributes<TechnicianHoursRow>
> {
  declare personId: string;
  declare skills: string[];
  declare week: TechnicianHours['week'];
  declare away: TechnicianHours['away'];
  declare version: number;
}

/** A plan that was published, as what it changed of the one before. */
export class PlanVersionRow extends Model<
  InferAttributes<PlanVersionRow>,
  InferCreationAttributes<PlanVersionRow>
> {
  declare branch: string;
  declare n: number;
  declare by: string;
  declare at: Date;
  declare why: string;
  declare changes: VisitDiffers[];
}

/** A search for a plan, and what it found. */
export class PlanSearchRow extends Model<
  InferAttributes<PlanSearchRow>,
  InferCreationAttributes<PlanSearchRow>
> {
  declare id: string;
  declare branch: string;
  declare by: string;
  declare at: Date;
  declare seen: number;
  declare wish: PlanWish;
  declare state: PlanSearch['state'];
  declare share: number;
  declare first: CreationOptional<number | null>;
  declare cost: CreationOptional<number | null>;
  declare bound: CreationOptional<number | null>;
  declare proven: boolean;
  declare before: CreationOptional<PlanSearch['before']>;
  declare after: CreationOptional<PlanSearch['after']>;
  declare trouble: CreationOptional<string | null>;
}

/** A machine that stopped in harvest. */
export class BreakdownRow extends Model<
  InferAttributes<BreakdownRow>,
  InferCreationAttributes<BreakdownRow>
> {
  declare id: string;
  declare machineId: string;
  declare at: Date;
  declare hours: number;
  declare checkId: CreationOptional<string | null>;
  declare component: string;
  declare kind: Breakdown['kind'];
  declare hoursLost: CreationOptional<number | null>;
  declare note: string;
  declare by: string;
}

/** A calendar's secret link; what makes it secret is signed by the server, not kept. */
export class FeedRow extends Model<InferAttributes<FeedRow>, InferCreationAttributes<FeedRow>> {
  declare id: string;
  declare personId: string;
  declare madeBy: string;
  declare madeAt: Date;
  declare revokedAt: CreationOptional<Date | null>;
}

/** An import of readings: its file, until it is done, and how far it has come. */
export class ImportRow extends Model<
  InferAttributes<ImportRow>,
  InferCreationAttributes<ImportRow>
> {
  declare id: string;
  declare personId: string;
  declare mode: ImportReport['mode'];
  declare preview: boolean;
  declare file: string | null;
  declare state: Import['state'];
  declare step: Import['step'];
  declare done: number;
  declare rows: CreationOptional<number | null>;
  declare report: CreationOptional<ImportReport | null>;
  declare trouble: CreationOptional<Problem | null>;
}
