import '@angular/compiler';
import { Injector, runInInjectionContext } from '@angular/core';
import type { MakerEvent } from '@lemniscus/core/making';
import { defer, of, throwError, type Observable } from 'rxjs';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { MakeApi, RequestFailed } from './make-api';
import { Outbox } from './outbox';

/** Enough of a browser for the outbox: a storage that may be full, and events of the window. */
class Storage {
  readonly items = new Map<string, string>();
  full = false;
  get length(): number {
    return this.items.size;
  }
  key = (index: number): string | null => [...this.items.keys()][index] ?? null;
  getItem = (key: string): string | null => this.items.get(key) ?? null;
  removeItem = (key: string): boolean => this.items.delete(key);
  setItem = (key: string, value: string): void => {
    if (this.full) throw new Error('full');
    this.items.set(key, value);
  };
}

const MAKE = '0f6a1f52-3a55-4d56-9d8e-0d7f3a1c1111';
const event = (n: number): MakerEvent => ({
  id: `7e57e7e5-0000-4000-8000-${String(n).padStart(12, '0')}`,
  piece: 'body/1',
  at: n,
  kind: 'reached',
  round: 0,
  action: n,
});

let storage: Storage;
/** What the server does with the next requests, in order; it accepts when none is left. */
let failures: RequestFailed[];
let sent: number[][];

function outbox(): Outbox {
  const append = (_make: string, events: readonly MakerEvent[]): Observable<unknown> =>
    defer(() => {
      const failure = failures.shift();
      if (failure) return throwError(() => failure);
      sent.push(events.map((each) => each.at));
      return of(null);
    });
  const injector = Injector.create({ providers: [{ provide: MakeApi, useValue: { append } }] });
  return runInInjectionContext(injector, () => new Outbox());
}

beforeEach(() => {
  vi.useFakeTimers();
  storage = new Storage();
  failures = [];
  sent = [];
  vi.stubGlobal('localStorage', storage);
  vi.stubGlobal('window', new EventTarget());
});

afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

const settle = (ms = 0): Promise<unknown> => vi.advanceTimersByTimeAsync(ms);

describe('outbox', () => {
  it('keeps an event on the device before it is sent, and forgets it once acknowledged', async () => {
    const box = outbox();
    await settle();
    failures = [new RequestFailed(0, 'away')];
    box.add(MAKE, event(1));
    expect([...storage.items.keys()].filter((key) => key.includes('event.'))).toHaveLength(1);
    expect(box.of(MAKE)).toEqual([event(1)]);
    expect(box.trouble()).toBe('away');
    await settle(1_000);
    expect(sent).toEqual([[1]]);
    expect([box.waiting(), box.trouble(), storage.length]).toEqual([0, null, 0]);
  });

  it('tries again while the server is away, and sends in one go what gathered meanwhile', async () => {
    const box = outbox();
    await settle();
    failures = Array.from({ length: 4 }, () => new RequestFailed(503, 'stumbled'));
    for (let n = 1; n <= 20; n++) box.add(MAKE, event(n));
    await settle(60_000);
    expect(sent.flat().sort((a, b) => a - b)).toEqual(Array.from({ length: 20 }, (_, i) => i + 1));
    expect(box.waiting()).toBe(0);
  });

  it('sends what a closed window left behind', async () => {
    failures = [new RequestFailed(0, 'away'), new RequestFailed(0, 'away')];
    outbox().add(MAKE, event(7));
    failures = [];
    outbox();
    await settle();
    expect(sent).toContainEqual([7]);
  });

  it('sets aside what is refused for good, so that later steps still arrive', async () => {
    const box = outbox();
    await settle();
    failures = [new RequestFailed(404, 'no such make')];
    box.add(MAKE, event(1));
    await settle(100);
    box.add(MAKE, event(2));
    await settle(100);
    expect(sent).toEqual([[2]]);
    expect([...storage.items.keys()]).toEqual([expect.stringContaining('refused.event.')]);
  });

  it('holds events in memory where the device refuses to store them', async () => {
    const box = outbox();
    await settle();
    storage.full = true;
    failures = [new RequestFailed(0, 'away')];
    box.add(MAKE, event(3));
    expect(box.of(MAKE)).toEqual([event(3)]);
    await settle(2_000);
    expect(sent).toEqual([[3]]);
  });
});
