// What every command needs before it can begin: packages, Debian programs, a free port. Plain Node,
// no dependency.
import { spawn, spawnSync } from 'node:child_process';
import { existsSync, readdirSync, readFileSync, statSync } from 'node:fs';
import { createServer } from 'node:net';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const ROOT = dirname(dirname(fileURLToPath(import.meta.url)));
export const DATA = process.env.GREEN_TALLY_DATA ?? join(ROOT, '.data');

export const say = (text) => process.stdout.write(`▸ ${text}\n`);

/** Ends with a plain sentence instead of a stack. */
export class Plain extends Error {}

export function endPlainly(error) {
  process.stderr.write(
    error instanceof Plain ? `\n✗ ${error.message}\n` : `\n✗ ${error?.stack ?? error}\n`,
  );
  process.exitCode = 1;
}

/** Runs a program to its end, its output shown; a Plain error when it fails. */
export function run(program, args, { quiet = false, why, ...options } = {}) {
  const done = spawnSync(program, args, {
    cwd: ROOT,
    stdio: quiet ? 'pipe' : 'inherit',
    encoding: 'utf8',
    ...options,
  });
  if (done.error || done.status !== 0) {
    const said = quiet
      ? `\n${`${done.stdout ?? ''}${done.stderr ?? ''}`.trim().split('\n').slice(-8).join('\n')}`
      : '';
    throw new Plain(
      `${why ?? `${program} ${args.join(' ')} failed`}${done.error ? ` (${done.error.message})` : ` (exit ${done.status})`}.${said}`,
    );
  }
  return done.stdout ?? '';
}

export function checkNode() {
  const [major, minor] = process.versions.node.split('.').map(Number);
  if (major < 20 || (major === 20 && minor < 19))
    throw new Plain(`Green Tally needs Node 20.19 or newer; this is ${process.version}.`);
}

/** npm packages as the lockfile says; installs when they are missing or older than the lockfile. */
export function ensurePackages() {
  const mark = join(ROOT, 'node_modules', '.package-lock.json');
  const lock = join(ROOT, 'package-lock.json');
  if (existsSync(mark) && statSync(mark).mtimeMs >= statSync(lock).mtimeMs - 1000) return;
  say('Installing npm packages (a few minutes the first time)');
  run('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error'], {
    why: 'The npm packages could not be installed. Is the npm registry reachable?',
  });
}

/** A program from a Debian package; installs the package when the program is missing. */
export function ensureDebian(find, name) {
  const found = find();
  if (found) return found;
  say(`Installing ${name} from Debian's packages`);
  const root = process.getuid?.() === 0;
  const apt = (...args) => (root ? ['apt-get', args] : ['sudo', ['-n', 'apt-get', ...args]]);
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
  const why = `${name} is missing and could not be installed. Install it with: apt-get install ${name}`;
  run(...apt('update', '-qq'), { quiet: true, env, why });
  run(...apt('install', '-y', '-qq', '--no-install-recommends', name), { quiet: true, env, why });
  const now = find();
  if (!now) throw new Plain(why);
  return now;
}

const found = (paths) => () => paths.find((p) => p && existsSync(p));
const findShell = found([process.env.CHROMIUM, '/usr/bin/chromium-headless-shell']);
const findChromium = found(['/usr/bin/chromium', '/usr/bin/chromium-browser']);

/** Debian's headless Chromium: it draws as the whole one does, for two thirds of the work. */
export function ensureChromium() {
  try {
    return ensureDebian(findShell, 'chromium-headless-shell');
  } catch (error) {
    // of a machine that cannot install any more: the whole one, if it is there
    const chromium = findChromium();
    if (!chromium || !(error instanceof Plain)) throw error;
    return chromium;
  }
}

/** Whether a loopback port can be bound. */
export function portFree(port) {
  return new Promise((resolve) => {
    const probe = createServer();
    probe.once('error', () => resolve(false));
    probe.listen(port, '127.0.0.1', () => probe.close(() => resolve(true)));
  });
}

/** The first free loopback port from `from` on. */
export async function freePort(from) {
  for (let port = from; port < from + 200; port += 1) if (await portFree(port)) return port;
  throw new Plain(`No free port between ${from} and ${from + 200}.`);
}

/** Newest change below some folders, ms. */
export function newestChange(...places) {
  let newest = 0;
  const look = (place) => {
    if (!existsSync(place)) return;
    const stat = statSync(place);
    newest = Math.max(newest, stat.isDirectory() ? 0 : stat.mtimeMs);
    if (stat.isDirectory())
      for (const name of readdirSync(place))
        if (name !== 'node_modules' && name !== 'dist') look(join(place, name));
  };
  places.forEach((p) => look(join(ROOT, p)));
  return newest;
}

/** Exports the web app when its sources are newer than the last export. */
export function ensureApp() {
  const stamp = join(ROOT, 'app/dist/.built');
  const newest = newestChange(
    'app/src',
    'app/public',
    'app/metro',
    'app/app.json',
    'app/metro.config.js',
    'app/babel.config.js',
    'app/package.json',
    'core/src',
    'package-lock.json',
    'tools/export-app.mjs',
  );
  if (existsSync(stamp) && Number(readFileSync(stamp, 'utf8')) >= newest) return;
  say('Building the web app (about a minute the first time)');
  run(process.execPath, [join(ROOT, 'tools/export-app.mjs'), String(newest)], {
    quiet: !process.env.VERBOSE,
    why: 'The web app could not be built',
  });
}

const bundled = new Set();

/** Bundles a server entry to one file that plain Node runs; once as long as this runs. */
export function bundle(entry, outfile) {
  const made = join(ROOT, outfile);
  if (bundled.has(made)) return made;
  bundled.add(made);
  run(process.execPath, [join(ROOT, 'tools/bundle.mjs'), entry, outfile], {
    quiet: true,
    why: 'The server could not be built',
  });
  return join(ROOT, outfile);
}

/** Bundles the server, its worker and its thread; gives the server's program. */
export function bundleServer() {
  bundle('server/src/cli/readFile.ts', 'server/dist/readFile.mjs');
  bundle('server/src/cli/planBoard.ts', 'server/dist/planBoard.mjs');
  bundle('server/src/cli/work.ts', 'server/dist/work.mjs');
  return bundle('server/src/cli/serve.ts', 'server/dist/serve.mjs');
}

/** Starts a stand-in on a free port; gives its address and its process. */
async function startStandIn(name, what, firstPort) {
  const port = await freePort(firstPort);
  const program = bundle(`server/src/cli/${name}.ts`, `server/dist/${name}.mjs`);
  const started = startUntil(process.execPath, [program], /listening on/, {
    name: what,
    env: { ...process.env, PORT: String(port) },
    detached: true,
  });
  await started.ready;
  return { child: started.child, url: `http://127.0.0.1:${port}` };
}

/** Starts what stands in for devices and services outside: the gauge, the stock and the fleet. */
export async function startStandIns(firstPort) {
  const gauge = await startStandIn('gauge', 'The simulated gauge', firstPort);
  let stock;
  let fleet;
  const end = async () => {
    await stop(fleet?.child);
    await stop(stock?.child);
    await stop(gauge.child);
  };
  try {
    stock = await startStandIn('stock', 'The simulated stock', firstPort + 1);
    fleet = await startStandIn('fleet', 'The simulated fleet', firstPort + 2);
  } catch (error) {
    await end();
    throw error;
  }
  return {
    env: {
      GREEN_TALLY_GAUGE: gauge.url,
      GREEN_TALLY_STOCK: stock.url,
      GREEN_TALLY_FLEET: fleet.url,
    },
    gauge: gauge.url,
    stock: stock.url,
    end,
  };
}

/** Starts a child and waits until it prints a line that matches; rejects when it ends before. */
export function startUntil(command, args, pattern, { name, ...options }) {
  const child = spawn(command, args, { stdio: ['ignore', 'pipe', 'pipe'], ...options });
  const ready = new Promise((resolve, reject) => {
    let said = '';
    const listen = (stream, out) =>
      stream.on('data', (chunk) => {
        said = (said + chunk).slice(-4000);
        if (options.echo) out.write(chunk);
        if (pattern.test(said)) resolve(child);
      });
    listen(child.stdout, process.stdout);
    listen(child.stderr, process.stderr);
    child.once('error', (error) =>
      reject(new Plain(`${name} could not be started: ${error.message}`)),
    );
    child.once('exit', (code) =>
      reject(new Plain(`${name} ended (${code}) before it was ready:\n${said.trim()}`)),
    );
  });
  return { child, ready };
}

/** A child that falls this often within a minute is broken, and is not started again. */
const FALLS_A_MINUTE = 6;

/**
 * Runs a child, and starts it again when it ends by itself.
 * @param {{ name: string, start: () => import('node:child_process').ChildProcess, again?: boolean, most?: number, quiet?: boolean, fallen?: () => void }} what
 *   `fallen`: told when it is not started any more
 * @returns the child of now, whether it was given up, and how to stop it
 */
export function keepRunning({
  name,
  start,
  again = true,
  most = FALLS_A_MINUTE,
  quiet = false,
  fallen,
}) {
  let child;
  let stopping = false;
  let given = false;
  let falls = [];
  const run = () => {
    child = start();
    child.once('exit', async (code, signal) => {
      if (stopping) return;
      const now = performance.now();
      falls = [...falls.filter((at) => now - at < 60_000), now];
      if (!again || falls.length > most) {
        given = true;
        return fallen?.(code);
      }
      if (!quiet) process.stderr.write(`✗ ${name} ended (${signal ?? code}); starting it again.\n`);
      await new Promise((resolve) => setTimeout(resolve, 300 * Math.min(falls.length, 4)));
      if (!stopping) run();
    });
  };
  run();
  return {
    child: () => child,
    gaveUp: () => given,
    /** kills it, and does not start it again before `go` */
    pause: () => {
      stopping = true;
      return stop(child, 'SIGKILL');
    },
    go: () => {
      stopping = false;
      run();
    },
    stop: (signal) => {
      stopping = true;
      return stop(child, signal);
    },
  };
}

/** Asks a child to stop and waits for it; insists after ten seconds. */
export function stop(child, signal = 'SIGTERM') {
  if (!child || child.exitCode !== null || child.signalCode !== null) return Promise.resolve();
  return new Promise((resolve) => {
    const insist = setTimeout(() => child.kill('SIGKILL'), 10_000);
    child.once('exit', () => {
      clearTimeout(insist);
      resolve();
    });
    child.kill(signal);
  });
}
