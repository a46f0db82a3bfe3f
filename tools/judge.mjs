// npm run judge -- readings.csv: verdicts in the terminal, by the same core as the app. Needs no server.
import { spawnSync } from 'node:child_process';
import { resolve } from 'node:path';
import { bundle, checkNode, endPlainly, ensurePackages } from './house.mjs';

try {
  checkNode();
  ensurePackages();
  const judge = bundle('server/src/cli/judge.ts', 'server/dist/judge.mjs');
  const args = process.argv.slice(2).map((a) => (a.startsWith('-') ? a : resolve(process.env.INIT_CWD ?? process.cwd(), a)));
  process.exitCode = spawnSync(process.execPath, [judge, ...args], { stdio: 'inherit' }).status ?? 1;
} catch (error) {
  endPlainly(error);
}
