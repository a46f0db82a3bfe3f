import { format } from 'date-fns/format';
import { liveQuery } from 'dexie';
import { useEffect, useState } from 'react';
import { local, useAction } from '../store';
import { choose } from '../store/along';
import type { KeptMachine } from '../store/local';
import { Card, Notice, Press, Quiet, Strong } from '../ui';

/** Whether a machine is taken along to where there is no signal, and taking it. */
export function AlongCard({ id }: { id: string }) {
  const [kept, setKept] = useState<KeptMachine>();
  useEffect(() => {
    const watch = liveQuery(() => local.machines.get(id)).subscribe({ next: setKept });
    return () => watch.unsubscribe();
  }, [id]);
  const take = useAction((chosen: boolean) => choose(id, chosen));
  if (!kept) return null;
  return (
    <Card testID="take along">
      <Strong>
        {kept.chosen || kept.planned ? 'Taken along' : 'Kept because you looked at it'}
      </Strong>
      <Quiet>
        {kept.planned && !kept.chosen
          ? 'You have a visit to it soon: all of it is on this device without signal.'
          : kept.chosen
            ? 'All of it stays on this device, whatever else is cleared away.'
            : 'It makes room for others by and by, unless you take it along.'}
      </Quiet>
      <Quiet>{`As of ${format(new Date(kept.askedAt), 'd MMM, HH:mm')}, and what was read here since.`}</Quiet>
      {take.trouble ? <Notice tone="rust" title="Not done" text={take.trouble} /> : null}
      <Press
        title={kept.chosen ? 'No longer take it along' : 'Take it along'}
        small
        loading={take.busy}
        onPress={() => void take.run(!kept.chosen)}
      />
    </Card>
  );
}
