import { openPlace } from '../testing/place';
import { openDatabase } from '.';

/** Waits until nothing has come of what was begun for a while. */
const aWhile = () => new Promise((resolve) => setTimeout(resolve, 300));

test('a job still underway when its worker ends breaks nothing, and comes back', async () => {
  const place = await openPlace({ demo: false });
  const unheard = jest.fn();
  process.on('unhandledRejection', unheard);
  try {
    const ending = await openDatabase(place.url, { working: true });
    let begun: () => void = () => undefined;
    let giveUp: (error: Error) => void = () => undefined;
    const underway = new Promise<void>((resolve) => (begun = resolve));
    await ending.queue.boss.send('stock', {}, { singletonKey: 'stock', expireInSeconds: 1 });
    await ending.queue.boss.work('stock', { pollingIntervalSeconds: 0.5 }, async () => {
      begun();
      await new Promise((_, reject) => (giveUp = reject));
    });
    await underway;
    await ending.close();
    giveUp(new Error('its database is gone'));
    await aWhile();
    expect(unheard).not.toHaveBeenCalled();
    const left = await place.db.pool.query(
      `SELECT state FROM pgboss.job WHERE name = 'stock' AND singleton_key = 'stock'`,
    );
    // told of at the last moment, or waiting for its time to be over
    expect(['retry', 'active']).toContain(left.rows[0]?.state);
    expect(left.rows).toHaveLength(1);
  } finally {
    process.off('unhandledRejection', unheard);
    await place.close();
  }
});
