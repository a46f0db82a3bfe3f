// npm run judge -- readings.csv: verdicts in the terminal, by the same core as the app. Needs no
// server.
import { spawnSync } from 'node:child_process';
import { bundle, checkNode, endPlainly, ensurePackages } from './house.mjs';

try {
  checkNode();
  ensurePackages();
  const judge = bundle('server/src/cli/judge.ts', 'server/dist/judge.mjs');
  process.exitCode =
    spawnSync(process.execPath, [judge, ...process.argv.slice(2)], {
      stdio: 'inherit',
      cwd: process.env.INIT_CWD ?? process.cwd(),
    }).status ?? 1;
} catch (error) {
  endPlainly(error);
}
