import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
} from 'sequelize';
import type { BranchCosts, Visit, WorkItem } from '@green-tally/core/contracts';
import type { OwnerReport } from '@green-tally/core/contracts/report';
import {
  id,
  text,
  json,
  maybeText,
  maybeNumber,
  maybeJson,
  whole,
  number,
  moment,
  maybeMoment,
  day,
  flag,
  uuid,
  maybeUuid,
  own,
  type Table,
} from './columns';

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

/** Tables about work and what it takes: visits, costs, parts; reports to owners. */
export function defineWork(table: Table): void {
  WorkRow.init(
    own({
      id,
      machineId: uuid,
      checkId: text,
      decision: text,
      places: json,
      reason: text,
      minutes: number,
      cover: maybeJson,
      parts: json,
      from: text,
      task: maybeJson,
      mates: { ...json, defaultValue: [] },
      learnt: maybeJson,
      proposed: maybeJson,
      worked: { ...json, defaultValue: [] },
      acceptedBy: text,
      acceptedAt: moment,
      withdrawnAt: maybeMoment,
    }),
    table('work_items'),
  );
  VisitRow.init(
    own({
      id,
      machineId: uuid,
      technicianId: uuid,
      mateId: maybeUuid,
      startsOn: day,
      starts: { ...text, defaultValue: 'morning' },
      endsOn: day,
      ends: { ...text, defaultValue: 'noon' },
      halfDays: { type: DataTypes.INTEGER, allowNull: true },
      hours: number,
      site: text,
      pinned: { ...flag, defaultValue: false },
      overTime: { ...flag, defaultValue: false },
      note: text,
      workIds: json,
      startedAt: maybeMoment,
      stoppedAt: maybeMoment,
      finishedAt: maybeMoment,
      version: { type: DataTypes.INTEGER, allowNull: false },
    }),
    table('visits'),
  );
  CostsRow.init(
    own({
      branch: { ...text, primaryKey: true },
      currency: text,
      labourHour: number,
      stopHour: number,
      customers: json,
      version: { type: DataTypes.INTEGER, allowNull: false },
      by: text,
      at: moment,
    }),
    table('branch_costs'),
  );
  PriceRow.init(
    own({
      number: { ...text, primaryKey: true },
      price: maybeNumber,
      supplier: maybeText,
      by: text,
      at: moment,
    }),
    table('part_prices'),
  );
  SupplierRow.init(
    own({ name: { ...text, primaryKey: true }, leadDays: whole, spreadDays: number }),
    table('suppliers'),
  );
  StockRow.init(
    own({
      branch: { ...text, primaryKey: true },
      number: { ...text, primaryKey: true },
      onHand: whole,
      asOf: moment,
      source: text,
    }),
    table('stock'),
  );
  OrderRow.init(
    own({
      id,
      branch: text,
      number: text,
      name: text,
      quantity: whole,
      supplier: maybeText,
      placedOn: day,
      expectedOn: day,
      arrivedOn: { type: DataTypes.DATEONLY, allowNull: true },
      note: text,
      by: text,
      version: whole,
    }),
    table('part_orders'),
  );
  ReportLinkRow.init(
    own({
      id,
      machineId: uuid,
      secretHash: text,
      madeBy: text,
      madeAt: moment,
      expiresAt: moment,
      revokedAt: maybeMoment,
      views: { type: DataTypes.INTEGER, allowNull: false, defaultValue: 0 },
      seenAt: maybeMoment,
      mailedTo: maybeText,
      report: json,
      subjects: json,
    }),
    table('report_links'),
  );
}
