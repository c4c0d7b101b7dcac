import { Injectable, signal } from '@angular/core';
import type { MakerEvent } from '@lemniscus/core/making';
import { openDB, type DBSchema, type IDBPDatabase } from 'idb';

/** Something made here that the server does not have yet, under a key of its own. */
/** What is made here and sent: every entry of the journal is one of these. */
export const ENTRY_KINDS = ['event', 'change', 'yarn', 'measurement', 'plan', 'photo', 'picture', 'practice', 'sketch'] as const;
export type EntryKind = (typeof ENTRY_KINDS)[number];

export interface Entry {
  /** The kind and what names the thing among its kind. */
  readonly key: string;
  readonly kind: EntryKind;
  /** What goes to the server together: the make of an event, for others their kind. */
  readonly of: string;
  /** When it was made, ms since 1970, by this device's clock; of two under one key the later stands. */
  readonly at: number;
  readonly body: unknown;
  /** The window that alone sends it while it is open; any window where there is none. */
  readonly by?: string;
  /** That window is still at it. */
  readonly waits?: boolean;
}

/** What the server refused for good, with its reason. */
export type Refused = Entry & { readonly why: string };

export interface KeptEvent {
  readonly id: string;
  readonly make: string;
  readonly event: MakerEvent;
}

export interface DeviceSchema extends DBSchema {
  entries: { key: string; value: Entry };
  refused: { key: string; value: Refused };
  /** What the server said last, by what was asked. */
  answers: { key: string; value: { readonly key: string; readonly value: unknown } };
  /** Events of makes as the server has them. */
  events: { key: string; value: KeptEvent; indexes: { make: string } };
}

export type Device = IDBPDatabase<DeviceSchema>;

const NAME = 'lemniscus';
const VERSION = 2;

/** What earlier versions kept: events on their way, and those refused. */
interface EarlierEvent {
  readonly id: string;
  readonly make: string;
  readonly event: MakerEvent;
  readonly why?: string;
}

export function entryOfEvent(make: string, event: MakerEvent): Entry {
  return { key: `event/${event.id}`, kind: 'event', of: make, at: event.at, body: event };
}

/**
 * The application's database on this device. It may be blocked, full, closed by the browser or taken by another version's
 * window: then `trouble` says so in a sentence, whatever was asked is answered by what was given for that case, and nothing
 * throws.
 */
@Injectable({ providedIn: 'root' })
export class DeviceDatabase {
  private opened: Promise<Device | null> | null = null;

  /** Why things cannot be kept on this device at the moment; null when they can. */
  readonly trouble = signal<string | null>(null);

  /** Does something with the database; `otherwise` when it is not to be had, after one more try where it was closed. */
  async with<T>(work: (device: Device) => Promise<T>, otherwise: T): Promise<T> {
    for (let tries = 0; tries < 2; tries++) {
      const device = await (this.opened ??= this.open());
      if (!device) return otherwise;
      try {
        return await work(device);
      } catch (error) {
        if (isClosed(error)) this.opened = null;
        else {
          this.trouble.set(reasonOf(error));
          return otherwise;
        }
      }
    }
    return otherwise;
  }

  /** Something was kept: there is room again. */
  works(): void {
    this.trouble.set(null);
  }

  private async open(): Promise<Device | null> {
    try {
      const device = await openDB<DeviceSchema>(NAME, VERSION, {
        // IndexedDB keeps the upgrade open for as long as something is asked of it.
        // eslint-disable-next-line @typescript-eslint/no-misused-promises
        upgrade: async (fresh, from, _to, transaction) => {
          fresh.createObjectStore('entries', { keyPath: 'key' });
          fresh.createObjectStore('answers', { keyPath: 'key' });
          fresh.createObjectStore('events', { keyPath: 'id' }).createIndex('make', 'make');
          const earlier = from > 0 ? await takeEarlier(fresh, transaction) : [];
          fresh.createObjectStore('refused', { keyPath: 'key' });
          for (const { make, event, why } of earlier) {
            const entry = entryOfEvent(make, event);
            await (why === undefined
              ? transaction.objectStore('entries').put(entry)
              : transaction.objectStore('refused').put({ ...entry, why }));
          }
        },
        blocked: () => this.trouble.set('Lemniscus of another version is open in another window. Close that window.'),
        blocking: (_from, _to, { target }) => {
          (target as IDBDatabase | null)?.close();
          this.opened = Promise.resolve(null);
          this.trouble.set('A newer Lemniscus was opened in another window. Reload this one.');
        },
        terminated: () => (this.opened = null),
      });
      this.trouble.set(null);
      return device;
    } catch (error) {
      this.trouble.set(reasonOf(error));
      return null;
    }
  }
}

async function takeEarlier(fresh: Device, transaction: Parameters<NonNullable<Upgrade>>[3]): Promise<EarlierEvent[]> {
  const stores = [...fresh.objectStoreNames] as string[];
  const all: EarlierEvent[] = [];
  for (const name of ['waiting', 'refused']) {
    if (!stores.includes(name)) continue;
    all.push(...((await transaction.objectStore(name as 'refused').getAll()) as unknown as EarlierEvent[]));
    fresh.deleteObjectStore(name as 'refused');
  }
  return all;
}

type Upgrade = NonNullable<Parameters<typeof openDB<DeviceSchema>>[2]>['upgrade'];

function isClosed(error: unknown): boolean {
  return error instanceof DOMException && error.name === 'InvalidStateError';
}

function reasonOf(error: unknown): string {
  const name = error instanceof DOMException ? error.name : '';
  if (name === 'QuotaExceededError') return 'This device is full: what you do now is kept only as long as this window is open.';
  return 'This browser keeps no data for Lemniscus: what the server does not have yet lasts as long as this window is open.';
}
