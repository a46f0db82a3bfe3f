import { useState } from 'react';
import type { CalendarFeed } from '@green-tally/core/contracts';
import { api, useAction } from '../store';
import { useFeeds } from '../board/hooks';
import { Body, Buttons, Card, Choice, Heading, Notice, Press, Quiet, Strong } from '../ui';
import { momentWords } from '../yard/words';

interface FeedsProps {
  /** whose calendars may be handed out */
  readonly people: readonly { readonly personId: string; readonly name: string }[];
}

const addressOf = ({ key }: CalendarFeed): string =>
  `${globalThis.location?.origin ?? ''}/api/feeds/${key}/visits.ics`;

/** Secret links of technicians' calendars: made, copied, taken back. */
export function Feeds({ people }: FeedsProps) {
  const { data, again } = useFeeds();
  const [who, setWho] = useState<string>();
  const chosen = who ?? people[0]?.personId;
  const make = useAction(async () => {
    await api('POST /feeds', { body: { personId: chosen ?? '' } });
    again();
  });
  const revoke = useAction(async (id: string) => {
    await api('DELETE /feeds/{id}', { params: { id } });
    again();
  });
  const open = data?.feeds.filter((f) => !f.revokedAt) ?? [];
  const trouble = make.trouble || revoke.trouble;
  return (
    <Card testID="feeds">
      <Heading>Calendar by link</Heading>
      <Body>
        Whoever has the link sees that technician’s visits in their own calendar, and nothing else.
      </Body>
      {open.map((feed) => (
        <Feed key={feed.id} feed={feed} onRevoke={() => void revoke.run(feed.id)} />
      ))}
      {people.length > 1 ? (
        <Choice
          label="Whose calendar"
          value={chosen}
          onChange={setWho}
          options={people.map((p) => ({ value: p.personId, title: p.name }))}
        />
      ) : null}
      {trouble ? <Notice tone="rust" title="It did not work" text={trouble} /> : null}
      <Press
        small
        title="Make a link"
        testID="make feed"
        disabled={!chosen}
        loading={make.busy}
        onPress={() => void make.run()}
      />
    </Card>
  );
}

function Feed({ feed, onRevoke }: { feed: CalendarFeed; onRevoke: () => void }) {
  const [copied, setCopied] = useState(false);
  return (
    <Card testID={`feed ${feed.name}`}>
      <Strong>{feed.name}</Strong>
      <Quiet testID="feed address">{addressOf(feed)}</Quiet>
      <Quiet>{`Made by ${feed.madeBy}, ${momentWords(feed.madeAt)}`}</Quiet>
      <Buttons>
        <Press
          small
          title={copied ? 'Copied' : 'Copy'}
          onPress={() =>
            void globalThis.navigator?.clipboard
              ?.writeText(addressOf(feed))
              .then(() => setCopied(true))
              .catch(() => undefined)
          }
        />
        <Press small title="Take it back" testID="revoke feed" onPress={onRevoke} />
      </Buttons>
    </Card>
  );
}
