import { join } from 'node:path';
import { throwAwayCluster } from '../../../tools/cluster.mjs';
import { bundle, bundleServer } from '../../../tools/house.mjs';

/**
 * A PostgreSQL cluster of the tests' own with the demo loaded to copy from, gone with them. npm test
 * has filled one ahead.
 */
export default async function setup() {
  globalThis.testCluster = await throwAwayCluster(54_810, process.env.GREEN_TALLY_FILLED);
  process.env.TEST_DATABASE_URL = globalThis.testCluster.url;
  const { makeTemplate } = await import(
    bundle('server/src/testing/template.ts', 'server/dist/template.mjs')
  );
  process.env.TEST_SCENARIO = join(globalThis.testCluster.home, 'scenario.json');
  await makeTemplate(globalThis.testCluster.url, process.env.TEST_SCENARIO);
  // workers run as they do in earnest
  bundleServer();
}
