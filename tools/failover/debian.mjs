// The packages that the cluster is made of, without the services that they would start by themselves.
import { existsSync, rmSync, writeFileSync } from 'node:fs';
import { ensureDebian, Plain } from '../house.mjs';

const POLICY = '/usr/sbin/policy-rc.d';
const there = (path) => () => (existsSync(path) ? path : undefined);

/** Programs of the cluster; installed where they are missing. */
export function ensureCluster() {
  if (process.getuid?.() !== 0)
    throw new Plain(
      'The cluster runs its database as the user postgres: start it as root, or install patroni, etcd-server and haproxy and run each node as that user.',
    );
  const ours = !existsSync(POLICY);
  // what is being installed starts nothing: we start what we need, from our own folder
  if (ours) writeFileSync(POLICY, '#!/bin/sh\nexit 101\n', { mode: 0o755 });
  try {
    return {
      etcd: ensureDebian(there('/usr/bin/etcd'), 'etcd-server'),
      patroni: ensureDebian(there('/usr/bin/patroni'), 'patroni'),
      haproxy: ensureDebian(there('/usr/sbin/haproxy'), 'haproxy'),
    };
  } finally {
    if (ours) rmSync(POLICY, { force: true });
  }
}
