import { lazy, Suspense, type ComponentType } from 'react';
import { Skeleton } from './Frame';

/**
 * A part that is loaded when it is first shown, with its shape standing there meanwhile.
 * @param what is being waited for: "the visit"
 */
export function later<P extends object>(
  what: string,
  load: () => Promise<ComponentType<P>>,
): ComponentType<P> {
  const Part = lazy(async () => ({ default: await loaded(load) }));
  return function Later(props: P) {
    return (
      <Suspense fallback={<Skeleton what={what} />}>
        <Part {...props} />
      </Suspense>
    );
  };
}

const RELOADED = 'green-tally-reloaded';

/** An open page of an older app may ask for a part that is gone: the page is loaded anew, once. */
async function loaded<T>(load: () => Promise<T>): Promise<T> {
  try {
    const part = await load();
    globalThis.sessionStorage?.removeItem(RELOADED);
    return part;
  } catch (error) {
    const storage = globalThis.sessionStorage;
    if (!storage || storage.getItem(RELOADED) || globalThis.navigator?.onLine === false)
      throw error;
    storage.setItem(RELOADED, 'yes');
    globalThis.location.reload();
    return new Promise<never>(() => undefined);
  }
}
