// pgBackRest on a cluster of ours: configuration, stanza, backups, restoring to a moment.
import { spawnSync } from 'node:child_process';
import { chmodSync, existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { ensureDebian, Plain } from '../house.mjs';
import { homeOf, runsAs } from '../cluster.mjs';

const PROGRAM = '/usr/bin/pgbackrest';
const STANZA = 'gt';

/** Where the copies of a cluster lie, unless GREEN_TALLY_BACKUPS says so. */
export const shelfOf = (home) => process.env.GREEN_TALLY_BACKUPS ?? join(home, 'backups');

/**
 * The copies of the cluster that is kept in a folder.
 * @returns making one, listing them, and bringing the cluster back
 */
export function copiesOf(folder) {
  ensureDebian(() => (existsSync(PROGRAM) ? PROGRAM : undefined), 'pgbackrest');
  const { options, own } = runsAs();
  const home = homeOf(folder);
  const data = join(home, 'cluster');
  const config = join(home, 'pgbackrest.conf');
  const made = (path) => {
    mkdirSync(path, { recursive: true, mode: 0o750 });
    own(path);
    return path;
  };
  const password = () => readFileSync(join(home, 'password'), 'utf8');

  /** Writes the configuration for the cluster as it runs now, or as it will. */
  function configure() {
    const [, , , port, sockets] = existsSync(join(data, 'postmaster.pid'))
      ? readFileSync(join(data, 'postmaster.pid'), 'utf8').split('\n')
      : [];
    const log = made(join(home, 'backup-log'));
    const text = [
      '[global]',
      `repo1-path=${made(shelfOf(home))}`,
      'repo1-retention-full=4',
      ...[`log-path=${log}`, `lock-path=${log}`, `spool-path=${log}`],
      ...['compress-type=zst', 'start-fast=y', 'log-level-console=warn', 'process-max=2'],
      `[${STANZA}]`,
      `pg1-path=${data}`,
      ...(port ? [`pg1-port=${port}`, `pg1-socket-path=${sockets}`] : []),
      ...['pg1-user=tally', 'pg1-database=postgres'],
      '',
    ].join('\n');
    writeFileSync(config, text, { mode: 0o640 });
    own(config);
  }

  function ask(command, ...more) {
    const done = spawnSync(
      PROGRAM,
      [`--config=${config}`, `--stanza=${STANZA}`, ...more, command],
      { ...options, cwd: '/', encoding: 'utf8', env: { ...process.env, PGPASSWORD: password() } },
    );
    if (done.status !== 0)
      throw new Plain(`pgBackRest could not ${command}:\n${done.stderr || done.stdout}`);
    return done.stdout;
  }

  return {
    ...{ home, data, shelf: shelfOf(home) },
    /** Makes a copy; the first is a whole one. */
    keep(whole = false) {
      configure();
      ask('stanza-create');
      ask('check');
      ask('backup', `--type=${whole ? 'full' : 'incr'}`);
    },
    list() {
      if (!existsSync(config)) configure();
      return JSON.parse(ask('info', '--output=json'))[0]?.backup ?? [];
    },
    /** Lays the newest copy down, and what was written since, up to a moment; the rest is done as it starts. */
    bringBack(until) {
      configure();
      // what was there is set aside: it is laid into an empty folder
      mkdirSync(data, { recursive: true, mode: 0o700 });
      chmodSync(data, 0o700);
      own(data);
      ask(
        'restore',
        ...(until ? ['--type=time', `--target=${until}`, '--target-action=promote'] : []),
      );
    },
  };
}
