// Exports the web app to app/dist and adds its service worker.
import { spawnSync } from 'node:child_process';
import { rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { generateSW } from 'workbox-build';
import { ROOT } from './house.mjs';

const app = join(ROOT, 'app');
const dist = join(app, 'dist');
rmSync(dist, { recursive: true, force: true });
const env = {
  ...process.env,
  EXPO_OFFLINE: '1',
  EXPO_NO_TELEMETRY: '1',
  CI: '1',
  NODE_ENV: 'production',
};
const done = spawnSync('npx', ['expo', 'export', '--platform', 'web', '--output-dir', 'dist'], {
  cwd: app,
  env,
  stdio: 'inherit',
});
if (done.status !== 0) process.exit(done.status ?? 1);
await generateSW({
  globDirectory: dist,
  globPatterns: ['**/*.{html,js,css,ttf,ico,png,json}'],
  swDest: join(dist, 'sw.js'),
  navigateFallback: '/index.html',
  navigateFallbackDenylist: [/^\/api\//],
  maximumFileSizeToCacheInBytes: 12_000_000,
  inlineWorkboxRuntime: true,
  skipWaiting: true,
  clientsClaim: true,
  sourcemap: false,
});
writeFileSync(join(dist, '.built'), process.argv[2] ?? '0');
