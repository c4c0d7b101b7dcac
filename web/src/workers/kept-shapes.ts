import type { Profile } from '@lemniscus/core/shape';
import { openDB, type IDBPDatabase } from 'idb';

const NAME = 'lemniscus-shapes';
/** More than a shelf of makes has; past it all are worked out anew. */
const MOST = 1_000;

interface Kept {
  readonly key: string;
  readonly profile: Profile;
}

/**
 * Shapes that were worked out before, on this device: a part has one for as long as the model is the same. What cannot be
 * kept or found is worked out again; nobody is told.
 */
export class KeptShapes {
  private readonly opened: Promise<IDBPDatabase | null>;

  /** @param model what names this version of the model; null where it has no name and nothing is to be kept */
  constructor(private readonly model: string | null) {
    this.opened = model === null ? Promise.resolve(null) : this.open().catch(() => null);
  }

  async find(key: string): Promise<Profile | null> {
    try {
      const kept = (await (await this.opened)?.get('shapes', this.own(key))) as Kept | undefined;
      return kept?.profile ?? null;
    } catch {
      return null;
    }
  }

  async keep(key: string, profile: Profile): Promise<void> {
    try {
      const kept: Kept = { key: this.own(key), profile };
      const keeping = (await this.opened)?.transaction('shapes', 'readwrite', { durability: 'relaxed' });
      void keeping?.store.put(kept);
      // It would otherwise wait for its answer, which comes after every shape that is being asked for.
      keeping?.commit();
      await keeping?.done;
    } catch {
      // A full disk: it is worked out again.
    }
  }

  private readonly own = (key: string): string => `${this.model} ${key}`;

  /** Shapes of another model go, and all of them where they have become too many. */
  private async open(): Promise<IDBPDatabase> {
    const database = await openDB(NAME, 1, { upgrade: (fresh) => void fresh.createObjectStore('shapes', { keyPath: 'key' }) });
    const keys = await database.getAllKeys('shapes');
    const others = keys.filter((key) => keys.length > MOST || (typeof key === 'string' && !key.startsWith(`${this.model} `)));
    if (others.length > 0) {
      const gone = database.transaction('shapes', 'readwrite');
      await Promise.all([...others.map((key) => gone.store.delete(key)), gone.done]);
    }
    return database;
  }
}

/** A built worker is named by what is in it, and so is the model; one that is being worked on has no such name. */
export function modelOf(script: string): string | null {
  return /worker-([A-Z0-9]{8})\.js$/.exec(script)?.[1] ?? null;
}
