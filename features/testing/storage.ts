/**
 * A localStorage for tests that have no browser, empty before each; what there was is back after it.
 * @returns what is kept in it now
 */
export function storageInMemory(): () => Map<string, string> {
  const real = Object.getOwnPropertyDescriptor(globalThis, 'localStorage');
  let kept = new Map<string, string>();
  beforeEach(() => {
    kept = new Map();
    Object.defineProperty(globalThis, 'localStorage', {
      configurable: true,
      value: {
        getItem: (key: string) => kept.get(key) ?? null,
        setItem: (key: string, text: string) => void kept.set(key, text),
        removeItem: (key: string) => void kept.delete(key),
      },
    });
  });
  afterEach(() => {
    if (real) Object.defineProperty(globalThis, 'localStorage', real);
    else delete (globalThis as { localStorage?: unknown }).localStorage;
  });
  return () => kept;
}
