export default async function teardown() {
  await globalThis.testCluster?.stop();
}
