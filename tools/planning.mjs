// npm run planning: how good plans are, and how soon. See docs/PLANNING.md.
import { spawnSync } from 'node:child_process';
import { bundle, checkNode, endPlainly, ensurePackages } from './house.mjs';

try {
  checkNode();
  ensurePackages();
  const program = bundle('server/src/cli/benchBoard.ts', 'server/dist/benchBoard.mjs');
  process.exitCode = spawnSync(process.execPath, [program], { stdio: 'inherit' }).status ?? 1;
} catch (error) {
  endPlainly(error);
}
