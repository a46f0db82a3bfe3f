import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
} from 'sequelize';
import type { Machine, OperatorSaid } from '@green-tally/core/contracts';
import type { HoursReport } from '@green-tally/core/contracts/hours';
import {
  id,
  text,
  json,
  maybeText,
  maybeNumber,
  maybeJson,
  number,
  moment,
  maybeMoment,
  day,
  flag,
  uuid,
  own,
  type Table,
} from './columns';

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

/** A link to a machine's operator's card. */
export class CardRow extends Model<InferAttributes<CardRow>, InferCreationAttributes<CardRow>> {
  declare id: string;
  declare machineId: string;
  declare madeBy: string;
  declare madeAt: Date;
  declare revokedAt: CreationOptional<Date | null>;
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

const asEntered = (rows: readonly unknown[]): void => {
  for (const row of rows) if (row instanceof MachineRow) row.bookHours = row.hours;
};

/** Tables about machines and whose they are; what their meters and operators say. */
export function defineMachines(table: Table): void {
  MachineRow.init(
    own({
      id,
      serial: text,
      model: text,
      customer: text,
      branch: text,
      builtOn: day,
      hours: number,
      bookHours: { ...number, defaultValue: 0 },
      header: maybeJson,
      harvest: json,
      equipment: maybeJson,
      rejudged: maybeJson,
      version: { type: DataTypes.INTEGER, allowNull: false, defaultValue: 1 },
    }),
    table('machines'),
  );
  MachineRow.addHook('beforeCreate', (row) => asEntered([row]));
  MachineRow.addHook('beforeBulkCreate', asEntered);
  CustomerRow.init(
    own({
      ...{ id, name: text, branch: text, place: text, phone: text, email: text, note: text },
      ...{ x: maybeNumber, y: maybeNumber },
    }),
    table('customers'),
  );
  HeaderRow.init(
    own({ id, serial: text, model: text, customer: text, branch: text, equipment: maybeJson }),
    table('headers'),
  );
  FleetHoursRow.init(
    own({
      id,
      machineId: uuid,
      meter: text,
      hours: number,
      offset: number,
      at: moment,
      source: text,
      state: text,
      doubt: maybeText,
      before: maybeJson,
      answeredBy: maybeText,
    }),
    table('fleet_hours'),
  );
  CardRow.init(
    own({ id, machineId: uuid, madeBy: text, madeAt: moment, revokedAt: maybeMoment }),
    table('cards'),
  );
  SaidRow.init(
    own({
      id,
      machineId: uuid,
      cardId: uuid,
      at: moment,
      name: text,
      hours: maybeNumber,
      noticed: text,
      answers: json,
      photo: flag,
    }),
    table('operator_said'),
  );
}
