import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
} from 'sequelize';
import type { SheetPage, SpecSheet } from '@green-tally/core/contracts';
import { id, text, json, moment, own, type Table } from './columns';

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

/** Tables about spec sheets: revisions, drafts, pages of the book. */
export function defineSheets(table: Table): void {
  PageRow.init(
    own({
      id,
      model: text,
      name: text,
      checks: json,
      mime: text,
      bytes: { type: DataTypes.INTEGER, allowNull: false },
      data: { type: DataTypes.BLOB, allowNull: false },
      by: text,
      at: moment,
    }),
    table('sheet_pages'),
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
}
