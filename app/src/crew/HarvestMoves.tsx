import { useState } from 'react';
import { api, useAction } from '../store';
import { useBoard } from '../board/hooks';
import { Buttons, Card, Choice, Heading, Notice, Press, Quiet, TextEntry } from '../ui';
import { dayWords } from '../yard/words';
import { figureIn } from './lines';

const ALL = '';

/** A crop comes earlier or later than was thought: all its machines go with it. */
export function HarvestMoves() {
  const { data: page, again } = useBoard();
  const [crop, setCrop] = useState<string>();
  const [customer, setCustomer] = useState(ALL);
  const [days, setDays] = useState('');
  const [done, setDone] = useState('');
  const move = useAction(async (by: number) => {
    setDone('');
    const n = by * figureIn(days, 'Days', { least: 1, whole: true });
    const body = { crop: crop ?? '', customer: customer || null, days: n };
    const { machines } = await api('POST /harvests/move', { body });
    setDone(
      `${machines} ${machines === 1 ? 'machine' : 'machines'}: harvest ${Math.abs(n)} days ${n < 0 ? 'earlier' : 'later'}.`,
    );
    setDays('');
    again();
  });
  if (!page) return null;
  const crops = new Map<string, string>();
  for (const m of page.machines) {
    const first = crops.get(m.crop);
    if (!first || m.harvest.start < first) crops.set(m.crop, m.harvest.start);
  }
  const customers = [
    ...new Set(page.machines.filter((m) => m.crop === crop).map((m) => m.customer)),
  ];
  return (
    <Card testID="harvest moves">
      <Heading>Move a crop’s harvest</Heading>
      <Quiet>Slack, lateness and the board follow at once; published visits stay.</Quiet>
      <Choice
        label="Which crop"
        value={crop}
        onChange={setCrop}
        options={[...crops].map(([c, start]) => ({
          value: c,
          title: `${c}, from ${dayWords(start)}`,
        }))}
      />
      {customers.length > 1 ? (
        <Choice
          label="Whose"
          value={customer}
          onChange={setCustomer}
          options={[
            { value: ALL, title: 'Everybody’s' },
            ...customers.map((c) => ({ value: c, title: c })),
          ]}
        />
      ) : null}
      <TextEntry label="By how many days" numeric value={days} onChange={setDays} />
      {move.trouble ? <Notice tone="rust" title="Not moved" text={move.trouble} /> : null}
      {done ? <Notice tone="pine" title="Moved" text={done} /> : null}
      <Buttons>
        <Press
          small
          title="Earlier"
          testID="harvest earlier"
          disabled={!crop}
          loading={move.busy}
          onPress={() => void move.run(-1)}
        />
        <Press
          small
          title="Later"
          testID="harvest later"
          disabled={!crop}
          onPress={() => void move.run(1)}
        />
      </Buttons>
    </Card>
  );
}
