import { Screen, Title } from '../ui';
import { PasswordForm } from './PasswordForm';

/** Signed in by a password that an admin has set: one's own comes first. */
export function MustChange({ name }: { name: string }) {
  return (
    <Screen testID="must change" title="Your own password">
      <Title>{`Welcome, ${name}`}</Title>
      <PasswordForm
        title="Set a password of your own"
        text="The one you came in by was set by an admin, who knows it. What waits on this device stays, and is sent once this is done."
      />
    </Screen>
  );
}
