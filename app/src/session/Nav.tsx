import { usePathname, useRouter } from 'expo-router';
import { View } from 'react-native';
import Svg, { Circle, Path } from 'react-native-svg';
import { FONT, Strong, Tap, usePalette, useWide } from '../ui';

const PLACES = [
  { path: '/', title: 'Yard', icon: 'M4 21V11l8-7 8 7v10M9 21v-7h6v7' },
  { path: '/walk', title: 'Walk', icon: 'M5 4v16M10 4v16M15 4v16M20 4v16' },
  { path: '/work', title: 'Work', icon: 'M4 6h16M4 12h11M4 18h14' },
  { path: '/specs', title: 'Specs', icon: 'M6 3h9l4 4v14H6zM9 11h7M9 15h7', wideOnly: true },
  { path: '/readings', title: 'Readings', icon: 'M4 12h16M7 7v10M12 9v6M17 5v14' },
  { path: '/more', title: 'More', icon: '' },
] as const;

/** Whether a path lies in a place; a machine belongs to the Yard, on a phone the specs are reached through More. */
const inPlace = (path: string, place: string, wide: boolean): boolean =>
  place === '/'
    ? path === '/' || path.startsWith('/machine')
    : path.startsWith(place) || (!wide && place === '/more' && path.startsWith('/specs'));

/** The places: a bar under the thumb on a phone, a rail on a wide screen. */
export function Nav() {
  const path = usePathname();
  const router = useRouter();
  const palette = usePalette();
  const wide = useWide();
  if (!wide && /^\/walk\/.+/.test(path)) return null;
  const rail = { width: 116, paddingVertical: 18, gap: 6, backgroundColor: palette.pine } as const;
  const bar = {
    flexDirection: 'row',
    borderTopWidth: 2,
    borderTopColor: palette.line,
    backgroundColor: palette.card,
  } as const;
  return (
    <View role="navigation" aria-label="Places" style={wide ? rail : bar}>
      {PLACES.filter((p) => wide || !('wideOnly' in p)).map((place) => {
        const here = inPlace(path, place.path, wide);
        const color = wide ? palette.onFill : here ? palette.pine : palette.quiet;
        return (
          <Tap
            key={place.path}
            role="link"
            label={here ? `${place.title}, here` : place.title}
            onPress={() => router.push(place.path)}
            style={{
              flex: wide ? 0 : 1,
              minHeight: 62,
              alignItems: 'center',
              justifyContent: 'center',
              gap: 2,
              borderTopWidth: wide ? 0 : 5,
              borderLeftWidth: wide ? 6 : 0,
              borderColor: here ? color : 'transparent',
            }}
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
            <Strong
              style={{
                color,
                fontSize: 16,
                lineHeight: 20,
                fontFamily: here ? FONT.bold : FONT.regular,
              }}
            >
              {place.title}
            </Strong>
          </Tap>
        );
      })}
    </View>
  );
}
