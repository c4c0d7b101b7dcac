import '@angular/compiler';
import 'fake-indexeddb/auto';
import { Injector, runInInjectionContext } from '@angular/core';
import type { MakerEvent } from '@lemniscus/core/making';
import { IDBFactory } from 'fake-indexeddb';
import { openDB } from 'idb';
import { defer, of, throwError, type Observable } from 'rxjs';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { BrowserStorage } from '../../test/browser-storage';
import { MakeApi } from '../server/make-api';
import { Outbox } from './outbox';
import { RequestFailed } from '../server/server';
import { WaitingEvents } from './waiting-events';

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

function outbox(): { box: Outbox; kept: WaitingEvents } {
  const append = (_make: string, events: readonly MakerEvent[]): Observable<unknown> =>
    defer(() => {
      const failure = failures.shift();
      if (failure) return throwError(() => failure);
      sent.push(events.map((each) => each.at));
      return of(null);
    });
  const injector = Injector.create({ providers: [{ provide: MakeApi, useValue: { append } }, { provide: WaitingEvents }] });
  return { box: runInInjectionContext(injector, () => new Outbox()), kept: injector.get(WaitingEvents) };
}

beforeEach(() => {
  // The database of the tests works with immediates, which stay real.
  vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout', 'setInterval', 'clearInterval', 'Date'] });
  storage = new BrowserStorage();
  failures = [];
  sent = [];
  vi.stubGlobal('localStorage', storage);
  vi.stubGlobal('window', new EventTarget());
  vi.stubGlobal('indexedDB', new IDBFactory());
});

afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

/** Node's own, which the tests run on and the page's types do not know. */
const immediately = (globalThis as unknown as { setImmediate: (run: () => void) => void }).setImmediate;

/** Lets time pass, and the database do what it has to do. */
async function settle(ms = 0): Promise<void> {
  for (let part = 0; part < 20; part++) {
    await vi.advanceTimersByTimeAsync(ms / 20);
    for (let i = 0; i < 6; i++) await new Promise<void>((next) => immediately(next));
  }
}

describe('outbox', () => {
  it('keeps an event on the device before it is sent, and forgets it once acknowledged', async () => {
    const { box, kept } = outbox();
    await settle();
    failures = [new RequestFailed(0, 'away')];
    box.add(MAKE, event(1));
    await settle(100);
    expect(await kept.all()).toHaveLength(1);
    expect(await box.of(MAKE)).toEqual([event(1)]);
    expect(box.trouble()).toBe('away');
    await settle(1_000);
    expect(sent).toEqual([[1]]);
    expect([box.waiting(), box.trouble(), (await kept.all()).length]).toEqual([0, null, 0]);
  });

  it('tries again while the server is away, and sends in order what gathered meanwhile', async () => {
    const { box } = outbox();
    await settle();
    failures = Array.from({ length: 4 }, () => new RequestFailed(503, 'stumbled'));
    for (let n = 1; n <= 20; n++) box.add(MAKE, event(n));
    await settle(60_000);
    expect(sent.flat()).toEqual(Array.from({ length: 20 }, (_, i) => i + 1));
    expect(box.waiting()).toBe(0);
  });

  it('has what was said just before the page went, though the database had no time to take it', async () => {
    failures = Array.from({ length: 400 }, () => new RequestFailed(0, 'away'));
    const { box } = outbox();
    await settle();
    for (let n = 1; n <= 5; n++) box.add(MAKE, event(n));
    window.dispatchEvent(new Event('pagehide'));
    // What was not written is gone with the page.
    vi.stubGlobal('indexedDB', new IDBFactory());
    const next = outbox();
    await settle();
    expect((await next.kept.all()).map((each) => each.event)).toEqual([1, 2, 3, 4, 5].map(event));
    expect([...storage.items.keys()]).toEqual([]);
    failures = [];
    next.box.sendNow();
    await settle(2_000);
    expect([...new Set(sent.flat())].sort()).toEqual([1, 2, 3, 4, 5]);
  });

  it('sends what a closed window left behind, also from before there was a database', async () => {
    failures = Array.from({ length: 40 }, () => new RequestFailed(0, 'away'));
    storage.setItem(`lemniscus.event.${MAKE}.${event(6).id}`, JSON.stringify(event(6)));
    outbox().box.add(MAKE, event(7));
    await settle();
    failures = [];
    outbox();
    await settle();
    expect(sent).toContainEqual([6, 7]);
    expect(storage.length).toBe(0);
  });

  it('leaves none behind that was added just as the last ones were found gone', async () => {
    const { box, kept } = outbox();
    await settle();
    const look = kept.all.bind(kept);
    let late = false;
    vi.spyOn(kept, 'all').mockImplementation(async () => {
      const found = await look();
      if (found.length === 0 && !late) {
        late = true;
        box.add(MAKE, event(2));
        for (let turn = 0; turn < 20; turn++) await new Promise<void>((next) => immediately(next));
      }
      return found;
    });
    box.add(MAKE, event(1));
    await settle(300);
    expect([late, sent]).toEqual([true, [[1], [2]]]);
    expect(await look()).toEqual([]);
  });

  it('tells when the server knows, at once when it does, and without long waiting when it cannot be told', async () => {
    const { box } = outbox();
    await settle();
    const told = (): (() => boolean) => {
      let said = false;
      box.settled().subscribe(() => (said = true));
      return () => said;
    };
    expect(told()()).toBe(true);
    box.add(MAKE, event(1));
    const sending = told();
    expect(sending()).toBe(false);
    await settle();
    expect([sending(), sent]).toEqual([true, [[1]]]);
    failures = Array.from({ length: 9 }, () => new RequestFailed(0, 'away'));
    box.add(MAKE, event(2));
    const away = told();
    await settle(1_100);
    expect([away(), sent]).toEqual([true, [[1]]]);
  });

  it('does not wait out a long pause once the server is heard of', async () => {
    const { box } = outbox();
    await settle();
    failures = Array.from({ length: 6 }, () => new RequestFailed(0, 'away'));
    box.add(MAKE, event(1));
    // The pauses between tries grow to half a minute.
    await settle(40_000);
    expect(sent).toEqual([]);
    box.sendNow();
    await settle(10);
    expect(sent).toEqual([[1]]);
  });

  it('sets aside what is refused for good, so that later steps still arrive', async () => {
    const { box } = outbox();
    await settle();
    failures = [new RequestFailed(404, 'no such make')];
    box.add(MAKE, event(1));
    await settle(100);
    box.add(MAKE, event(2));
    await settle(100);
    expect(sent).toEqual([[2]]);
    const database = await openDB('lemniscus', 1);
    expect(await database.getAll('refused')).toMatchObject([{ event: event(1), why: 'no such make' }]);
  });

  it('holds events in memory where the browser has no database', async () => {
    vi.stubGlobal('indexedDB', undefined);
    const { box } = outbox();
    await settle();
    failures = [new RequestFailed(0, 'away')];
    box.add(MAKE, event(3));
    await settle();
    expect(await box.of(MAKE)).toEqual([event(3)]);
    await settle(2_000);
    expect(sent).toEqual([[3]]);
  });
});
