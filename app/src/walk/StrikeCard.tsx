import { useState } from 'react';
import type { Check, MachineFile, Reading } from '@green-tally/core/contracts';
import { saidOf } from '@green-tally/core/earlier';
import { inTime, live } from '@green-tally/core/history';
import { Card, Choice, Heading, Notice, Press, Quiet } from '../ui';
import { SayWhy } from '../work/SayWhy';
import { momentWords } from '../yard/words';
import { useStrike } from './useStrike';

interface StrikeCardProps {
  readonly file: MachineFile;
  readonly check: Check;
}

/** So many are offered: the newest of them. */
const MOST = 12;

/**
 * After a walk has ended a reading is only struck, with a reason that stays beside it. What was read
 * before counts again, or nothing does.
 */
export function StrikeCard({ file, check }: StrikeCardProps) {
  const [open, setOpen] = useState(false);
  const [chosen, setChosen] = useState<string>();
  const strike = useStrike(file, null);
  const own = [...inTime(live(file.readings).filter((r) => r.checkId === check.id))]
    .reverse()
    .slice(0, MOST);
  const struck = own.find((r) => r.id === chosen);
  if (!own.length) return null;
  if (!open) return <Press title="A reading was wrong" onPress={() => setOpen(true)} small />;
  return (
    <Card edge="violet" testID="strike">
      <Heading>A reading was wrong</Heading>
      <Quiet>
        It is struck through and stays in sight. Nothing takes its place: what was read before it
        counts again, and where nothing was, it is due.
      </Quiet>
      <Choice
        label="Which one?"
        value={chosen}
        onChange={setChosen}
        options={own.map((r) => ({ value: r.id, title: readingWords(check, r) }))}
      />
      {struck ? (
        <SayWhy
          title="Strike it"
          asked="Why it was wrong"
          name={readingWords(check, struck)}
          onSay={async (why) => {
            const done = await strike.run([struck], why);
            if (done) setOpen(false);
            return done;
          }}
        />
      ) : null}
      <Press title="None" onPress={() => setOpen(false)} small />
      {strike.trouble ? (
        <Notice tone="rust" title="Not stored on this device" text={strike.trouble} />
      ) : null}
    </Card>
  );
}

/** One reading in a line: "left: 36.5 mm, as left · 9 Jun 08:12, Bram Tolley". */
function readingWords(check: Check, r: Reading): string {
  const where = check.places.length > 1 ? `${r.place}: ` : '';
  const left = r.state === 'asLeft' && r.value.kind !== 'renewal' ? ', as left' : '';
  return `${where}${saidOf(check, r)}${left} · ${momentWords(r.takenAt)}, ${r.by}`;
}
