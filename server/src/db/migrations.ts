import { Umzug, type MigrationParams } from 'umzug';
import type { QueryInterface, Sequelize } from 'sequelize';
import { holdLock } from './locks';

const sql = (name: string, up: string, down: string) => ({
  name,
  up: async ({ context }: MigrationParams<QueryInterface>) => {
    await context.sequelize.query(up);
  },
  down: async ({ context }: MigrationParams<QueryInterface>) => {
    await context.sequelize.query(down);
  },
});

/** Facts of machines; each row knows the transaction that wrote it last. */
const WRITTEN = ['readings', 'walks', 'work_items', 'visits', 'ticks'] as const;

/** Every change of the tables, oldest first. Never edit one that has landed: add the next. */
const MIGRATIONS = [
  sql(
    '001-first-tables',
    `
    CREATE TABLE branches (id uuid PRIMARY KEY, name text NOT NULL UNIQUE);
    CREATE TABLE people (
      id uuid PRIMARY KEY, name text NOT NULL, sign_in text NOT NULL, password_hash text NOT NULL,
      role text NOT NULL CHECK (role IN ('technician','planner','admin')), branch text NOT NULL REFERENCES branches(name));
    CREATE UNIQUE INDEX people_sign_in ON people (lower(sign_in));
    CREATE TABLE machines (
      id uuid PRIMARY KEY, serial text NOT NULL UNIQUE, model text NOT NULL, customer text NOT NULL, branch text NOT NULL REFERENCES branches(name),
      built_on date NOT NULL, hours double precision NOT NULL CHECK (hours >= 0), header jsonb, harvest jsonb NOT NULL);
    CREATE TABLE spec_sheets (model text NOT NULL, revision int NOT NULL, document jsonb NOT NULL, PRIMARY KEY (model, revision));
    CREATE TABLE walks (
      id uuid PRIMARY KEY, machine_id uuid NOT NULL REFERENCES machines(id), started_at timestamptz NOT NULL, finished_at timestamptz,
      made_safe_at timestamptz, hours double precision NOT NULL, by text NOT NULL, noticed text NOT NULL DEFAULT '');
    CREATE INDEX walks_machine ON walks (machine_id, started_at);
    CREATE TABLE readings (
      id uuid PRIMARY KEY, machine_id uuid NOT NULL REFERENCES machines(id), walk_id uuid, check_id text NOT NULL, sheet jsonb NOT NULL,
      place text NOT NULL, state text NOT NULL CHECK (state IN ('asFound','asLeft')), value jsonb NOT NULL, renewed boolean NOT NULL, settled boolean NOT NULL,
      position_confirmed boolean NOT NULL, tool jsonb, taken_at timestamptz NOT NULL, hours double precision NOT NULL, by text NOT NULL, note text NOT NULL,
      strikes uuid, stored_at timestamptz NOT NULL DEFAULT now());
    CREATE INDEX readings_machine ON readings (machine_id, taken_at);
    CREATE TABLE work_items (
      id uuid PRIMARY KEY, machine_id uuid NOT NULL REFERENCES machines(id), check_id text NOT NULL, decision text NOT NULL, places jsonb NOT NULL, reason text NOT NULL,
      minutes double precision NOT NULL, cover jsonb, parts jsonb NOT NULL, accepted_by text NOT NULL, accepted_at timestamptz NOT NULL, withdrawn_at timestamptz);
    CREATE INDEX work_machine ON work_items (machine_id);
    CREATE TABLE visits (
      id uuid PRIMARY KEY, machine_id uuid NOT NULL REFERENCES machines(id), technician_id uuid NOT NULL REFERENCES people(id), starts_on date NOT NULL, ends_on date NOT NULL,
      hours double precision NOT NULL CHECK (hours > 0), site text NOT NULL, note text NOT NULL, work_ids jsonb NOT NULL, version int NOT NULL);
    CREATE INDEX visits_machine ON visits (machine_id);
    CREATE TABLE settings (key text PRIMARY KEY, value text NOT NULL);
    INSERT INTO settings VALUES ('factsVersion', '0');
    CREATE TABLE session (sid text PRIMARY KEY, sess json NOT NULL, expire timestamptz NOT NULL);
    CREATE INDEX session_expire ON session (expire);`,
    'DROP TABLE session, settings, visits, work_items, readings, walks, spec_sheets, machines, people, branches;',
  ),
  sql(
    '002-sheet-revisions',
    `
    ALTER TABLE machines ADD COLUMN equipment jsonb, ADD COLUMN rejudged jsonb;
    ALTER TABLE spec_sheets ADD COLUMN published_by text NOT NULL DEFAULT 'the books', ADD COLUMN published_at timestamptz NOT NULL DEFAULT now();
    CREATE TABLE sheet_drafts (model text PRIMARY KEY, based_on int NOT NULL, document jsonb NOT NULL, version int NOT NULL, by text NOT NULL, updated_at timestamptz NOT NULL);
    CREATE INDEX readings_sheet ON readings ((sheet->>'model'), ((sheet->>'revision')::int));`,
    'DROP INDEX readings_sheet; DROP TABLE sheet_drafts; ALTER TABLE spec_sheets DROP COLUMN published_by, DROP COLUMN published_at; ALTER TABLE machines DROP COLUMN equipment, DROP COLUMN rejudged;',
  ),
  sql(
    '003-put-right-and-ticks',
    `
    ALTER TABLE readings ADD COLUMN repaired boolean NOT NULL DEFAULT false, ADD COLUMN fit jsonb;
    ALTER TABLE walks ADD COLUMN checks jsonb;
    CREATE TABLE ticks (id uuid PRIMARY KEY, machine_id uuid NOT NULL REFERENCES machines(id), key text NOT NULL, done boolean NOT NULL, at timestamptz NOT NULL, by text NOT NULL, note text NOT NULL,
      stored_at timestamptz NOT NULL DEFAULT now());
    CREATE INDEX ticks_machine ON ticks (machine_id);`,
    'DROP TABLE ticks; ALTER TABLE walks DROP COLUMN checks; ALTER TABLE readings DROP COLUMN repaired, DROP COLUMN fit;',
  ),
  sql(
    '004-costs-and-as-found',
    `
    ALTER TABLE walks ADD COLUMN as_found jsonb NOT NULL DEFAULT '{}';
    CREATE TABLE branch_costs (branch text PRIMARY KEY REFERENCES branches(name), currency text NOT NULL, labour_hour double precision NOT NULL CHECK (labour_hour >= 0),
      stop_hour double precision NOT NULL CHECK (stop_hour >= 0), customers jsonb NOT NULL, version int NOT NULL, by text NOT NULL, at timestamptz NOT NULL);
    CREATE TABLE part_prices (number text PRIMARY KEY, price double precision NOT NULL CHECK (price >= 0), by text NOT NULL, at timestamptz NOT NULL);`,
    'DROP TABLE branch_costs; DROP TABLE part_prices; ALTER TABLE walks DROP COLUMN as_found;',
  ),
  sql(
    '005-customers-and-headers',
    `
    CREATE TABLE customers (id uuid PRIMARY KEY, name text NOT NULL, branch text NOT NULL REFERENCES branches(name), place text NOT NULL, phone text NOT NULL, email text NOT NULL, note text NOT NULL);
    CREATE UNIQUE INDEX customers_name ON customers (branch, lower(name));
    CREATE TABLE headers (id uuid PRIMARY KEY, serial text NOT NULL UNIQUE, model text NOT NULL, customer text NOT NULL, branch text NOT NULL REFERENCES branches(name), equipment jsonb);`,
    'DROP TABLE customers; DROP TABLE headers;',
  ),
  sql(
    '006-pages-of-the-book',
    `
    CREATE TABLE sheet_pages (id uuid PRIMARY KEY, model text NOT NULL, name text NOT NULL, checks jsonb NOT NULL, mime text NOT NULL, bytes int NOT NULL, data bytea NOT NULL, by text NOT NULL, at timestamptz NOT NULL);
    CREATE INDEX sheet_pages_model ON sheet_pages (model, name);`,
    'DROP TABLE sheet_pages;',
  ),
  // New columns have constant defaults, so that no row is rewritten however many there are: each
  // table is locked for the moment in which its description changes.
  sql(
    '007-versions-and-standings',
    `
    ALTER TABLE machines ADD COLUMN version int NOT NULL DEFAULT 1;
    ${WRITTEN.map(
      (table) => `
    ALTER TABLE ${table} ADD COLUMN wrote xid8 NOT NULL DEFAULT '0';
    ALTER TABLE ${table} ALTER COLUMN wrote SET DEFAULT pg_current_xact_id();`,
    ).join('')}
    CREATE FUNCTION wrote_now() RETURNS trigger LANGUAGE plpgsql AS 'BEGIN NEW.wrote := pg_current_xact_id(); RETURN NEW; END';
    ${WRITTEN.map(
      (table) => `
    CREATE TRIGGER ${table}_wrote BEFORE UPDATE ON ${table} FOR EACH ROW EXECUTE FUNCTION wrote_now();`,
    ).join('')}
    CREATE TABLE machine_writes (machine_id uuid NOT NULL REFERENCES machines(id), version int NOT NULL, wrote xid8 NOT NULL DEFAULT pg_current_xact_id(),
      dropped jsonb NOT NULL DEFAULT '[]', at timestamptz NOT NULL DEFAULT now(), PRIMARY KEY (machine_id, version));
    CREATE TABLE machine_standings (machine_id uuid PRIMARY KEY REFERENCES machines(id), version int NOT NULL, day date NOT NULL, rates int NOT NULL,
      slack int NOT NULL, walk text NOT NULL, next text NOT NULL, late boolean NOT NULL, must_start date, row jsonb, trouble text, judged_at timestamptz NOT NULL DEFAULT now());
    CREATE TABLE due_lines (machine_id uuid NOT NULL REFERENCES machines(id), n int NOT NULL, state int NOT NULL, day text NOT NULL, kind text NOT NULL, line jsonb NOT NULL, PRIMARY KEY (machine_id, n));
    CREATE INDEX due_lines_order ON due_lines (state, day);
    CREATE TABLE machine_lives (machine_id uuid PRIMARY KEY REFERENCES machines(id), version int NOT NULL, lives jsonb NOT NULL);
    CREATE TABLE fleet_rates (id int GENERATED ALWAYS AS IDENTITY PRIMARY KEY, day date NOT NULL UNIQUE, rates jsonb NOT NULL, at timestamptz NOT NULL DEFAULT now());
    DELETE FROM settings WHERE key = 'factsVersion';`,
    `DROP TABLE fleet_rates, machine_lives, due_lines, machine_standings, machine_writes;
    ${WRITTEN.map((table) => `DROP TRIGGER ${table}_wrote ON ${table}; ALTER TABLE ${table} DROP COLUMN wrote;`).join(' ')}
    DROP FUNCTION wrote_now(); ALTER TABLE machines DROP COLUMN version; INSERT INTO settings VALUES ('factsVersion', '0');`,
  ),
  sql(
    '008-imports-and-tries',
    `
    CREATE TABLE imports (id uuid PRIMARY KEY, person_id uuid NOT NULL REFERENCES people(id), mode text NOT NULL, preview boolean NOT NULL, file text, state text NOT NULL, step text NOT NULL,
      done int NOT NULL, rows int, report jsonb, trouble jsonb, at timestamptz NOT NULL DEFAULT now());
    CREATE TABLE tries (key text PRIMARY KEY, hits int NOT NULL, until timestamptz NOT NULL);`,
    'DROP TABLE imports, tries;',
  ),
  // the Yard reads standings in the order of their slack, no further than its page
  sql(
    '009-standings-by-slack',
    'CREATE INDEX machine_standings_slack ON machine_standings (slack);',
    'DROP INDEX machine_standings_slack;',
  ),
  // lives are looked through anew: in them is how often a hand was needed
  sql(
    '010-kinds-of-walk',
    `
    ALTER TABLE walks ADD COLUMN kind text, ADD COLUMN minutes int;
    ALTER TABLE machine_lives ADD COLUMN hands jsonb NOT NULL DEFAULT '{}';
    ALTER TABLE fleet_rates ADD COLUMN hands jsonb NOT NULL DEFAULT '{}';
    UPDATE machine_lives SET version = -1;`,
    `ALTER TABLE walks DROP COLUMN kind, DROP COLUMN minutes;
    ALTER TABLE machine_lives DROP COLUMN hands; ALTER TABLE fleet_rates DROP COLUMN hands;`,
  ),
  // how a machine stands in a walk, and photos: what they show lies in a store of its own
  sql(
    '011-photos',
    `
    CREATE TABLE photos (id uuid PRIMARY KEY, machine_id uuid NOT NULL REFERENCES machines(id), walk_id uuid, check_id text NOT NULL, place text NOT NULL,
      bytes int NOT NULL, width int NOT NULL, height int NOT NULL, taken_at timestamptz NOT NULL, by text NOT NULL, dropped jsonb,
      wrote xid8 NOT NULL DEFAULT pg_current_xact_id());
    CREATE INDEX photos_machine ON photos (machine_id);
    CREATE TRIGGER photos_wrote BEFORE UPDATE ON photos FOR EACH ROW EXECUTE FUNCTION wrote_now();
    CREATE TABLE photo_uploads (id uuid PRIMARY KEY, photo jsonb NOT NULL, at timestamptz NOT NULL DEFAULT now());
    CREATE TABLE photo_parts (photo_id uuid NOT NULL REFERENCES photo_uploads(id) ON DELETE CASCADE, start int NOT NULL, data bytea NOT NULL, PRIMARY KEY (photo_id, start));
    CREATE TABLE stored_files (key text PRIMARY KEY, data bytea NOT NULL);`,
    'DROP TABLE photo_parts, photo_uploads, photos, stored_files;',
  ),
  sql(
    '012-own-tools',
    `
    CREATE TABLE own_tools (
      id uuid PRIMARY KEY, person_id uuid NOT NULL REFERENCES people(id) ON DELETE CASCADE, name text NOT NULL, quantity text NOT NULL,
      resolution double precision NOT NULL CHECK (resolution > 0), uncertainty double precision CHECK (uncertainty > 0),
      calibrated_on date, every_months integer NOT NULL CHECK (every_months BETWEEN 1 AND 60));
    CREATE INDEX own_tools_person ON own_tools (person_id);`,
    'DROP TABLE own_tools;',
  ),
  // the operator's card: its links, and what was said on it
  sql(
    '013-operators-card',
    `
    CREATE TABLE cards (id uuid PRIMARY KEY, machine_id uuid NOT NULL REFERENCES machines(id), made_by text NOT NULL, made_at timestamptz NOT NULL, revoked_at timestamptz);
    CREATE INDEX cards_machine ON cards (machine_id);
    CREATE TABLE operator_said (id uuid PRIMARY KEY, machine_id uuid NOT NULL REFERENCES machines(id), card_id uuid NOT NULL REFERENCES cards(id), at timestamptz NOT NULL, name text NOT NULL,
      hours double precision, noticed text NOT NULL, answers jsonb NOT NULL, photo boolean NOT NULL, wrote xid8 NOT NULL DEFAULT pg_current_xact_id());
    CREATE INDEX operator_said_machine ON operator_said (machine_id);`,
    'DROP TABLE operator_said, cards;',
  ),
  // work from services, rechecks and tasks; what was done of it; what is put off, and the owner's word
  sql(
    '014-work',
    `
    ALTER TABLE work_items ADD COLUMN "from" text NOT NULL DEFAULT 'verdict', ADD COLUMN task jsonb, ADD COLUMN mates jsonb NOT NULL DEFAULT '[]',
      ADD COLUMN learnt jsonb, ADD COLUMN proposed jsonb, ADD COLUMN worked jsonb NOT NULL DEFAULT '[]';
    ALTER TABLE ticks ADD COLUMN until jsonb, ADD COLUMN answer text;
    CREATE TABLE work_lines (machine_id uuid NOT NULL REFERENCES machines(id), n int NOT NULL, state text NOT NULL, decision text NOT NULL, line jsonb NOT NULL,
      PRIMARY KEY (machine_id, n));
    CREATE INDEX work_lines_state ON work_lines (state, decision);
    -- every machine is judged anew, so that its work is in the list
    UPDATE machine_standings SET version = 0;
    ALTER TABLE machine_lives ADD COLUMN jobs jsonb NOT NULL DEFAULT '[]'; ALTER TABLE fleet_rates ADD COLUMN times jsonb NOT NULL DEFAULT '{}';`,
    `DROP TABLE work_lines; ALTER TABLE work_items DROP COLUMN "from", DROP COLUMN task, DROP COLUMN mates, DROP COLUMN learnt, DROP COLUMN proposed, DROP COLUMN worked;
    ALTER TABLE ticks DROP COLUMN until, DROP COLUMN answer;
    ALTER TABLE machine_lives DROP COLUMN jobs; ALTER TABLE fleet_rates DROP COLUMN times;`,
  ),
  // who delivers parts, what lies on the shelves, what is on order
  sql(
    '015-parts',
    `
    CREATE TABLE suppliers (name text PRIMARY KEY, lead_days int NOT NULL CHECK (lead_days BETWEEN 0 AND 250), spread_days double precision NOT NULL CHECK (spread_days BETWEEN 0 AND 60));
    ALTER TABLE part_prices ALTER COLUMN price DROP NOT NULL, ADD COLUMN supplier text;
    CREATE TABLE stock (branch text NOT NULL, number text NOT NULL, on_hand int NOT NULL CHECK (on_hand BETWEEN 0 AND 1000000), as_of timestamptz NOT NULL, source text NOT NULL,
      PRIMARY KEY (branch, number));
    CREATE TABLE stock_asked (branch text PRIMARY KEY, service text, simulated boolean NOT NULL, as_of timestamptz, trouble text);
    CREATE TABLE part_orders (id uuid PRIMARY KEY, branch text NOT NULL, number text NOT NULL, name text NOT NULL, quantity int NOT NULL CHECK (quantity BETWEEN 1 AND 100000), supplier text,
      placed_on date NOT NULL, expected_on date NOT NULL, arrived_on date, note text NOT NULL, by text NOT NULL, version int NOT NULL, CHECK (expected_on >= placed_on), CHECK (arrived_on >= placed_on));
    CREATE INDEX part_orders_branch ON part_orders (branch, arrived_on);`,
    `DROP TABLE part_orders, stock_asked, stock, suppliers; DELETE FROM part_prices WHERE price IS NULL;
    ALTER TABLE part_prices DROP COLUMN supplier, ALTER COLUMN price SET NOT NULL;`,
  ),
  // visits by half days; who can do what and when; plans as they were published and are looked for
  sql(
    '016-board',
    `
    ALTER TABLE visits ADD COLUMN mate_id uuid REFERENCES people(id), ADD COLUMN starts text NOT NULL DEFAULT 'morning', ADD COLUMN ends text NOT NULL DEFAULT 'noon',
      ADD COLUMN half_days int CHECK (half_days BETWEEN 1 AND 200), ADD COLUMN pinned boolean NOT NULL DEFAULT false, ADD COLUMN over_time boolean NOT NULL DEFAULT false,
      ADD COLUMN started_at timestamptz, ADD COLUMN stopped_at timestamptz, ADD COLUMN finished_at timestamptz;
    CREATE INDEX visits_technician ON visits (technician_id, ends_on);
    ALTER TABLE customers ADD COLUMN x double precision, ADD COLUMN y double precision, ADD CHECK ((x IS NULL) = (y IS NULL));
    CREATE TABLE board_settings (branch text PRIMARY KEY REFERENCES branches(name), document jsonb NOT NULL, version int NOT NULL, by text NOT NULL, at timestamptz NOT NULL);
    CREATE TABLE technician_hours (person_id uuid PRIMARY KEY REFERENCES people(id) ON DELETE CASCADE, skills jsonb NOT NULL, week jsonb NOT NULL, away jsonb NOT NULL, version int NOT NULL);
    CREATE TABLE plan_versions (branch text NOT NULL REFERENCES branches(name), n int NOT NULL CHECK (n > 0), by text NOT NULL, at timestamptz NOT NULL, why text NOT NULL, changes jsonb NOT NULL,
      PRIMARY KEY (branch, n));
    CREATE TABLE plan_searches (id uuid PRIMARY KEY, branch text NOT NULL, by text NOT NULL, at timestamptz NOT NULL, seen int NOT NULL, wish jsonb NOT NULL, state text NOT NULL, share double precision NOT NULL,
      first double precision, cost double precision, bound double precision, proven boolean NOT NULL, before jsonb, after jsonb, trouble text);
    CREATE INDEX plan_searches_at ON plan_searches (at);
    CREATE TABLE calendar_feeds (id uuid PRIMARY KEY, person_id uuid NOT NULL REFERENCES people(id) ON DELETE CASCADE, made_by text NOT NULL, made_at timestamptz NOT NULL, revoked_at timestamptz);
    CREATE INDEX calendar_feeds_person ON calendar_feeds (person_id);
    CREATE TABLE machine_chances (machine_id uuid PRIMARY KEY REFERENCES machines(id) ON DELETE CASCADE, chance double precision NOT NULL, awaits int NOT NULL DEFAULT 0, at timestamptz NOT NULL DEFAULT now());
    CREATE TABLE breakdowns (id uuid PRIMARY KEY, machine_id uuid NOT NULL REFERENCES machines(id), at timestamptz NOT NULL, hours double precision NOT NULL, check_id text, component text NOT NULL, kind text NOT NULL,
      hours_lost double precision CHECK (hours_lost >= 0), note text NOT NULL, by text NOT NULL);
    CREATE INDEX breakdowns_machine ON breakdowns (machine_id, at);
    -- forecasts that have come out are looked through with the lives
    ALTER TABLE machine_lives ADD COLUMN forecasts jsonb NOT NULL DEFAULT '[]'; UPDATE machine_lives SET version = -1;
    -- every machine is judged anew, so that its work is on the board
    ALTER TABLE machine_standings ADD COLUMN board jsonb NOT NULL DEFAULT '[]'; UPDATE machine_standings SET version = 0;`,
    `ALTER TABLE machine_standings DROP COLUMN board; ALTER TABLE machine_lives DROP COLUMN forecasts; DROP TABLE breakdowns, machine_chances, calendar_feeds, plan_searches, plan_versions, technician_hours, board_settings; ALTER TABLE customers DROP COLUMN x, DROP COLUMN y;
    DROP INDEX visits_technician;
    ALTER TABLE visits DROP COLUMN mate_id, DROP COLUMN starts, DROP COLUMN ends, DROP COLUMN half_days, DROP COLUMN pinned, DROP COLUMN over_time, DROP COLUMN started_at, DROP COLUMN stopped_at, DROP COLUMN finished_at;`,
  ),
  sql(
    '017-people-and-believable-numbers',
    `
    ALTER TABLE people ADD COLUMN suspended_at timestamptz, ADD COLUMN must_change boolean NOT NULL DEFAULT false;
    CREATE TABLE audit (id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY, at timestamptz NOT NULL DEFAULT now(), by text NOT NULL, person_id uuid, what text NOT NULL, subject text NOT NULL, detail text NOT NULL);
    CREATE INDEX audit_at ON audit (at DESC, id DESC);
    -- hours as a person entered them; where a reading stands at as many, it is the reading's word
    ALTER TABLE machines ADD COLUMN book_hours double precision NOT NULL DEFAULT 0;
    CREATE INDEX session_person ON session ((sess->>'personId'));
    -- what contracts believe, the tables hold: rows that are there are not looked through again
    ALTER TABLE machines ADD CHECK (hours <= 100000) NOT VALID;
    ALTER TABLE machines ADD CHECK (built_on BETWEEN '1950-01-01' AND '2100-12-31') NOT VALID;
    ALTER TABLE machines ADD CHECK ((harvest->>'start')::text BETWEEN '1950-01-01' AND '2100-12-31' AND (harvest->>'end')::text BETWEEN '1950-01-01' AND '2100-12-31') NOT VALID;
    ALTER TABLE readings ADD CHECK (hours BETWEEN 0 AND 100000) NOT VALID;
    ALTER TABLE readings ADD CHECK (taken_at BETWEEN '1950-01-01' AND '2101-01-01') NOT VALID;
    ALTER TABLE readings ADD CHECK ((sheet->>'revision')::numeric BETWEEN 1 AND 100000) NOT VALID;
    ALTER TABLE walks ADD CHECK (hours BETWEEN 0 AND 100000) NOT VALID;
    ALTER TABLE walks ADD CHECK (started_at BETWEEN '1950-01-01' AND '2101-01-01') NOT VALID;
    ALTER TABLE walks ADD CHECK (finished_at IS NULL OR finished_at BETWEEN started_at AND '2101-01-01') NOT VALID;
    ALTER TABLE spec_sheets ADD CHECK (revision BETWEEN 1 AND 100000) NOT VALID;
    ALTER TABLE work_items ADD CHECK (minutes BETWEEN 0 AND 100000) NOT VALID;
    ALTER TABLE visits ADD CHECK (hours <= 1000 AND ends_on >= starts_on AND starts_on BETWEEN '1950-01-01' AND '2100-12-31') NOT VALID;
    ALTER TABLE branch_costs ADD CHECK (labour_hour <= 10000000 AND stop_hour BETWEEN 0 AND 10000000) NOT VALID;
    ALTER TABLE part_prices ADD CHECK (price <= 10000000) NOT VALID;`,
    `ALTER TABLE part_prices DROP CONSTRAINT part_prices_price_check1; ALTER TABLE branch_costs DROP CONSTRAINT branch_costs_check; ALTER TABLE visits DROP CONSTRAINT visits_check; ALTER TABLE work_items DROP CONSTRAINT work_items_minutes_check;
    ALTER TABLE spec_sheets DROP CONSTRAINT spec_sheets_revision_check; ALTER TABLE walks DROP CONSTRAINT walks_check, DROP CONSTRAINT walks_started_at_check, DROP CONSTRAINT walks_hours_check;
    ALTER TABLE readings DROP CONSTRAINT readings_sheet_check, DROP CONSTRAINT readings_taken_at_check, DROP CONSTRAINT readings_hours_check;
    ALTER TABLE machines DROP CONSTRAINT machines_harvest_check, DROP CONSTRAINT machines_built_on_check, DROP CONSTRAINT machines_hours_check1;
    ALTER TABLE machines DROP COLUMN book_hours; DROP INDEX session_person; DROP TABLE audit; ALTER TABLE people DROP COLUMN must_change, DROP COLUMN suspended_at;`,
  ),
  // by itself: while rows are looked through, no table is held
  sql(
    '018-hours-as-entered',
    `
    UPDATE machines m SET book_hours = CASE WHEN m.hours > coalesce((SELECT max(r.hours) FROM readings r WHERE r.machine_id = m.id AND r.value->>'kind' <> 'strike'
      AND NOT EXISTS (SELECT 1 FROM readings s WHERE s.machine_id = m.id AND s.strikes = r.id)), -1) THEN m.hours ELSE 0 END;`,
    'UPDATE machines SET book_hours = 0;',
  ),
  // reports that were shared, as they stood; of a link's secret only what it hashes to
  sql(
    '019-reports',
    `
    CREATE TABLE report_links (id uuid PRIMARY KEY, machine_id uuid NOT NULL REFERENCES machines(id), secret_hash text NOT NULL, made_by text NOT NULL, made_at timestamptz NOT NULL, expires_at timestamptz NOT NULL,
      revoked_at timestamptz, views int NOT NULL DEFAULT 0, seen_at timestamptz, mailed_to text, report jsonb NOT NULL, subjects jsonb NOT NULL);
    CREATE INDEX report_links_machine ON report_links (machine_id, made_at DESC);`,
    'DROP TABLE report_links;',
  ),
  // what a fleet service reports, meter by meter; one open question each
  sql(
    '020-fleet-hours',
    `
    CREATE TABLE fleet_hours (id uuid PRIMARY KEY, machine_id uuid NOT NULL REFERENCES machines(id), meter text NOT NULL CHECK (meter IN ('engine','separator')),
      hours double precision NOT NULL CHECK (hours BETWEEN 0 AND 100000), "offset" double precision NOT NULL, at timestamptz NOT NULL, source text NOT NULL,
      state text NOT NULL CHECK (state IN ('taken','challenged','refused')), doubt text, before jsonb, answered_by text, UNIQUE (machine_id, meter, at));
    CREATE UNIQUE INDEX fleet_hours_asked ON fleet_hours (machine_id, meter) WHERE state = 'challenged';`,
    'DROP TABLE fleet_hours;',
  ),
  // tokens that other programs read with; of a secret only what it hashes to
  sql(
    '021-api-tokens',
    `
    CREATE TABLE api_tokens (id uuid PRIMARY KEY, name text NOT NULL, branch text NOT NULL REFERENCES branches(name), scopes jsonb NOT NULL, secret_hash text NOT NULL,
      made_by text NOT NULL, made_at timestamptz NOT NULL, expires_at timestamptz, revoked_at timestamptz, used_at timestamptz);`,
    'DROP TABLE api_tokens;',
  ),
  // what a machine has taught beside its rates; learnt with the next day
  sql(
    '022-taught',
    `
    ALTER TABLE machine_lives ADD COLUMN taught jsonb NOT NULL DEFAULT '{"parts":[],"walks":[],"stops":[]}';
    UPDATE machine_lives SET version = -1;`,
    'ALTER TABLE machine_lives DROP COLUMN taught;',
  ),
  // what a harvest is worked out from can be divided by
  sql(
    '023-believable-harvest',
    `
    ALTER TABLE machines ADD CONSTRAINT machines_harvest_numbers CHECK (
      (harvest->>'areaHa')::double precision BETWEEN 0.01 AND 100000 AND (harvest->>'widthM')::double precision BETWEEN 0.1 AND 30
      AND (harvest->>'speedKmh')::double precision BETWEEN 0.1 AND 30 AND (harvest->>'efficiency')::double precision BETWEEN 0.01 AND 1) NOT VALID;`,
    'ALTER TABLE machines DROP CONSTRAINT machines_harvest_numbers;',
  ),
];

/**
 * Brings the tables up to date, one process at a time: an advisory lock is held on one connection
 * meanwhile. Returns the names run.
 */
export async function migrate(sequelize: Sequelize): Promise<string[]> {
  return sequelize.transaction(async (transaction) => {
    await holdLock(sequelize, 'migrations', transaction);
    const done = await migrator(sequelize).up();
    return done.map((m) => m.name);
  });
}

/** Takes every table down again. For tests of the migrations. */
export async function unmigrate(sequelize: Sequelize): Promise<void> {
  await migrator(sequelize).down({ to: 0 });
}

/**
 * Takes the migrations from one on down and runs them again, for measuring what they cost a filled
 * database. What they hold is lost.
 * @returns ms that running them up took
 */
export async function remigrate(sequelize: Sequelize, from: string): Promise<number> {
  await migrator(sequelize).down({ to: from });
  const begun = performance.now();
  await migrate(sequelize);
  return performance.now() - begun;
}

function migrator(sequelize: Sequelize): Umzug<QueryInterface> {
  return new Umzug({
    migrations: MIGRATIONS,
    context: sequelize.getQueryInterface(),
    storage: new SettingsOfMigrations(sequelize),
    logger: undefined,
  });
}

/** Remembers which migrations ran, in a table of its own. */
class SettingsOfMigrations {
  constructor(private readonly sequelize: Sequelize) {}
  async logMigration({ name }: { name: string }): Promise<void> {
    await this.sequelize.query('INSERT INTO migrations VALUES (:name)', { replacements: { name } });
  }
  async unlogMigration({ name }: { name: string }): Promise<void> {
    await this.sequelize.query('DELETE FROM migrations WHERE name = :name', {
      replacements: { name },
    });
  }
  async executed(): Promise<string[]> {
    await this.sequelize.query('CREATE TABLE IF NOT EXISTS migrations (name text PRIMARY KEY)');
    const [rows] = await this.sequelize.query('SELECT name FROM migrations ORDER BY name');
    return (rows as { name: string }[]).map((r) => r.name);
  }
}
