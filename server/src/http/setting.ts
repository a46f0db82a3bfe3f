import type { Session } from '@green-tally/core/contracts';
import type { Database } from '../db';
import type { Clock } from '../clock';
import type { Mailer } from '../reports/mail';
import type { FileStore } from '../photos/store';
import type { SheetRead } from '../specs/readSheet';
import type { TableReader } from '../files/readTable';
import type { Metrics } from './metrics';
import type { MakeInsight } from '../insight/make';
import type { MakePaper } from '../papers/make';
import type { Looking } from '../standings/fresh';

/** What is done on threads: files are read, each throws Invalid for what is none; and what takes long. */
export interface Readers {
  readonly sheet: (text: string) => Promise<SheetRead>;
  readonly table: TableReader;
  readonly insight: MakeInsight;
  readonly paper: MakePaper;
}

/** What the app is built from. `appDir`: folder of the exported web app, when there is one. */
export interface Setting {
  readonly db: Database;
  readonly clock: Clock;
  readonly sessionSecret: string;
  readonly appDir?: string;
  readonly demoSignIns?: Session['demoSignIns'];
  readonly logLevel?: string | undefined;
  /** where the log goes; standard output unless said */
  readonly logInto?: { write(text: string): void };
  /** addresses of the proxy before it, as Express reads them; nobody's word is taken unless said */
  readonly proxy?: string | undefined;
  /** what is counted of this process, and the token that opens it to other machines */
  readonly metrics?: Metrics;
  readonly metricsToken?: string | undefined;
  /** address of a wireless gauge near by, or its stand-in, that pages may talk to */
  readonly gauge?: string;
  /** address of the stock service, or its stand-in */
  readonly stock?: string | undefined;
  /** address of the fleet service, or its stand-in */
  readonly fleet?: string | undefined;
  /** where mail goes; none is sent where nothing is said */
  readonly mail?: Mailer;
  /** where photos lie; in the database unless said */
  readonly photos?: FileStore;
  /** ms that a list waits for the workers before it judges a machine itself; 0 unless said */
  readonly patience?: number;
  /** reads files on threads of their own, so that a large one keeps nobody waiting */
  readonly readers?: Readers;
  /** in tests: every answer is held against its contract */
  readonly checkAnswers?: boolean;
}

/** What a list looks at: the machines of a branch, or all when undefined, today. */
export const lookingAt = (
  { db, clock, patience = 0 }: Setting,
  branch: string | undefined,
): Looking => ({ db, branch, today: clock.today(), patience });
