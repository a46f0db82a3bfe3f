import { useEffect, useState } from 'react';
import { View } from 'react-native';
import type { MachineFile, Walk } from '@green-tally/core/contracts';
import { mayBeSoundTogether, type WalkStop } from '@green-tally/core/walk';
import {
  isHeld,
  put,
  takeBack,
  useAction,
  useClock,
  useOutgoing,
  useSession,
  type Outgoing,
} from '../store';
import { Press, Quiet, Row, SPACE, Strong } from '../ui';
import { newReading } from './session';
import { askedFor, type Standing } from './useStand';

/** How long what was called sound together can be taken back, ms. */
const A_MINUTE = 60_000;

interface AllSoundProps {
  readonly file: MachineFile;
  readonly walk: Walk;
  /** of one station, or of one position of the machine */
  readonly stops: readonly WalkStop[];
  readonly stands: Standing;
}

/**
 * One tap for what a look answers, after it was looked at: each check its own reading. Only those for
 * which the machine stands; what is measured is never among them.
 */
export function AllSound({ file, walk, stops, stands }: AllSoundProps) {
  const clock = useClock();
  const { data: session } = useSession();
  const looks = stops.filter((s) => mayBeSoundTogether(s, file.readings)).map((s) => s.check);
  const here = looks.filter(
    (c) => c.position === stands.stand?.position && askedFor(c, file, stands).length === 0,
  );
  const call = useAction(async () => {
    const about = {
      file,
      walk,
      state: 'asFound' as const,
      now: clock(),
      by: session?.person?.name ?? '',
      stand: stands.stand,
      note: 'looked at and called sound with others beside it',
    };
    await put(
      here.flatMap((check) =>
        check.places.map((place) => ({
          kind: 'reading' as const,
          body: newReading(
            { ...about, check, place },
            { kind: 'condition', grade: 'sound', seen: [], found: '' },
          ),
        })),
      ),
      { held: A_MINUTE },
    );
  });
  if (here.length < 2) return null;
  return (
    <View style={{ gap: SPACE.xs }} testID="all sound">
      <Strong>To look at, as it stands</Strong>
      {here.map((c) => (
        <Quiet key={c.id}>{`${c.component}: ${c.measures}`}</Quiet>
      ))}
      <Press
        title={`Looked at all ${here.length}: all sound here`}
        testID="call all sound"
        loading={call.busy}
        onPress={() => void call.run()}
      />
      {call.trouble ? <Strong tone="rust">{call.trouble}</Strong> : null}
    </View>
  );
}

/** What was called sound just now, as long as it can be taken back. */
export function TakeBack({ machineId }: { readonly machineId: string }) {
  const outgoing = useOutgoing(machineId) ?? [];
  const held = outgoing.filter((o) => o.state === 'waiting' && o.heldUntil !== undefined);
  return held.length ? <Held held={held} /> : null;
}

function Held({ held: all }: { readonly held: readonly Outgoing[] }) {
  const [now, setNow] = useState(Date.now);
  useEffect(() => {
    const each = setInterval(() => setNow(Date.now()), 1000);
    return () => clearInterval(each);
  }, []);
  const held = all.filter((o) => isHeld(o, now));
  const back = useAction(() => takeBack(held.map((o) => o.id)));
  if (!held.length) return null;
  const last = Math.max(...held.map((o) => Date.parse(o.heldUntil ?? '')));
  const checks = new Set(held.flatMap((o) => (o.kind === 'reading' ? [o.body.checkId] : [])));
  return (
    <Row apart>
      <Strong testID="called sound">{`${checks.size} called sound`}</Strong>
      <Press
        small
        title={`Undo (${Math.ceil((last - now) / 1000)} s)`}
        testID="undo sound"
        loading={back.busy}
        onPress={() => void back.run()}
      />
    </Row>
  );
}
