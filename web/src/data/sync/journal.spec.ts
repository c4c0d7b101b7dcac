import '@angular/compiler';
import 'fake-indexeddb/auto';
import type { MakerEvent } from '@lemniscus/core/making';
import { IDBFactory } from 'fake-indexeddb';
import { openDB } from 'idb';
import { defer, of, throwError } from 'rxjs';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { BrowserStorage } from '../../test/browser-storage';
import { FakeLocks, fakeTime, settle, turns, windowWith } from '../../test/device';
import { DeviceDatabase, entryOfEvent } from '../device/database';
import { MakeApi } from '../server/make-api';
import { RequestFailed } from '../server/server';
import { Journal } from './journal';
import { Outbox } from './outbox';
import { Sender } from './sender';

const MAKE = '0f6a1f52-3a55-4d56-9d8e-0d7f3a1c1111';
const event = (n: number): MakerEvent => ({
  id: `7e57e7e5-0000-4000-8000-${String(n).padStart(12, '0')}`,
  piece: 'body/1',
  at: n,
  kind: 'reached',
  round: 0,
  action: n,
});

let storage: BrowserStorage;
/** What the server does with the next requests, in order; it accepts when none is left. */
let failures: RequestFailed[];
let sent: number[][];
/** Events that are none to the server, and how many it takes at once. */
let bad: Set<number>;
let most: number;
let named: boolean;

function open(): { box: Outbox; sender: Sender; journal: Journal; device: DeviceDatabase } {
  const append = (_make: string, events: readonly MakerEvent[]) =>
    defer(() => {
      const failure = failures.shift();
      if (failure) return throwError(() => failure);
      if (events.length > most) return throwError(() => new RequestFailed(413, 'too much'));
      const wrong = events.flatMap(({ at }, index) => (bad.has(at) ? [{ index, message: 'is none' }] : []));
      if (wrong.length > 0 && !named) return throwError(() => new RequestFailed(400, 'is none'));
      sent.push(events.map((each) => each.at).filter((at) => !bad.has(at)));
      return of({ refused: wrong });
    });
  const window = windowWith({ provide: MakeApi, useValue: { append } });
  const box = window.get(Outbox);
  return { box, sender: window.get(Sender), journal: window.get(Journal), device: window.get(DeviceDatabase) };
}

beforeEach(() => {
  fakeTime();
  storage = new BrowserStorage();
  failures = [];
  sent = [];
  bad = new Set();
  most = 1_000;
  named = true;
  vi.stubGlobal('localStorage', storage);
  vi.stubGlobal('window', new EventTarget());
  vi.stubGlobal('indexedDB', new IDBFactory());
});

afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

const away = (count: number): RequestFailed[] => Array.from({ length: count }, () => new RequestFailed(0, 'away'));

describe('the journal', () => {
  it('keeps an event on the device before it is sent, and forgets it once acknowledged', async () => {
    const { box, sender, journal } = open();
    await settle();
    failures = away(1);
    box.add(MAKE, event(1));
    await settle(100);
    expect(await journal.pending()).toHaveLength(1);
    expect(await box.of(MAKE)).toEqual([event(1)]);
    expect(sender.trouble()).toBe('away');
    await settle(1_000);
    expect(sent).toEqual([[1]]);
    expect([sender.waiting(), sender.trouble(), (await journal.pending()).length]).toEqual([0, null, 0]);
  });

  it('tries again while the server is away or does not let this device in, and sends in order what gathered', async () => {
    const { box, sender, journal } = open();
    await settle();
    failures = [503, 401, 403, 429].map((status) => new RequestFailed(status, 'stumbled'));
    for (let n = 1; n <= 20; n++) box.add(MAKE, event(n));
    await settle(60_000);
    expect(sent.flat()).toEqual(Array.from({ length: 20 }, (_, i) => i + 1));
    expect([sender.waiting(), journal.refused()]).toEqual([0, []]);
  });

  it('has what was said just before the page went, though the database had no time to take it', async () => {
    failures = away(400);
    const { box } = open();
    await settle();
    for (let n = 1; n <= 5; n++) box.add(MAKE, event(n));
    window.dispatchEvent(new Event('pagehide'));
    // What was not written is gone with the page.
    vi.stubGlobal('indexedDB', new IDBFactory());
    const next = open();
    await settle();
    expect(await next.box.of(MAKE)).toEqual([1, 2, 3, 4, 5].map(event));
    expect([...storage.items.keys()]).toEqual([]);
    failures = [];
    next.sender.sendNow();
    await settle(2_000);
    expect([...new Set(sent.flat())].sort()).toEqual([1, 2, 3, 4, 5]);
  });

  it('takes up what versions before it kept: in local storage, and in their database', async () => {
    failures = away(400);
    storage.setItem(`lemniscus.event.${MAKE}.${event(6).id}`, JSON.stringify(event(6)));
    const earlier = await openDB('lemniscus', 1, {
      upgrade(fresh) {
        for (const name of ['waiting', 'refused']) fresh.createObjectStore(name, { keyPath: 'id' });
      },
    });
    await earlier.put('waiting', { id: event(5).id, make: MAKE, event: event(5) });
    await earlier.put('refused', { id: event(4).id, make: MAKE, event: event(4), why: 'no such make' });
    earlier.close();
    const { box, sender, journal } = open();
    await settle();
    expect(await box.of(MAKE)).toEqual([event(5), event(6)]);
    expect(journal.refused()).toMatchObject([{ body: event(4), why: 'no such make' }]);
    failures = [];
    sender.sendNow();
    await settle(100);
    expect([sent, storage.length]).toEqual([[[5, 6]], 0]);
  });

  it.each([true, false])('sets aside alone what is refused, however large the batch (named: %s)', async (byName) => {
    named = byName;
    bad = new Set([3, 17]);
    failures = away(1);
    const { box, sender, journal } = open();
    for (let n = 1; n <= 20; n++) box.add(MAKE, event(n));
    await settle(5_000);
    expect(sent.flat()).toEqual(Array.from({ length: 20 }, (_, i) => i + 1).filter((n) => !bad.has(n)));
    expect(journal.refused().map(({ at, why }) => [at, why])).toEqual([
      [3, 'is none'],
      [17, 'is none'],
    ]);
    expect(sender.waiting()).toBe(0);
    // It is there after a reload, and can be sent again, or let go.
    const again = open();
    await settle();
    const [first, second] = again.journal.refused();
    bad = new Set();
    await again.journal.tryAgain(first!);
    await again.journal.letGo(second!);
    await settle(100);
    expect([sent.at(-1), again.journal.refused(), open().journal.refused()]).toEqual([[3], [], []]);
  });

  it('halves what is too much at once', async () => {
    most = 4;
    failures = away(1);
    const { box } = open();
    for (let n = 1; n <= 20; n++) box.add(MAKE, event(n));
    await settle(5_000);
    expect(sent.flat()).toEqual(Array.from({ length: 20 }, (_, i) => i + 1));
  });

  it('sends what a week away gathered, in order and once, also when the way is bad and the page is closed in between', async () => {
    const WEEK = 20_000;
    // One window sends for both.
    vi.stubGlobal('navigator', { locks: new FakeLocks() });
    failures = away(10_000);
    const { sender } = open();
    for (let from = 0; from < WEEK; from += 1_000)
      await sender.put(...Array.from({ length: 1_000 }, (_, i) => entryOfEvent(MAKE, event(from + i + 1))));
    await settle(1_000);
    const next = open();
    // Every third try is lost.
    failures = [];
    const lose = setInterval(() => failures.push(...away(1)), 1_700);
    next.sender.sendNow();
    await vi.waitFor(async () => {
      await turns(4_000);
      await settle(500);
      expect(next.sender.waiting()).toBe(0);
    }, 60_000);
    clearInterval(lose);
    expect(sent.flat()).toEqual(Array.from({ length: WEEK }, (_, i) => i + 1));
    expect(await next.journal.pending()).toEqual([]);
  }, 90_000);

  it('leaves none behind that was added just as the last ones were found gone', async () => {
    const { box, journal } = open();
    await settle();
    const look = journal.pending.bind(journal);
    let late = false;
    vi.spyOn(journal, 'pending').mockImplementation(async () => {
      const found = await look();
      if (found.length === 0 && !late) {
        late = true;
        box.add(MAKE, event(2));
        await turns(20);
      }
      return found;
    });
    box.add(MAKE, event(1));
    await settle(300);
    expect([late, sent]).toEqual([true, [[1], [2]]]);
    expect(await look()).toEqual([]);
  });

  it('tells when the server knows, at once when it does, and without long waiting when it cannot be told', async () => {
    const { box, sender } = open();
    await settle();
    const told = (): (() => boolean) => {
      let said = false;
      sender.settled().subscribe(() => (said = true));
      return () => said;
    };
    expect(told()()).toBe(true);
    box.add(MAKE, event(1));
    const sending = told();
    expect(sending()).toBe(false);
    await settle();
    expect([sending(), sent]).toEqual([true, [[1]]]);
    failures = away(9);
    box.add(MAKE, event(2));
    const late = told();
    await settle(1_100);
    expect([late(), sent]).toEqual([true, [[1]]]);
  });

  it('does not wait out a long pause once the server is heard of', async () => {
    const { box, sender } = open();
    await settle();
    failures = away(6);
    box.add(MAKE, event(1));
    // The pauses between tries grow to half a minute.
    await settle(40_000);
    expect(sent).toEqual([]);
    sender.sendNow();
    await settle(10);
    expect(sent).toEqual([[1]]);
    // Heard of in the pause before sending, it sends what comes later too.
    box.add(MAKE, event(2));
    await turns(30);
    sender.sendNow();
    await settle(200);
    box.add(MAKE, event(3));
    await settle(500);
    expect(sent).toEqual([[1], [2], [3]]);
  });

  it.each([
    ['no database', () => vi.stubGlobal('indexedDB', undefined), /keeps no data/],
    [
      'a full disk',
      () =>
        vi.spyOn(IDBObjectStore.prototype, 'put').mockImplementation(() => {
          throw new DOMException('full', 'QuotaExceededError');
        }),
      /device is full/,
    ],
  ])('with %s: steps are held in memory until they are sent, and it is said', async (_what, make, said) => {
    make();
    const { box, device } = open();
    await settle();
    failures = away(1);
    box.add(MAKE, event(3));
    await settle();
    expect(await box.of(MAKE)).toEqual([event(3)]);
    expect(device.trouble()).toMatch(said);
    await settle(2_000);
    expect(sent).toEqual([[3]]);
    vi.restoreAllMocks();
  });

  it('opens a database again that the browser closed, and gives way to a newer version', async () => {
    const { box, device } = open();
    await settle();
    failures = away(1);
    await device.with(async (database) => {
      database.close();
      await Promise.resolve();
    }, undefined);
    box.add(MAKE, event(1));
    await settle();
    expect([await box.of(MAKE), device.trouble()]).toEqual([[event(1)], null]);
    const newer = await openDB('lemniscus', 9);
    expect(device.trouble()).toMatch(/Reload this one/);
    // What is kept is the newer window's to send; what is done here now is sent from memory.
    box.add(MAKE, event(2));
    await settle(2_000);
    expect([sent, await newer.getAllKeys('entries')]).toEqual([[[2]], [`event/${event(1).id}`]]);
    newer.close();
  });
});
