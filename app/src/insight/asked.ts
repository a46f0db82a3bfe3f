import { useLocalSearchParams, useRouter, type Href } from 'expo-router';
import { InsightOf, type Dimension } from '@green-tally/core/contracts/insight';

/** What machines are told apart by, in the order they are shown. */
export const DIMENSIONS: readonly { readonly value: Dimension; readonly title: string }[] = [
  { value: 'crop', title: 'Crop' },
  { value: 'model', title: 'Model' },
  { value: 'customer', title: 'Customer' },
  { value: 'branch', title: 'Branch' },
];

const firstOf = (value: string | string[] | undefined): string | undefined => {
  const one = Array.isArray(value) ? value[0] : value;
  return one ? one : undefined;
};

/** Which machines the address asks for, and how to ask for others. */
export function useAsked() {
  const router = useRouter();
  const params = useLocalSearchParams<Record<Dimension, string>>();
  const of = InsightOf.parse(
    Object.fromEntries(
      DIMENSIONS.flatMap(({ value }) => {
        const chosen = firstOf(params[value]);
        return chosen ? [[value, chosen.slice(0, LONGEST)]] : [];
      }),
    ),
  );
  const set = (dimension: Dimension, value: string | undefined) =>
    router.setParams({ [dimension]: value ?? '' });
  return { of, set };
}

/** As long as a name may be. */
const LONGEST = 120;

/** A place of insight over the same machines, with what else is asked for. */
export const insightHref = (
  to: string,
  of: InsightOf,
  more: Readonly<Record<string, string | undefined>> = {},
): Href => `${to}${searchOf({ ...of, ...more })}` as Href;

/** As a link's search; empty where nothing is asked for. */
export function searchOf(asked: Readonly<Record<string, string | undefined>>): string {
  const said = Object.entries(asked).flatMap(([name, value]) =>
    value ? [`${name}=${encodeURIComponent(value)}`] : [],
  );
  return said.length ? `?${said.join('&')}` : '';
}
