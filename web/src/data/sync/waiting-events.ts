import { Injectable } from '@angular/core';
import { Event } from '@lemniscus/api';
import type { MakerEvent } from '@lemniscus/core/making';
import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import { forget, keep, keptKeys, recall } from '../device/local';

/** An event on its way to the server, under its own id. */
export interface Waiting {
  readonly id: string;
  readonly make: string;
  readonly event: MakerEvent;
}

interface Schema extends DBSchema {
  waiting: { key: string; value: Waiting; indexes: { make: string } };
  /** What the server refused for good, with its reason. */
  refused: { key: string; value: Waiting & { readonly why: string } };
}

/** Where events wait that the database had no time to take; it takes them when it is opened next. */
const LAST_MOMENT = 'event.';

/** Events that wait on this device, in IndexedDB. Where the browser refuses one, they last as long as the window. */
@Injectable({ providedIn: 'root' })
export class WaitingEvents {
  private readonly memory = new Map<string, Waiting>();
  private readonly database: Promise<IDBPDatabase<Schema> | null> = this.open();

  constructor() {
    // A page that goes takes what it has not written yet with it; this is written at once.
    window.addEventListener('pagehide', () => {
      for (const { id, make, event } of this.memory.values()) keep(`${LAST_MOMENT}${make}.${id}`, event);
    });
  }

  private async open(): Promise<IDBPDatabase<Schema> | null> {
    try {
      const database = await openDB<Schema>('lemniscus', 1, {
        upgrade(fresh) {
          fresh.createObjectStore('waiting', { keyPath: 'id' }).createIndex('make', 'make');
          fresh.createObjectStore('refused', { keyPath: 'id' });
        },
      });
      for (const key of keptKeys(LAST_MOMENT)) {
        const event = Event.safeParse(recall(key));
        const make = key.slice(LAST_MOMENT.length).split('.')[0]!;
        if (event.success) await database.put('waiting', { id: event.data.id, make, event: event.data });
        forget(key);
      }
      return database;
    } catch {
      return null;
    }
  }

  async put(waiting: Waiting): Promise<void> {
    this.memory.set(waiting.id, waiting);
    try {
      await (await this.database)?.put('waiting', waiting);
    } catch {
      // A full disk: it stays in memory, and is sent from there.
      return;
    }
    if (await this.database) this.memory.delete(waiting.id);
  }

  /** All that waits, for one make or for any, in the order it happened. */
  async all(make?: string): Promise<Waiting[]> {
    const database = await this.database;
    const stored = !database
      ? []
      : make === undefined
        ? await database.getAll('waiting')
        : await database.getAllFromIndex('waiting', 'make', make);
    const inMemory = [...this.memory.values()].filter((one) => make === undefined || one.make === make);
    const byId = new Map([...stored, ...inMemory].map((one) => [one.id, one]));
    return [...byId.values()].sort((a, b) => a.event.at - b.event.at || (a.id < b.id ? -1 : 1));
  }

  async remove(all: readonly Waiting[]): Promise<void> {
    for (const { id } of all) this.memory.delete(id);
    const transaction = (await this.database)?.transaction('waiting', 'readwrite');
    await Promise.all([...all.map(({ id }) => transaction?.store.delete(id)), transaction?.done]);
  }

  async refuse(all: readonly Waiting[], why: string): Promise<void> {
    const database = await this.database;
    for (const one of all) await database?.put('refused', { ...one, why });
  }
}
