import {
  createContext,
  lazy,
  Suspense,
  useContext,
  useState,
  type ComponentType,
  type ReactNode,
} from 'react';
import { Skeleton } from './Frame';
import { Notice } from './Notice';

/**
 * A part that is loaded when it is first shown, with its shape standing there meanwhile. Where it
 * cannot be had it says so, and is asked for again by a tap.
 * @param what is being waited for: "the visit"
 * @param meanwhile stands there until then, where it is not the usual shape
 */
export function later<P extends object>(
  what: string,
  load: () => Promise<ComponentType<P>>,
  meanwhile: ReactNode = <Skeleton what={what} />,
): ComponentType<P> {
  const asked = () => lazy(async () => ({ default: (await loaded(load)) ?? NotHere<P> }));
  function NotHere<Q>(_: Q) {
    const again = useContext(Again);
    return (
      <Notice
        tone="rust"
        title={`${what.charAt(0).toUpperCase()}${what.slice(1)} cannot be shown`}
        text="This part of the app is not on this device yet, and there is no signal to fetch it. What was typed is kept."
        action={{ title: 'Try again', onPress: again }}
      />
    );
  }
  const first = asked();
  return function Later(props: P) {
    const [Part, setPart] = useState<ComponentType<P>>(() => first);
    return (
      <Again.Provider value={() => setPart(asked)}>
        <Suspense fallback={meanwhile}>
          <Part {...props} />
        </Suspense>
      </Again.Provider>
    );
  };
}

/** Asks for a part once more. */
const Again = createContext<() => void>(() => undefined);

const RELOADED = 'green-tally-reloaded';

/**
 * An open page of an older app may ask for a part that is gone: the page is loaded anew, once.
 * @returns undefined where it cannot be had
 */
async function loaded<T>(load: () => Promise<T>): Promise<T | undefined> {
  try {
    const part = await load();
    globalThis.sessionStorage?.removeItem(RELOADED);
    return part;
  } catch (error) {
    const storage = globalThis.sessionStorage;
    console.error(error);
    if (!storage || storage.getItem(RELOADED) || globalThis.navigator?.onLine === false)
      return undefined;
    storage.setItem(RELOADED, 'yes');
    globalThis.location.reload();
    return new Promise<never>(() => undefined);
  }
}
