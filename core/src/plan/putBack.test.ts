import type { AsFound, Reading } from '../contracts';
import { reading, demoSheet } from '../testing/sheet';
import { seasonFile } from '../testing/season';
import { standingOf } from './index';

const TODAY = '2026-06-09';
const checks = demoSheet('ouzel7').checks.filter((c) =>
  ['conveyor-chain-tension', 'fan-drive-belt'].includes(c.id),
);
const file = (asFound: AsFound, readings: readonly Reading[]) => {
  const plain = seasonFile({ checks, readings });
  return { ...plain, walks: plain.walks.map((w) => ({ ...w, asFound })) };
};
const tasks = (asFound: AsFound, readings: readonly Reading[]) =>
  standingOf(file(asFound, readings), TODAY)
    .tasks.filter((t) => t.check)
    .map((t) => [t.text, t.check?.id, t.done !== undefined]);
const feeder = (change: Partial<Reading> = {}) =>
  reading('conveyor-chain-tension', 'left', { kind: 'mark', stands: 'at', by: 0 }, change);

describe('a drum that was found high', () => {
  test('and read low is to be put back, until that is ticked', () => {
    const task = ['Put back as it was found: Conveyor drum: high', 'conveyor-chain-tension', false];
    expect(tasks({ drum: 'high' }, [feeder()])).toEqual([task]);
    const open = file({ drum: 'high' }, [feeder()]);
    const standing = standingOf(open, TODAY);
    const key = standing.tasks.find((t) => t.check)?.key ?? '';
    expect(standing.missing.map((m) => m.id)).toContain('tasks');
    const ticked = {
      ...open,
      ticks: [
        {
          id: '0197a000-0000-7000-8000-0000000000f1',
          machineId: open.machine.id,
          key,
          done: true,
          at: '2026-06-09T10:00:00.000Z',
          by: 'Ines Marrow',
          note: '',
          until: null,
          answer: null,
        },
      ],
    };
    expect(standingOf(ticked, TODAY).missing.map((m) => m.id)).not.toContain('tasks');
  });
  test('stands as it is where nothing was read with it low, or it was skipped', () => {
    expect(tasks({ drum: 'high' }, [])).toEqual([]);
    expect(tasks({ drum: 'high' }, [feeder({ value: { kind: 'skip', why: 'dark' } })])).toEqual([]);
    expect(tasks({ drum: 'low' }, [feeder()])).toEqual([]);
    expect(tasks({}, [feeder()])).toEqual([]);
  });
});
