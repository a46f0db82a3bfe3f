import { DataTypes, type Sequelize } from 'sequelize';

export const id = { type: DataTypes.UUID, primaryKey: true } as const;
export const text = { type: DataTypes.TEXT, allowNull: false } as const;
export const json = { type: DataTypes.JSONB, allowNull: false } as const;
export const maybeText = { type: DataTypes.TEXT, allowNull: true } as const;
export const maybeNumber = { type: DataTypes.DOUBLE, allowNull: true } as const;
export const maybeJson = { type: DataTypes.JSONB, allowNull: true } as const;
export const whole = { type: DataTypes.INTEGER, allowNull: false } as const;
export const number = { type: DataTypes.DOUBLE, allowNull: false } as const;
export const moment = { type: DataTypes.DATE, allowNull: false } as const;
export const maybeMoment = { type: DataTypes.DATE, allowNull: true } as const;
export const day = { type: DataTypes.DATEONLY, allowNull: false } as const;
export const flag = { type: DataTypes.BOOLEAN, allowNull: false } as const;
export const uuid = { type: DataTypes.UUID, allowNull: false } as const;
export const maybeUuid = { type: DataTypes.UUID, allowNull: true } as const;

/** Sequelize writes into the attribute objects it is given, so each table gets its own copies. */
export function own<T extends Record<string, object>>(attributes: T): T {
  return Object.fromEntries(
    Object.entries(attributes).map(([name, attribute]) => [name, { ...attribute }]),
  ) as T;
}

/** A table of the connection that models are tied to. */
export type Table = (tableName: string) => {
  readonly sequelize: Sequelize;
  readonly tableName: string;
  readonly timestamps: false;
  readonly underscored: true;
};
