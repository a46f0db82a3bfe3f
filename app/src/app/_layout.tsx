import { AtkinsonHyperlegibleNext_400Regular as Hyper400 } from '@expo-google-fonts/atkinson-hyperlegible-next/400Regular';
import { AtkinsonHyperlegibleNext_600SemiBold as Hyper600 } from '@expo-google-fonts/atkinson-hyperlegible-next/600SemiBold';
import { AtkinsonHyperlegibleNext_700Bold as Hyper700 } from '@expo-google-fonts/atkinson-hyperlegible-next/700Bold';
import { useFonts } from 'expo-font';
import { Slot } from 'expo-router';
import { useEffect } from 'react';
import { SWRConfig } from 'swr';
import { Gate } from '../session/Gate';
import { startOutbox } from '../store';
import { swrConfig } from '../store/hooks';
import { Themed } from '../ui';

/** What every place stands on: fonts, theme, data, the outbox, and who is signed in. */
export default function Layout() {
  const [fontsReady, fontTrouble] = useFonts({ Hyper400, Hyper600, Hyper700 });
  useEffect(() => startOutbox(), []);
  useEffect(() => {
    if (process.env.NODE_ENV === 'production')
      void globalThis.navigator?.serviceWorker?.register('/sw.js').catch(() => undefined);
  }, []);
  if (!fontsReady && !fontTrouble) return null;
  return (
    <SWRConfig value={swrConfig}>
      <Themed>
        <Gate>
          <Slot />
        </Gate>
      </Themed>
    </SWRConfig>
  );
}
