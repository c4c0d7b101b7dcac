import { inject, Injectable, signal } from '@angular/core';
import { Subject } from 'rxjs';
import * as z from 'zod';
import { DeviceDatabase, ENTRY_KINDS, type Entry, type EntryKind, type Refused } from '../device/database';
import { forget, keep, keptKeys, recall } from '../device/local';
import { earlierEntry } from './earlier-entries';

/** Where entries wait that the database had no time to take; it takes them when the journal is opened next. */
const LAST_MOMENT = 'entry.';
const KeptEntry = z.object({
  key: z.string(),
  kind: z.enum(ENTRY_KINDS),
  of: z.string(),
  at: z.number(),
  body: z.unknown(),
  by: z.string().optional(),
  waits: z.boolean().optional(),
});

/**
 * Everything made here that the server does not have yet: kept on this device before it is sent, so that a closed window
 * loses none. Where the device cannot keep it, it lasts as long as the window.
 */
@Injectable({ providedIn: 'root' })
export class Journal {
  private readonly database = inject(DeviceDatabase);
  /** What the database has not taken (yet); it stands over what the database has. */
  private readonly memory = new Map<string, Entry>();
  private readonly ready = this.takeEarlier();

  /** Told whenever there may be something new to send. */
  readonly added = new Subject<void>();
  /** What was refused for good, in this window and before. */
  readonly refused = signal<readonly Refused[]>([]);

  constructor() {
    // A page that goes takes what it has not written yet with it; this is written at once.
    window.addEventListener('pagehide', () => {
      for (const entry of this.memory.values()) keep(LAST_MOMENT + entry.key, entry);
    });
    void this.readRefused();
  }

  /** Keeps an entry in place of any under its key, and tells the sender. */
  async put(...entries: readonly Entry[]): Promise<void> {
    for (const entry of entries) this.memory.set(entry.key, entry);
    const kept = await this.database.with(async (device) => {
      const transaction = device.transaction('entries', 'readwrite');
      await Promise.all([...entries.map((entry) => transaction.store.put(entry)), transaction.done]);
      return true;
    }, false);
    if (kept) this.database.works();
    // Unless it was changed again meanwhile.
    for (const entry of entries) if (kept && this.memory.get(entry.key) === entry) this.memory.delete(entry.key);
    this.added.next();
  }

  /** What waits, of one kind or of any, in the order it was made. */
  async pending(kind?: EntryKind): Promise<Entry[]> {
    await this.ready;
    const stored = await this.database.with((device) => device.getAll('entries'), []);
    const all = new Map([...stored, ...this.memory.values()].map((entry) => [entry.key, entry]));
    return [...all.values()]
      .filter((entry) => kind === undefined || entry.kind === kind)
      .sort((a, b) => a.at - b.at || (a.key < b.key ? -1 : 1));
  }

  /** Lets go of what the server has; what was changed again since stays. */
  async acknowledge(entries: readonly Entry[]): Promise<void> {
    for (const { key, at } of entries) if (this.memory.get(key)?.at === at) this.memory.delete(key);
    await this.database.with(async (device) => {
      const transaction = device.transaction('entries', 'readwrite');
      const letGo = async ({ key, at }: Entry): Promise<void> => {
        if ((await transaction.store.get(key))?.at === at) await transaction.store.delete(key);
      };
      await Promise.all([...entries.map(letGo), transaction.done]);
    }, undefined);
  }

  /** Sets one entry aside that the server refused for good. */
  async refuse(entry: Entry, why: string): Promise<void> {
    const refused = { ...entry, why };
    this.refused.update((all) => [...all.filter(({ key }) => key !== entry.key), refused]);
    await this.database.with((device) => device.put('refused', refused), null);
    await this.acknowledge([entry]);
  }

  /** Sends again what was refused: the server may have been mended, or the make put back. */
  async tryAgain(refused: Refused): Promise<void> {
    const { why: _why, ...entry } = refused;
    await this.letGo(refused);
    await this.put(entry);
  }

  /** Forgets something that was refused. */
  async letGo({ key }: Refused): Promise<void> {
    this.refused.update((all) => all.filter((each) => each.key !== key));
    await this.database.with((device) => device.delete('refused', key), undefined);
  }

  private async readRefused(): Promise<void> {
    const stored = await this.database.with((device) => device.getAll('refused'), []);
    this.refused.update((now) => [...stored.filter(({ key }) => now.every((each) => each.key !== key)), ...now]);
  }

  /** Takes up what the last moment of a window left, and what earlier versions kept elsewhere. */
  private async takeEarlier(): Promise<void> {
    const found = keptKeys('').flatMap((key): { key: string; entry: Entry | null }[] => {
      if (!key.startsWith(LAST_MOMENT)) {
        const entry = earlierEntry(key, recall(key));
        return entry ? [{ key, entry }] : [];
      }
      const kept = KeptEntry.safeParse(recall(key));
      return [{ key, entry: kept.success ? (kept.data as Entry) : null }];
    });
    const entries = found.flatMap(({ entry }) => entry ?? []);
    for (const entry of entries) this.memory.set(entry.key, entry);
    const kept = await this.database.with(async (device) => {
      for (const entry of entries) await device.put('entries', entry);
      return true;
    }, false);
    if (!kept) return;
    for (const entry of entries) if (this.memory.get(entry.key) === entry) this.memory.delete(entry.key);
    for (const { key } of found) forget(key);
  }
}
