import { useRouter } from 'expo-router';
import { Notice, Screen } from '../ui';

export default function NotFound() {
  const router = useRouter();
  return (
    <Screen title="Nothing here" testID="nothing here">
      <Notice
        alone
        title="There is nothing here"
        text="The address is wrong, or what it named is gone."
        action={{ title: 'To the Yard', onPress: () => router.replace('/') }}
      />
    </Screen>
  );
}
