import { throwAwayCluster } from '../../../tools/cluster.mjs';
import { bundle, bundleServer } from '../../../tools/house.mjs';

/** A PostgreSQL cluster of the tests' own with the demo loaded to copy from, gone with them. */
export default async function setup() {
  globalThis.testCluster = await throwAwayCluster(54_810);
  process.env.TEST_DATABASE_URL = globalThis.testCluster.url;
  const { makeTemplate } = await import(
    bundle('server/src/testing/template.ts', 'server/dist/template.mjs')
  );
  await makeTemplate(globalThis.testCluster.url);
  // workers run as they do in earnest
  bundleServer();
}
