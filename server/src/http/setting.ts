import type { Session } from '@green-tally/core/contracts';
import type { Database } from '../db';
import type { Clock } from '../clock';
import type { FileStore } from '../photos/store';
import type { SheetRead } from '../specs/readSheet';
import type { Looking } from '../standings/fresh';

/** What the app is built from. `appDir`: folder of the exported web app, when there is one. */
export interface Setting {
  readonly db: Database;
  readonly clock: Clock;
  readonly sessionSecret: string;
  readonly appDir?: string;
  readonly demoSignIns?: Session['demoSignIns'];
  readonly logLevel?: string;
  /** address of a wireless gauge near by, or its stand-in, that pages may talk to */
  readonly gauge?: string;
  /** address of the stock service, or its stand-in */
  readonly stock?: string | undefined;
  /** where photos lie; in the database unless said */
  readonly photos?: FileStore;
  /** ms that a list waits for the workers before it judges a machine itself; 0 unless said */
  readonly patience?: number;
  /** reads a sheet's file on a thread of its own, so that a large one keeps nobody waiting */
  readonly readSheet?: (text: string) => Promise<SheetRead>;
  /** in tests: every answer is held against its contract */
  readonly checkAnswers?: boolean;
}

/** What a list looks at: the machines of a branch, or all when undefined, today. */
export const lookingAt = (
  { db, clock, patience = 0 }: Setting,
  branch: string | undefined,
): Looking => ({ db, branch, today: clock.today(), patience });
