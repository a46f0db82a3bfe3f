import { format } from 'date-fns/format';
import { StyleSheet } from 'react-native';
import { useSync, type Sync } from '../store';
import { Go, Quiet, Strong } from '../ui';

/** How sending stands, in words; tells where to look when something was refused. */
export function SyncLine() {
  const sync = useSync();
  return sync.refused > 0 ? (
    <Go to="/readings" label={`${sync.refused} refused, look why`} style={styles.refused}>
      <Strong tone="rust">{`${sync.refused} refused, look`}</Strong>
    </Go>
  ) : (
    <Quiet testID="sync" live style={styles.words}>
      {syncWords(sync)}
    </Quiet>
  );
}

/**
 * Two lines at most, as high as the way back beside them: what is below stays where it is while
 * something is sent, and a tap meets what it was meant for.
 */
export function syncWords({ waiting, offline, sentAt }: Sync): string {
  if (waiting > 0) return `${waiting} waiting${offline ? ',\nno signal' : lastSent(sentAt)}`;
  if (offline) return 'no signal';
  return sentAt ? `all sent\n${format(new Date(sentAt), 'HH:mm')}` : 'all sent';
}

const lastSent = (sentAt: Sync['sentAt']): string =>
  sentAt ? `,\nlast sent ${format(new Date(sentAt), 'HH:mm')}` : '';

const styles = StyleSheet.create({
  refused: { justifyContent: 'center' },
  words: { textAlign: 'right' },
});
