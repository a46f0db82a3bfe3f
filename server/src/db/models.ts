import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize';
import type {
  Machine,
  Person,
  Reading,
  SpecSheet,
  Visit,
  WorkItem,
} from '@green-tally/core/contracts';

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
  declare header: CreationOptional<Machine['header']>;
  declare harvest: Machine['harvest'];
  declare equipment: CreationOptional<Record<string, string> | null>;
  declare rejudged: CreationOptional<Record<string, number> | null>;
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
  declare acceptedBy: string;
  declare acceptedAt: Date;
  declare withdrawnAt: CreationOptional<Date | null>;
}

export class VisitRow extends Model<InferAttributes<VisitRow>, InferCreationAttributes<VisitRow>> {
  declare id: string;
  declare machineId: string;
  declare technicianId: string;
  declare startsOn: string;
  declare endsOn: string;
  declare hours: number;
  declare site: Visit['site'];
  declare note: string;
  declare workIds: string[];
  declare version: number;
}

export class SettingRow extends Model<
  InferAttributes<SettingRow>,
  InferCreationAttributes<SettingRow>
> {
  declare key: string;
  declare value: string;
}

const id = { type: DataTypes.UUID, primaryKey: true } as const;
const text = { type: DataTypes.TEXT, allowNull: false } as const;
const json = { type: DataTypes.JSONB, allowNull: false } as const;
const maybeJson = { type: DataTypes.JSONB, allowNull: true } as const;
const number = { type: DataTypes.DOUBLE, allowNull: false } as const;
const moment = { type: DataTypes.DATE, allowNull: false } as const;
const maybeMoment = { type: DataTypes.DATE, allowNull: true } as const;
const day = { type: DataTypes.DATEONLY, allowNull: false } as const;
const flag = { type: DataTypes.BOOLEAN, allowNull: false } as const;
const uuid = { type: DataTypes.UUID, allowNull: false } as const;
const maybeUuid = { type: DataTypes.UUID, allowNull: true } as const;

/** Sequelize writes into the attribute objects it is given, so each table gets its own copies. */
function own<T extends Record<string, object>>(attributes: T): T {
  return Object.fromEntries(
    Object.entries(attributes).map(([name, attribute]) => [name, { ...attribute }]),
  ) as T;
}

/** Ties the models to one connection. Tables are made by migrations, never by sync. */
export function defineModels(sequelize: Sequelize): void {
  const table = (tableName: string) => ({
    sequelize,
    tableName,
    timestamps: false,
    underscored: true,
  });
  BranchRow.init(own({ id, name: text }), table('branches'));
  PersonRow.init(
    own({ id, name: text, signIn: text, passwordHash: text, role: text, branch: text }),
    table('people'),
  );
  MachineRow.init(
    own({
      id,
      serial: text,
      model: text,
      customer: text,
      branch: text,
      builtOn: day,
      hours: number,
      header: maybeJson,
      harvest: json,
      equipment: maybeJson,
      rejudged: maybeJson,
    }),
    table('machines'),
  );
  SheetRow.init(
    own({
      model: { ...text, primaryKey: true },
      revision: { type: DataTypes.INTEGER, primaryKey: true },
      document: json,
      publishedBy: { ...text, defaultValue: 'the books' },
      publishedAt: { ...moment, defaultValue: DataTypes.NOW },
    }),
    table('spec_sheets'),
  );
  DraftRow.init(
    own({
      model: { ...text, primaryKey: true },
      basedOn: { type: DataTypes.INTEGER, allowNull: false },
      document: json,
      version: { type: DataTypes.INTEGER, allowNull: false },
      by: text,
      updatedAt: moment,
    }),
    table('sheet_drafts'),
  );
  WalkRow.init(
    own({
      id,
      machineId: uuid,
      startedAt: moment,
      finishedAt: maybeMoment,
      madeSafeAt: maybeMoment,
      hours: number,
      by: text,
      noticed: text,
    }),
    table('walks'),
  );
  ReadingRow.init(
    own({
      id,
      machineId: uuid,
      walkId: maybeUuid,
      checkId: text,
      sheet: json,
      place: text,
      state: text,
      value: json,
      renewed: flag,
      settled: flag,
      positionConfirmed: flag,
      tool: maybeJson,
      takenAt: moment,
      hours: number,
      by: text,
      note: text,
      strikes: maybeUuid,
    }),
    table('readings'),
  );
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
      startsOn: day,
      endsOn: day,
      hours: number,
      site: text,
      note: text,
      workIds: json,
      version: { type: DataTypes.INTEGER, allowNull: false },
    }),
    table('visits'),
  );
  SettingRow.init(own({ key: { ...text, primaryKey: true }, value: text }), table('settings'));
}
