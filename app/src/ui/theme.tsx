import { createTheme, ThemeProvider } from '@rneui/themed/dist/config';
import { createContext, useContext, useEffect, useMemo, useState, type ReactNode } from 'react';
import { useWindowDimensions } from 'react-native';
import { SafeAreaProvider } from 'react-native-safe-area-context';

/**
 * Colours of a theme. Text on paper and card, and on every fill, keeps a contrast of 7:1 in
 * Daylight.
 */
export interface Palette {
  readonly paper: string;
  readonly card: string;
  readonly tray: string;
  readonly ink: string;
  readonly quiet: string;
  readonly line: string;
  readonly pine: string;
  readonly pineTint: string;
  readonly rust: string;
  readonly rustTint: string;
  readonly violet: string;
  readonly violetTint: string;
  readonly blue: string;
  readonly blueTint: string;
  /** text on a filled colour */
  readonly onFill: string;
}

export const DAYLIGHT: Palette = {
  paper: '#F7F4EB',
  card: '#FFFFFF',
  tray: '#ECE6D8',
  ink: '#17211C',
  quiet: '#46534C',
  line: '#D9D3C2',
  pine: '#1E4A3A',
  pineTint: '#E0EAE3',
  rust: '#8F300C',
  rustTint: '#F6E3DA',
  violet: '#48457A',
  violetTint: '#E7E5F2',
  blue: '#1A4E7C',
  blueTint: '#E0EAF3',
  onFill: '#FFFFFF',
};
export const SHED: Palette = {
  paper: '#131A17',
  card: '#1D2622',
  tray: '#0D1311',
  ink: '#F0F1EA',
  quiet: '#C0CBC3',
  line: '#46534C',
  pine: '#A8D8C0',
  pineTint: '#22382E',
  rust: '#F5AE8B',
  rustTint: '#43261A',
  violet: '#C6C3F5',
  violetTint: '#2D2B4C',
  blue: '#A4CFF3',
  blueTint: '#1B3145',
  onFill: '#0D1311',
};

export type ThemeName = 'daylight' | 'shed';

export const FONT = { regular: 'Hyper400', semi: 'Hyper600', bold: 'Hyper700' } as const;
/** Wide layouts begin here, px. */
export const WIDE = 1000;

interface Look {
  readonly name: ThemeName;
  readonly palette: Palette;
  choose(name: ThemeName): void;
}

const LookContext = createContext<Look>({
  name: 'daylight',
  palette: DAYLIGHT,
  choose: () => undefined,
});
const KEPT = 'green-tally-theme';

/** Gives every screen its palette and RN Elements the same one. */
export function Themed({ children }: { children: ReactNode }) {
  const [name, setName] = useState<ThemeName>(() =>
    globalThis.localStorage?.getItem(KEPT) === 'shed' ? 'shed' : 'daylight',
  );
  const palette = name === 'shed' ? SHED : DAYLIGHT;
  // chosen in another tab it is chosen here
  useEffect(() => {
    const listen = ({ key, newValue }: StorageEvent) => {
      if (key === KEPT) setName(newValue === 'shed' ? 'shed' : 'daylight');
    };
    globalThis.addEventListener?.('storage', listen);
    return () => globalThis.removeEventListener?.('storage', listen);
  }, []);
  useEffect(() => {
    if (typeof document !== 'undefined') document.body.style.backgroundColor = palette.paper;
  }, [palette]);
  const look = useMemo<Look>(
    () => ({
      name,
      palette,
      choose: (next) => {
        globalThis.localStorage?.setItem(KEPT, next);
        setName(next);
      },
    }),
    [name, palette],
  );
  const theme = useMemo(
    () =>
      createTheme({
        lightColors: {
          primary: palette.pine,
          background: palette.paper,
          black: palette.ink,
          white: palette.card,
          error: palette.rust,
        },
        components: {
          Button: {
            titleStyle: { fontFamily: FONT.bold, fontSize: 18 },
            buttonStyle: { borderRadius: 14, minHeight: 56 },
          },
          Input: {
            inputStyle: { fontFamily: FONT.regular, fontSize: 18, color: palette.ink },
            labelStyle: { fontFamily: FONT.semi, fontSize: 16, color: palette.ink },
            errorStyle: { fontFamily: FONT.semi, fontSize: 16, color: palette.rust, marginLeft: 0 },
          },
        },
      }),
    [palette],
  );
  return (
    <SafeAreaProvider>
      <LookContext.Provider value={look}>
        <ThemeProvider theme={theme}>{children}</ThemeProvider>
      </LookContext.Provider>
    </SafeAreaProvider>
  );
}

/** The palette of the theme in use. */
export const usePalette = (): Palette => useContext(LookContext).palette;
/** The theme in use and the way to change it. */
export const useLook = (): Look => useContext(LookContext);
/** Whether there is room for list and detail side by side. */
export const useWide = (): boolean => useWindowDimensions().width >= WIDE;
