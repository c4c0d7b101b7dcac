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
  const text = memory.get(key) ?? localStorage.getItem(PREFIX + key);
  if (text === null) return null;
  try {
    return JSON.parse(text) as unknown;
  } catch {
    return null;
  }
}

export function forget(key: string): void {
  memory.delete(key);
  localStorage.removeItem(PREFIX + key);
}

/** All kept keys that begin so, without the application's own prefix. */
export function keptKeys(start: string): string[] {
  const stored = Array.from({ length: localStorage.length }, (_, i) => localStorage.key(i) ?? '')
    .filter((key) => key.startsWith(PREFIX + start))
    .map((key) => key.slice(PREFIX.length));
  const inMemory = [...memory.keys()].filter((key) => key.startsWith(start));
  return [...new Set([...stored, ...inMemory])];
}
