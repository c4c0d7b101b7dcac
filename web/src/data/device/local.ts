/** Keeps small things on this device, so that nothing made is lost when the server or the window goes away. */
const PREFIX = 'lemniscus.';

/** Used when the browser refuses storage (private window, full disk): then things last as long as the window. */
const memory = new Map<string, string>();

export function keep(key: string, value: unknown): void {
  const text = JSON.stringify(value);
  try {
    localStorage.setItem(PREFIX + key, text);
    memory.delete(key);
  } catch {
    memory.set(key, text);
  }
}

export function recall(key: string): unknown {
  const text = memory.get(key) ?? stored((items) => items.getItem(PREFIX + key), null);
  if (text === null) return null;
  try {
    return JSON.parse(text) as unknown;
  } catch {
    return null;
  }
}

export function forget(key: string): void {
  memory.delete(key);
  stored((items) => items.removeItem(PREFIX + key), undefined);
}

/** All kept keys that begin so, without the application's own prefix. */
export function keptKeys(start: string): string[] {
  const all = stored((items) => Array.from({ length: items.length }, (_, i) => items.key(i) ?? ''), []);
  const here = all.filter((key) => key.startsWith(PREFIX + start)).map((key) => key.slice(PREFIX.length));
  const inMemory = [...memory.keys()].filter((key) => key.startsWith(start));
  return [...new Set([...here, ...inMemory])];
}

/** Where the browser blocks site data, even looking throws. */
function stored<T>(look: (items: Storage) => T, otherwise: T): T {
  try {
    return look(localStorage);
  } catch {
    return otherwise;
  }
}
