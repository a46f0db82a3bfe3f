import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
} from 'sequelize';
import type { OwnTool, Person } from '@green-tally/core/contracts';
import type { ApiToken } from '@green-tally/core/contracts/tokens';
import {
  id,
  text,
  json,
  maybeNumber,
  whole,
  number,
  moment,
  maybeMoment,
  flag,
  uuid,
  own,
  type Table,
} from './columns';

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

export class SettingRow extends Model<
  InferAttributes<SettingRow>,
  InferCreationAttributes<SettingRow>
> {
  declare key: string;
  declare value: string;
}

/** Tables about people: who they are, their tools and tokens, and what is set for all. */
export function definePeople(table: Table): void {
  BranchRow.init(own({ id, name: text }), table('branches'));
  PersonRow.init(
    own({
      ...{ id, name: text, signIn: text, passwordHash: text, role: text, branch: text },
      suspendedAt: maybeMoment,
      mustChange: { ...flag, defaultValue: false },
    }),
    table('people'),
  );
  OwnToolRow.init(
    own({
      id,
      personId: uuid,
      name: text,
      quantity: text,
      resolution: number,
      uncertainty: maybeNumber,
      calibratedOn: { type: DataTypes.DATEONLY, allowNull: true },
      everyMonths: whole,
    }),
    table('own_tools'),
  );
  ApiTokenRow.init(
    own({
      id,
      name: text,
      branch: text,
      scopes: json,
      secretHash: text,
      madeBy: text,
      madeAt: moment,
      expiresAt: maybeMoment,
      revokedAt: maybeMoment,
      usedAt: maybeMoment,
    }),
    table('api_tokens'),
  );
  SettingRow.init(own({ key: { ...text, primaryKey: true }, value: text }), table('settings'));
}
