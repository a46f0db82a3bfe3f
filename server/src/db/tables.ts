import { DataTypes, type Sequelize } from 'sequelize';
import {
  BranchRow,
  CustomerRow,
  HeaderRow,
  ImportRow,
  PageRow,
  PersonRow,
  MachineRow,
  SheetRow,
  DraftRow,
  WalkRow,
  ReadingRow,
  WorkRow,
  VisitRow,
  SettingRow,
  PhotoRow,
  TickRow,
  CardRow,
  ApiTokenRow,
  FleetHoursRow,
  ReportLinkRow,
  SaidRow,
  OwnToolRow,
  CostsRow,
  PriceRow,
  SupplierRow,
  StockRow,
  OrderRow,
  BoardSettingRow,
  TechnicianHoursRow,
  PlanVersionRow,
  PlanSearchRow,
  FeedRow,
  BreakdownRow,
} from './models';

const id = { type: DataTypes.UUID, primaryKey: true } as const;
const text = { type: DataTypes.TEXT, allowNull: false } as const;
const json = { type: DataTypes.JSONB, allowNull: false } as const;
const maybeText = { type: DataTypes.TEXT, allowNull: true } as const;
const maybeNumber = { type: DataTypes.DOUBLE, allowNull: true } as const;
const maybeJson = { type: DataTypes.JSONB, allowNull: true } as const;
const whole = { type: DataTypes.INTEGER, allowNull: false } as const;
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

const asEntered = (rows: readonly unknown[]): void => {
  for (const row of rows) if (row instanceof MachineRow) row.bookHours = row.hours;
};

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
    own({
      ...{ id, name: text, signIn: text, passwordHash: text, role: text, branch: text },
      suspendedAt: maybeMoment,
      mustChange: { ...flag, defaultValue: false },
    }),
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
      bookHours: { ...number, defaultValue: 0 },
      header: maybeJson,
      harvest: json,
      equipment: maybeJson,
      rejudged: maybeJson,
      version: { type: DataTypes.INTEGER, allowNull: false, defaultValue: 1 },
    }),
    table('machines'),
  );
  // a machine comes onto the books with the hours that a person entered
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
  CardRow.init(
    own({ id, machineId: uuid, madeBy: text, madeAt: moment, revokedAt: maybeMoment }),
    table('cards'),
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
  BreakdownRow.init(
    own({
      ...{ id, machineId: uuid, at: moment, hours: number, checkId: maybeText },
      ...{ component: text, kind: text, hoursLost: maybeNumber, note: text, by: text },
    }),
    table('breakdowns'),
  );
  FeedRow.init(
    own({ id, personId: uuid, madeBy: text, madeAt: moment, revokedAt: maybeMoment }),
    table('calendar_feeds'),
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
  SettingRow.init(own({ key: { ...text, primaryKey: true }, value: text }), table('settings'));
}
