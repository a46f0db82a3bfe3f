import { useLocalSearchParams } from 'expo-router';
import { useMemo, useState } from 'react';
import useSWR from 'swr';
import { v7 as uuidv7 } from 'uuid';
import { z } from 'zod';
import { OperatorCard, type CardItem, type OperatorNote } from '@green-tally/core/contracts';
import { printHours } from '@green-tally/core/units';
import {
  ApiProblem,
  pathOf,
  put,
  troubleText,
  useAction,
  useDraft,
  useOutgoing,
  useSession,
} from '../store';
import {
  Body,
  Card,
  Choice,
  Go,
  Heading,
  Notice,
  Press,
  Quiet,
  Screen,
  Strong,
  TextEntry,
  Title,
  Waiting,
} from '../ui';
import { dayWords } from '../yard/words';
import { CardPhoto } from './CardPhoto';

/** The operator's card: one machine, today's few checks, what was noticed. No account. */
export function CardScreen() {
  const { key } = useLocalSearchParams<{ key: string }>();
  const { data, error, mutate } = useSWR<unknown, unknown>(
    pathOf('GET /card/{key}', { params: { key } }),
  );
  const card = useMemo(() => (data === undefined ? undefined : OperatorCard.parse(data)), [data]);
  if (error instanceof ApiProblem && error.problem.status === 404)
    return (
      <Screen testID="no card" title="Operator’s card">
        <Notice
          alone
          title="This link opens nothing"
          text="It was taken back, or was not copied whole. Ask the workshop for a new label."
        />
      </Screen>
    );
  if (!card)
    return (
      <Waiting
        what="the card"
        trouble={error ? troubleText(error) : undefined}
        again={() => void mutate()}
      />
    );
  return <Filled key={card.machine.id} card={card} link={key} />;
}

const Draft = z.object({
  name: z.string(),
  hours: z.string(),
  noticed: z.string(),
  is: z.record(z.string(), z.enum(['fine', 'notFine', 'notLooked'])),
  said: z.record(z.string(), z.string()),
  photo: z.string().nullable(),
});
type Draft = z.infer<typeof Draft>;
const EMPTY: Draft = { name: '', hours: '', noticed: '', is: {}, said: {}, photo: null };

interface FilledProps {
  readonly card: OperatorCard;
  readonly link: string;
}

function Filled({ card, link }: FilledProps) {
  const { machine, today, items } = card;
  const [draft, setDraft] = useDraft(`card|${machine.id}`, Draft, EMPTY);
  const [sent, setSent] = useState(0);
  const { data: session } = useSession();
  const change = (next: Partial<Draft>) => setDraft((now) => laidOver(now, next));
  const send = useAction(async () => {
    const body = noteOf(draft, items);
    await put([{ kind: 'said', key: link, body: { ...body, machineId: machine.id } }]);
    setDraft({ ...EMPTY, name: draft.name });
    setSent(sent + 1);
  });
  return (
    <Screen
      testID="operator card"
      title={`Operator’s card: ${machine.serial}`}
      footer={
        <>
          {send.trouble ? <Strong tone="rust">{send.trouble}</Strong> : null}
          <Press
            fill="pine"
            title="Send it to the workshop"
            testID="send card"
            loading={send.busy}
            onPress={() => void send.run()}
          />
        </>
      }
    >
      <Title>{`${machine.model} · ${machine.serial}`}</Title>
      <Quiet>{`Operator’s card, ${dayWords(today)}. What you say goes to the workshop as what you say; nothing here says that the machine is safe or ready.`}</Quiet>
      {session?.person ? (
        <Go to={`/machine/${machine.id}`} label={`Open ${machine.serial} in the workshop`}>
          <Strong tone="pine">{`You are signed in: open ${machine.serial} ›`}</Strong>
        </Go>
      ) : null}
      <Gone machineId={machine.id} sent={sent} />
      <Notice
        tone="rust"
        title="Before you look"
        text="Engine off, key out and on you, everything at rest. Only look: open no guard, climb on nothing, get under nothing, put no hand in. The maker’s manual and your own rules come first."
      />
      {items.map((item) => (
        <Item key={item.checkId} item={item} draft={draft} change={change} />
      ))}
      {items.length ? null : <Quiet>Nothing is asked today.</Quiet>}
      <Card>
        <Heading>What did you notice?</Heading>
        <TextEntry
          label="Noise, smell, heat, spills, losses"
          value={draft.noticed}
          onChange={(noticed) => change({ noticed })}
          lines={3}
          hint="squeals when the header starts"
        />
        <TextEntry
          label={`Separator hours; the workshop knows ${printHours(machine.hours)}`}
          value={draft.hours}
          onChange={(hours) => change({ hours })}
          numeric
        />
        <CardPhoto photo={draft.photo} onPhoto={(photo) => change({ photo })} />
        <TextEntry
          label="Your name"
          value={draft.name}
          onChange={(name) => change({ name })}
          hint="so that they can ask you"
        />
      </Card>
    </Screen>
  );
}

/** What became of what was said: sent, or waiting for signal on this phone. */
function Gone({ machineId, sent }: { readonly machineId: string; readonly sent: number }) {
  const own = useOutgoing(machineId)?.filter((o) => o.kind === 'said') ?? [];
  const waiting = own.filter((o) => o.state === 'waiting').length;
  const refused = own.find((o) => o.state === 'refused');
  if (refused)
    return <Notice tone="rust" title="The workshop did not take it" text={refused.why} />;
  if (waiting)
    return (
      <Notice
        title="Kept on this phone"
        text="It goes to the workshop by itself once there is signal. Leave this page as it is, or open it again later."
      />
    );
  return sent ? (
    <Notice tone="pine" title="The workshop has it" text="Thank you. You may send more." />
  ) : null;
}

interface ItemProps {
  readonly item: CardItem;
  readonly draft: Draft;
  readonly change: (next: Partial<Draft>) => void;
}

function Item({ item, draft, change }: ItemProps) {
  const { checkId, component, stationName, asks, how, safety } = item;
  const [open, setOpen] = useState(false);
  return (
    <Card testID={`item ${checkId}`}>
      <Quiet>{stationName}</Quiet>
      <Heading>{component}</Heading>
      <Choice
        label={asks}
        value={draft.is[checkId]}
        onChange={(is: 'fine' | 'notFine' | 'notLooked') => change({ is: { [checkId]: is } })}
        options={[
          { value: 'fine', title: 'Looks right' },
          { value: 'notFine', title: 'Not right' },
          { value: 'notLooked', title: 'Did not look' },
        ]}
      />
      {draft.is[checkId] === 'notFine' ? (
        <TextEntry
          label={`What is not right: ${component}`}
          value={draft.said[checkId] ?? ''}
          onChange={(text) => change({ said: { [checkId]: text } })}
        />
      ) : null}
      {open ? (
        <>
          <Body>{how}</Body>
          {safety.map((s) => (
            <Quiet key={s}>{s}</Quiet>
          ))}
        </>
      ) : (
        <Press
          title="How to look"
          label={`How to look: ${component}`}
          onPress={() => setOpen(true)}
          small
        />
      )}
    </Card>
  );
}

/** What the card's entries say. @throws Error in words when something is missing or no number */
/** What is said of one item is laid beside what is said of the others. */
const laidOver = (now: Draft, { is, said, ...rest }: Partial<Draft>): Draft => ({
  ...now,
  ...rest,
  is: { ...now.is, ...is },
  said: { ...now.said, ...said },
});

function noteOf(draft: Draft, items: readonly CardItem[]): OperatorNote {
  if (!draft.name.trim()) throw new Error('Say your name, so that they can ask you.');
  const answers = items.flatMap(({ checkId }) => {
    const is = draft.is[checkId];
    return is ? [{ checkId, is, said: draft.said[checkId]?.trim() ?? '' }] : [];
  });
  const hours = hoursOf(draft.hours);
  const { noticed, photo } = draft;
  const something = answers.some((a) => a.is !== 'notLooked');
  if (!something && !noticed.trim() && hours === null && !photo)
    throw new Error('Look at something, or say what you noticed or the hours.');
  return {
    id: uuidv7(),
    at: new Date().toISOString(),
    name: draft.name.trim(),
    hours,
    noticed: noticed.trim(),
    answers,
    photo,
  };
}

function hoursOf(text: string): number | null {
  if (!text.trim()) return null;
  const hours = Number(text.trim().replace(',', '.'));
  if (!(hours >= 0 && hours <= 100_000))
    throw new Error(`"${text.trim()}" is no number of hours. Write what the meter shows.`);
  return hours;
}
