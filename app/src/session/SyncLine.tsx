import { useRouter } from 'expo-router';
import { format } from 'date-fns/format';
import { useSync } from '../store';
import { Quiet, Strong, Tap } from '../ui';

/** How sending stands, in words; tells where to look when something was refused. */
export function SyncLine() {
  const sync = useSync();
  const router = useRouter();
  if (sync.refused > 0) {
    return (
      <Tap
        label={`${sync.refused} refused, look why`}
        onPress={() => router.push('/readings')}
        style={{ justifyContent: 'center' }}
      >
        <Strong tone="rust">{`${sync.refused} refused, look`}</Strong>
      </Tap>
    );
  }
  const text =
    sync.waiting > 0
      ? `${sync.waiting} waiting${sync.offline ? ', no signal' : ''}`
      : sync.offline
        ? 'no signal'
        : sync.sentAt
          ? `all sent ${format(new Date(sync.sentAt), 'HH:mm')}`
          : 'all sent';
  return (
    <Quiet testID="sync" live>
      {text}
    </Quiet>
  );
}
