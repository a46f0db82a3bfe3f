import { throwAwayCluster } from '../../../tools/cluster.mjs';

/** A PostgreSQL cluster of the tests' own, gone with them. */
export default async function setup() {
  globalThis.testCluster = await throwAwayCluster(54_810);
  process.env.TEST_DATABASE_URL = globalThis.testCluster.url;
}
