import { DEMO_DAY, DEMO_PEOPLE } from '@green-tally/demo';
import { MachineRow, openDatabase, PersonRow, SettingRow } from '../db';
import { openPlace } from '../testing/place';
import { demoAsLoaded } from '../testing/template';
import { loadDemo } from './load';

test('three that start at once on an empty place: one works the demo out and loads it, all are there', async () => {
  const empty = await openPlace({ demo: false });
  const others = await Promise.all([openDatabase(empty.url), openDatabase(empty.url)]);
  const { machines, ...demo } = demoAsLoaded();
  const one = machines.slice(0, 1);
  const ofOne = <T extends { machineId: string }>(rows: readonly T[]) =>
    rows.filter((r) => r.machineId === one[0]?.id);
  // few machines load as all do, and sooner
  const made = jest.fn(() => ({
    ...{ ...demo, machines: one, breakdowns: ofOne(demo.breakdowns), walks: ofOne(demo.walks) },
    ...{ readings: ofOne(demo.readings), ticks: ofOne(demo.ticks), work: ofOne(demo.work) },
    visits: ofOne(demo.visits),
  }));
  try {
    const days = await Promise.all([empty.db, ...others].map((db) => loadDemo(db, made)));
    expect(days).toEqual([DEMO_DAY, DEMO_DAY, DEMO_DAY]);
    expect(made).toHaveBeenCalledTimes(1);
    expect(await PersonRow.count()).toBe(DEMO_PEOPLE.length);
    expect(await MachineRow.count()).toBe(1);
    expect((await SettingRow.findByPk('statedDay'))?.value).toBe(DEMO_DAY);
    expect(await loadDemo(empty.db, made)).toBe(DEMO_DAY);
    expect(made).toHaveBeenCalledTimes(1);
  } finally {
    for (const db of others) await db.close();
    await empty.close();
  }
});
