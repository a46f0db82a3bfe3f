import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
} from 'sequelize';
import type {
  BoardSetting,
  PlanSearch,
  PlanWish,
  TechnicianHours,
  VisitDiffers,
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
  own,
  type Table,
} from './columns';

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

/** A calendar's secret link; what makes it secret is signed by the server, not kept. */
export class FeedRow extends Model<InferAttributes<FeedRow>, InferCreationAttributes<FeedRow>> {
  declare id: string;
  declare personId: string;
  declare madeBy: string;
  declare madeAt: Date;
  declare revokedAt: CreationOptional<Date | null>;
}

/** Tables about the board: how visits are planned, plans, calendars. */
export function defineBoard(table: Table): void {
  BoardSettingRow.init(
    own({
      branch: { ...text, primaryKey: true },
      document: json,
      version: whole,
      by: text,
      at: moment,
    }),
    table('board_settings'),
  );
  TechnicianHoursRow.init(
    own({
      personId: { type: DataTypes.UUID, primaryKey: true },
      skills: json,
      week: json,
      away: json,
      version: whole,
    }),
    table('technician_hours'),
  );
  PlanVersionRow.init(
    own({
      branch: { ...text, primaryKey: true },
      n: { type: DataTypes.INTEGER, primaryKey: true },
      by: text,
      at: moment,
      why: text,
      changes: json,
    }),
    table('plan_versions'),
  );
  PlanSearchRow.init(
    own({
      id,
      branch: text,
      by: text,
      at: moment,
      seen: whole,
      wish: json,
      state: text,
      share: number,
      first: maybeNumber,
      cost: maybeNumber,
      bound: maybeNumber,
      proven: flag,
      before: maybeJson,
      after: maybeJson,
      trouble: maybeText,
    }),
    table('plan_searches'),
  );
  FeedRow.init(
    own({ id, personId: uuid, madeBy: text, madeAt: moment, revokedAt: maybeMoment }),
    table('calendar_feeds'),
  );
}
