import type { Sequelize } from 'sequelize';
import { defineBoard } from './board';
import { defineMachines } from './machines';
import { definePeople } from './people';
import { defineSheets } from './sheets';
import { defineTaken } from './taken';
import { defineWork } from './work';

export * from './board';
export * from './machines';
export * from './people';
export * from './sheets';
export * from './taken';
export * from './work';

/**
 * Ties the models to one connection. Tables are made by migrations, never by sync. Facts are append-only;
 * a correction is a new row that strikes an old one. Timestamps are UTC.
 */
export function defineModels(sequelize: Sequelize): void {
  const table = (tableName: string) => ({
    sequelize,
    tableName,
    timestamps: false as const,
    underscored: true as const,
  });
  defineBoard(table);
  defineMachines(table);
  definePeople(table);
  defineSheets(table);
  defineTaken(table);
  defineWork(table);
}
