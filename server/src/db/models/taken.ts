import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
} from 'sequelize';
import type {
  Breakdown,
  Import,
  ImportReport,
  Photo,
  Problem,
  Reading,
  Tick,
  Walk,
} from '@green-tally/core/contracts';
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
  flag,
  uuid,
  maybeUuid,
  own,
  type Table,
} from './columns';

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

/** Tables about what was taken: walks, readings, ticks, photos, breakdowns; files of readings. */
export function defineTaken(table: Table): void {
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
      checks: maybeJson,
      asFound: { ...json, defaultValue: {} },
      kind: maybeText,
      minutes: maybeNumber,
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
      repaired: { ...flag, defaultValue: false },
      fit: maybeJson,
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
  TickRow.init(
    own({
      id,
      machineId: uuid,
      key: text,
      done: flag,
      at: moment,
      by: text,
      note: text,
      until: maybeJson,
      answer: maybeText,
    }),
    table('ticks'),
  );
  PhotoRow.init(
    own({
      id,
      machineId: uuid,
      walkId: maybeUuid,
      checkId: text,
      place: text,
      bytes: whole,
      width: whole,
      height: whole,
      takenAt: moment,
      by: text,
      dropped: maybeJson,
    }),
    table('photos'),
  );
  BreakdownRow.init(
    own({
      ...{ id, machineId: uuid, at: moment, hours: number, checkId: maybeText },
      ...{ component: text, kind: text, hoursLost: maybeNumber, note: text, by: text },
    }),
    table('breakdowns'),
  );
  ImportRow.init(
    own({
      id,
      personId: uuid,
      mode: text,
      preview: flag,
      file: { type: DataTypes.TEXT, allowNull: true },
      state: text,
      step: text,
      done: { type: DataTypes.INTEGER, allowNull: false },
      rows: { type: DataTypes.INTEGER, allowNull: true },
      report: maybeJson,
      trouble: maybeJson,
    }),
    table('imports'),
  );
}
