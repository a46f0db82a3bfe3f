import type { Sync } from '../store';
import { syncWords } from './SyncLine';

const sync = (part: Partial<Sync>): Sync => ({
  ...{ waiting: 0, refused: 0, sending: false, offline: false, sentAt: null },
  ...part,
});
const sentAt = '2026-06-09T09:12:00.000Z';

test.each([
  [sync({}), /^all sent$/],
  [sync({ sentAt }), /^all sent\n\d\d:\d\d$/],
  [sync({ waiting: 1 }), /^1 waiting$/],
  [sync({ waiting: 14, sentAt }), /^14 waiting,\nlast sent \d\d:\d\d$/],
  [sync({ waiting: 388, offline: true, sentAt }), /^388 waiting,\nno signal$/],
  [sync({ offline: true, sentAt }), /^no signal$/],
])(
  'how sending stands is said in two short lines at most: nothing below it moves',
  (now, words) => {
    expect(syncWords(now)).toMatch(words);
    const lines = syncWords(now).split('\n');
    expect(lines.length).toBeLessThanOrEqual(2);
    expect(Math.max(...lines.map((l) => l.length))).toBeLessThanOrEqual(15);
  },
);
