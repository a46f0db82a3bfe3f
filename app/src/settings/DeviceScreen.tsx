import { format } from 'date-fns/format';
import { liveQuery } from 'dexie';
import { useEffect, useState } from 'react';
import { printNumber } from '@green-tally/core/units';
import { local, troubleText, useAction } from '../store';
import { choose, freeRoom, LOOKED_AT_KEPT, onlyLookedAt } from '../store/along';
import { forget } from '../store/facts';
import type { KeptMachine } from '../store/local';
import { Buttons, Card, Go, Heading, Notice, Press, Quiet, Row, Skeleton, Strong } from '../ui';
import { machineName } from '../yard/words';
import { SettingsFrame } from './SettingsFrame';

/** What this device has with it where there is no signal, how much room that takes, and freeing it. */
export function DeviceScreen() {
  const kept = useKept();
  const room = useRoom(kept);
  const free = useAction(freeRoom);
  if (!kept)
    return (
      <SettingsFrame title="This device" testID="device">
        <Skeleton what="what is kept here" />
      </SettingsFrame>
    );
  const along = kept.filter((k) => k.chosen || k.planned);
  const looked = kept.filter((k) => !k.chosen && !k.planned);
  return (
    <SettingsFrame title="This device" testID="device">
      <Card>
        <Heading>{room.used}</Heading>
        <Quiet>{room.says}</Quiet>
        {free.trouble ? <Notice tone="rust" title="Not freed" text={free.trouble} /> : null}
        <Buttons>
          <Press
            title="Free what is not taken along"
            small
            loading={free.busy}
            disabled={looked.length === 0}
            testID="free room"
            onPress={() => void free.run()}
          />
        </Buttons>
        <Quiet>
          Readings that still wait to be sent are never cleared away. Pages of the book are fetched
          again with the next walk.
        </Quiet>
      </Card>
      <Card testID="along">
        <Heading>{`Taken along: ${along.length}`}</Heading>
        <Quiet>
          Machines you chose, and those you have a visit to within two weeks: all their readings and
          sheets are here without signal.
        </Quiet>
        {along.map((k) => (
          <KeptLine key={k.id} kept={k} />
        ))}
      </Card>
      <Card>
        <Heading>{`Looked at: ${looked.length}`}</Heading>
        <Quiet>{`The last ${LOOKED_AT_KEPT} stay; older ones make room by themselves.`}</Quiet>
        {looked.map((k) => (
          <KeptLine key={k.id} kept={k} />
        ))}
      </Card>
    </SettingsFrame>
  );
}

function KeptLine({ kept }: { kept: KeptMachine }) {
  const take = useAction((chosen: boolean) => choose(kept.id, chosen));
  const off = useAction(() => forget([kept.id]));
  const name = machineName(kept.machine);
  const why = kept.planned ? 'a visit is planned · ' : '';
  return (
    <>
      <Row apart>
        <Go to={`/machine/${kept.id}`} label={name}>
          <Strong tone="pine">{name}</Strong>
          <Quiet>{`${why}as of ${format(new Date(kept.askedAt), 'd MMM HH:mm')}`}</Quiet>
        </Go>
        <Row>
          <Press
            title={kept.chosen ? 'No longer' : 'Take along'}
            label={`${kept.chosen ? 'No longer' : 'Take along'}: ${name}`}
            small
            onPress={() => void take.run(!kept.chosen)}
          />
          {kept.chosen || kept.planned ? null : (
            <Press
              title="Take off"
              label={`Take off: ${name}`}
              small
              onPress={() => void off.run()}
            />
          )}
        </Row>
      </Row>
      {take.trouble ? <Notice tone="rust" title="Not done" text={take.trouble} /> : null}
    </>
  );
}

/** The machines kept here, and again whenever that changes. */
function useKept(): readonly KeptMachine[] | undefined {
  const [kept, setKept] = useState<readonly KeptMachine[]>();
  useEffect(() => {
    const watch = liveQuery(async () => {
      const looked = await onlyLookedAt();
      const along = await local.machines.filter((m) => m.chosen || m.planned).toArray();
      return [...along.sort((a, b) => (a.machine.serial < b.machine.serial ? -1 : 1)), ...looked];
    }).subscribe({
      next: setKept,
      error: (error: unknown) => console.error(troubleText(error)),
    });
    return () => watch.unsubscribe();
  }, []);
  return kept;
}

/** How much room is used here, in words. */
function useRoom(changes: unknown): { readonly used: string; readonly says: string } {
  const [room, setRoom] = useState<{ usage: number; quota: number }>();
  useEffect(() => {
    const asked = globalThis.navigator?.storage?.estimate?.();
    asked?.then(
      ({ usage, quota }) => setRoom({ usage: usage ?? 0, quota: quota ?? 0 }),
      () => undefined,
    );
  }, [changes]);
  return room
    ? {
        used: `${megabytes(room.usage)} used here`,
        says: `The app itself is among it. This browser lets it grow to ${megabytes(room.quota)}.`,
      }
    : { used: 'Room used here', says: 'This browser does not say how much is used.' };
}

const megabytes = (bytes: number): string =>
  bytes < 1e9 ? `${printNumber(bytes / 1e6, 1)} MB` : `${printNumber(bytes / 1e9, 1)} GB`;
