/**
 * Puts a store of the test's own in the place of the browser's `localStorage`; its keys are listed, as
 * the browser's are.
 * @returns what is kept in it
 */
export function textStore(): Map<string, string> {
  const kept = new Map<string, string>();
  const store = {
    getItem: (key: string) => kept.get(key) ?? null,
    setItem: (key: string, text: string) => void kept.set(key, text),
    removeItem: (key: string) => void kept.delete(key),
  };
  const value = new Proxy(store, {
    ownKeys: () => [...kept.keys()],
    getOwnPropertyDescriptor: () => ({ enumerable: true, configurable: true }),
  });
  Object.defineProperty(globalThis, 'localStorage', { configurable: true, value });
  return kept;
}
