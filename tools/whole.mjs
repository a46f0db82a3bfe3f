// npm run whole: whole walks from a script of readings, without signal, with kills and lost answers.
// SEED=… for another script, CHECKS=n for a part of the first walk, `-- -g "killed again"` for one.
import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import {
  checkNode,
  endPlainly,
  ensureApp,
  ensureChromium,
  ensurePackages,
  ROOT,
} from './house.mjs';
import { throwAwayPlace } from './place.mjs';

try {
  checkNode();
  ensurePackages();
  const chromium = ensureChromium();
  ensureApp();
  const place = await throwAwayPlace({ databasePort: 54_960, firstPort: 8600 });
  try {
    const { status } = spawnSync(
      'npx',
      ['playwright', 'test', '-c', 'e2e/whole', ...process.argv.slice(2)],
      {
        cwd: ROOT,
        stdio: 'inherit',
        env: {
          ...process.env,
          BASE_URL: place.url,
          SERVER_PORT: new URL(place.url).port,
          SERVER_DATABASE: place.database,
          SERVER_PID: String(place.pid),
          CHROMIUM: chromium,
          PLAYWRIGHT_OUTPUT: join(ROOT, 'test-results/whole'),
        },
      },
    );
    process.exitCode = status ?? 1;
  } finally {
    await place.end();
  }
} catch (error) {
  endPlainly(error);
}
