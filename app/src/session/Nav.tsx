import { usePathname } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import Svg, { Circle, Path } from 'react-native-svg';
import { ENTRY, FONT, Go, SPACE, STROKE, Strong, usePalette, useWide } from '../ui';

const PLACES = [
  { path: '/', title: 'Yard', icon: 'M4 21V11l8-7 8 7v10M9 21v-7h6v7' },
  { path: '/walk', title: 'Walk', icon: 'M5 4v16M10 4v16M15 4v16M20 4v16' },
  { path: '/work', title: 'Work', icon: 'M4 6h16M4 12h11M4 18h14' },
  {
    path: '/board',
    title: 'Board',
    icon: 'M3 4h18M3 4v16M9 4v16M15 4v16M21 4v16M10.5 8h3M16.5 13h3M4.5 10h3v5h-3z',
    wideOnly: true,
  },
  {
    path: '/due',
    title: 'Due',
    icon: 'M5 5h14v15H5zM5 10h14M9 3v4M15 3v4M9 15l2 2 4-4',
    wideOnly: true,
  },
  {
    path: '/parts',
    title: 'Parts',
    icon: 'M4 8l8-4 8 4v8l-8 4-8-4zM4 8l8 4 8-4M12 12v8',
    wideOnly: true,
  },
  { path: '/specs', title: 'Specs', icon: 'M6 3h9l4 4v14H6zM9 11h7M9 15h7', wideOnly: true },
  { path: '/readings', title: 'Readings', icon: 'M4 12h16M7 7v10M12 9v6M17 5v14' },
  { path: '/more', title: 'More', icon: '' },
] as const;

/**
 * Whether a path lies in a place; a machine belongs to the Yard, on a phone the specs are reached
 * through More.
 */
function inPlace(path: string, place: string, wide: boolean): boolean {
  if (place === '/') return path === '/' || path.startsWith('/machine');
  if (path.startsWith(place)) return true;
  return (
    (place === '/more' &&
      (/^\/(settings|bench|insight|forecasts|practice|scan)/.test(path) ||
        (!wide && path.startsWith('/specs')))) ||
    (place === '/work' && (path.startsWith('/van') || (!wide && /^\/(due|parts|board)/.test(path))))
  );
}

/** The places: a bar under the thumb on a phone, a rail on a wide screen. */
export function Nav() {
  const path = usePathname();
  const palette = usePalette();
  const wide = useWide();
  if (!wide && /^\/walk\/.+/.test(path)) return null;
  return (
    <View
      role="navigation"
      aria-label="Places"
      style={[
        wide ? styles.rail : styles.bar,
        wide
          ? { backgroundColor: palette.pine }
          : { backgroundColor: palette.card, borderTopColor: palette.line },
      ]}
    >
      {PLACES.filter((p) => wide || !('wideOnly' in p)).map((place) => (
        <PlaceLink key={place.path} place={place} here={inPlace(path, place.path, wide)} />
      ))}
    </View>
  );
}

function PlaceLink({ place, here }: { place: (typeof PLACES)[number]; here: boolean }) {
  const palette = usePalette();
  const wide = useWide();
  const quiet = here ? palette.pine : palette.quiet;
  const color = wide ? palette.onFill : quiet;
  return (
    <Go
      to={place.path}
      label={place.title}
      here={here}
      style={[
        styles.place,
        wide ? styles.onRail : styles.inBar,
        { borderColor: here ? color : 'transparent' },
      ]}
    >
      <Svg width={26} height={26} viewBox="0 0 24 24" aria-hidden>
        {place.icon ? (
          <Path
            d={place.icon}
            stroke={color}
            strokeWidth={2.2}
            fill="none"
            strokeLinecap="round"
            strokeLinejoin="round"
          />
        ) : (
          [5, 12, 19].map((x) => <Circle key={x} cx={x} cy={12} r={1.8} fill={color} />)
        )}
      </Svg>
      <Strong style={[styles.title, here ? styles.here : null, { color }]}>{place.title}</Strong>
    </Go>
  );
}

const styles = StyleSheet.create({
  rail: { width: 116, paddingVertical: SPACE.l, gap: SPACE.s },
  bar: { flexDirection: 'row', borderTopWidth: STROKE.thin },
  place: { minHeight: 62, alignItems: 'center', justifyContent: 'center', gap: 2 },
  onRail: { borderLeftWidth: 6 },
  inBar: { flex: 1, borderTopWidth: 5 },
  title: { fontSize: ENTRY.small, lineHeight: 20, fontFamily: FONT.regular },
  here: { fontFamily: FONT.bold },
});
