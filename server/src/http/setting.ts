import type { Session } from '@green-tally/core/contracts';
import type { Database } from '../db';
import type { Clock } from './clock';

/** What the app is built from. `appDir`: folder of the exported web app, when there is one. */
export interface Setting {
  readonly db: Database;
  readonly clock: Clock;
  readonly sessionSecret: string;
  readonly appDir?: string;
  readonly demoSignIns?: Session['demoSignIns'];
  readonly logLevel?: string;
  /** in tests: every answer is held against its contract */
  readonly checkAnswers?: boolean;
}
