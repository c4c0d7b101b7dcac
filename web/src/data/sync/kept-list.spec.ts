import '@angular/compiler';
import { DestroyRef, Injector, runInInjectionContext } from '@angular/core';
import { defer, of, throwError, type Observable } from 'rxjs';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import * as z from 'zod';
import { BrowserStorage } from '../../test/browser-storage';
import { KeptList, type Change } from './kept-list';
import { RequestFailed } from '../server/server';

const Value = z.object({ id: z.string(), grams: z.number() });
type Value = z.infer<typeof Value>;

/** A server as KeptList sees it: values by id with the time of their change; away while `failures` are left. */
let stored: Map<string, Change<Value>>;
let failures: RequestFailed[];
let sendings: number;

function list(): KeptList<Value> {
  const destroy = { onDestroy: () => () => undefined, destroyed: false };
  const injector = Injector.create({ providers: [{ provide: DestroyRef, useValue: destroy }] });
  return runInInjectionContext(
    injector,
    () =>
      new KeptList<Value>({
        name: 'yarn',
        change: z.object({ value: Value, changedAt: z.int(), removed: z.boolean() }),
        load: () => answer(() => [...stored.values()].filter((one) => !one.removed).map((one) => one.value)),
        send: (changes) =>
          answer(() => {
            sendings++;
            for (const change of changes) {
              const known = stored.get(change.value.id);
              if (!known || known.changedAt <= change.changedAt) stored.set(change.value.id, change);
            }
          }),
        batch: 3,
      }),
  );
}

function answer<T>(act: () => T): Observable<T> {
  return defer(() => {
    const failure = failures.shift();
    return failure ? throwError(() => failure) : of(act());
  });
}

const AWAY = new RequestFailed(0, 'away');
const later = (): Promise<unknown> => vi.advanceTimersByTimeAsync(40_000);
const kept = (): string[] => [...storage.items.keys()].filter((key) => key.startsWith('lemniscus.yarn.'));
let storage: BrowserStorage;

beforeEach(() => {
  vi.useFakeTimers({ now: 1_000_000 });
  storage = new BrowserStorage();
  stored = new Map();
  failures = [];
  sendings = 0;
  vi.stubGlobal('localStorage', storage);
  vi.stubGlobal('window', new EventTarget());
});
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

describe('a kept list', () => {
  it('keeps changes here while the server is away, over a reload, and sends them when it is back', async () => {
    failures = Array<RequestFailed>(200).fill(AWAY);
    const before = list();
    await later();
    before.put({ id: 'a', grams: 5 }, { id: 'b', grams: 6 });
    before.remove({ id: 'b', grams: 6 });
    expect(before.items()).toEqual([{ id: 'a', grams: 5 }]);
    expect(kept()).toHaveLength(2);
    const reloaded = list();
    expect(reloaded.items()).toEqual([{ id: 'a', grams: 5 }]);
    failures = [];
    await later();
    expect(kept()).toEqual([]);
    expect(reloaded.waiting()).toBe(0);
    expect(stored.get('a')).toMatchObject({ removed: false });
    expect(stored.get('b')).toMatchObject({ removed: true });
    expect(reloaded.items()).toEqual([{ id: 'a', grams: 5 }]);
  });

  it('is not overwritten by an answer that was asked for before a change', async () => {
    stored.set('a', { value: { id: 'a', grams: 50 }, changedAt: 1, removed: false });
    const yarns = list();
    // The list is asked for after a moment; the change comes in between and is sent at once.
    yarns.put({ id: 'a', grams: 20 });
    await later();
    expect(yarns.items()).toEqual([{ id: 'a', grams: 20 }]);
    expect(yarns.loaded()).toBe(true);
    expect(stored.get('a')!.value.grams).toBe(20);
  });

  it('keeps the order of two changes in one millisecond, and sends more than a batch holds', async () => {
    const yarns = list();
    yarns.put({ id: 'x', grams: 1 });
    yarns.put({ id: 'x', grams: 2 });
    yarns.put(...Array.from({ length: 8 }, (_, n) => ({ id: `y${n}`, grams: n })));
    await later();
    expect(stored.get('x')!.value.grams).toBe(2);
    expect(stored.size).toBe(9);
    expect(kept()).toEqual([]);
    expect(sendings).toBeGreaterThanOrEqual(3);
  });

  it('holds and sends changes although the disk is full', async () => {
    storage.full = true;
    failures = [AWAY, AWAY];
    const yarns = list();
    yarns.put({ id: 'a', grams: 5 });
    yarns.put({ id: 'a', grams: 4 });
    expect(yarns.items()).toEqual([{ id: 'a', grams: 4 }]);
    await later();
    expect(stored.get('a')!.value.grams).toBe(4);
    expect([yarns.waiting(), kept()]).toEqual([0, []]);
  });

  it('sets aside what the server refuses for good, says so, and loses nothing', async () => {
    const yarns = list();
    await later();
    failures = [new RequestFailed(400, 'Grams: at least 0.')];
    yarns.put({ id: 'a', grams: -1 });
    await later();
    expect(yarns.refused()).toBe('Grams: at least 0.');
    expect(yarns.waiting()).toBe(0);
    expect(storage.items.get('lemniscus.refused.yarn.a')).toContain('"grams":-1');
  });
});
