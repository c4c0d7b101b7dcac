import '@angular/compiler';
import { type Injector, runInInjectionContext } from '@angular/core';
import type { Taken } from '@lemniscus/api';
import { mergeTexts } from '@lemniscus/core/merging';
import type { MakerEvent } from '@lemniscus/core/making';
import fc from 'fast-check';
import { defer, of, throwError, type Observable } from 'rxjs';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import * as z from 'zod';
import { BrowserStorage } from '../../test/browser-storage';
import { FakeLocks, fakeTime, settle, windowWith } from '../../test/device';
import { MAKE_ID, MakeServer } from '../../test/make-server';
import { MakeApi } from '../server/make-api';
import { RequestFailed } from '../server/server';
import { Journal } from './journal';
import { KeptList, type Change } from './kept-list';
import { MakeChanges } from './make-changes';
import { Outbox } from './outbox';
import { Sender } from './sender';

const Value = z.object({ id: z.string(), grams: z.number().min(0) });
type Value = z.infer<typeof Value>;

/** A server as KeptList sees it: values by id with the time of their change; away while `failures` are left. */
let stored: Map<string, Change<Value>>;
let failures: RequestFailed[];
let sendings: number;

function take(changes: readonly Change<Value>[]): Taken {
  sendings++;
  const refused = changes.flatMap(({ value }, index) =>
    value.grams > 1_000 ? [{ index, message: 'Grams: at most 1000.' }] : [],
  );
  for (const change of changes) {
    const known = stored.get(change.value.id);
    if (change.value.grams <= 1_000 && (known?.changedAt ?? 0) <= change.changedAt) stored.set(change.value.id, change);
  }
  return { refused };
}

function list(window: Injector, reach: <T>(act: () => T) => Observable<T> = answer): KeptList<Value> {
  return runInInjectionContext(
    window,
    () =>
      new KeptList<Value>({
        name: 'yarn',
        value: Value,
        load: () => reach(() => [...stored.values()].filter((one) => !one.removed)),
        send: (changes) => reach(() => take(changes)),
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
const later = (): Promise<void> => settle(40_000);
const windowOf = (): Injector => windowWith({ provide: MakeApi, useValue: {} });
let storage: BrowserStorage;

beforeEach(() => {
  fakeTime();
  vi.setSystemTime(1_000_000);
  storage = new BrowserStorage();
  stored = new Map();
  failures = [];
  sendings = 0;
  vi.stubGlobal('localStorage', storage);
  vi.stubGlobal('window', new EventTarget());
  vi.stubGlobal('indexedDB', undefined);
});
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

describe('a kept list', () => {
  it('keeps changes here while the server is away, over a reload, and sends them when it is back', async () => {
    failures = Array<RequestFailed>(200).fill(AWAY);
    const before = list(windowOf());
    await later();
    before.put({ id: 'a', grams: 5 }, { id: 'b', grams: 6 });
    before.remove({ id: 'b', grams: 6 });
    expect(before.items()).toEqual([{ id: 'a', grams: 5 }]);
    // The window goes: what the device had no database for is kept at the last moment.
    window.dispatchEvent(new Event('pagehide'));
    vi.stubGlobal('window', new EventTarget());
    const reloaded = list(windowOf());
    await settle();
    expect(reloaded.items()).toEqual([{ id: 'a', grams: 5 }]);
    expect(reloaded.waiting()).toBe(2);
    failures = [];
    await later();
    expect(reloaded.waiting()).toBe(0);
    expect(stored.get('a')).toMatchObject({ removed: false });
    expect(stored.get('b')).toMatchObject({ removed: true });
    expect(reloaded.items()).toEqual([{ id: 'a', grams: 5 }]);
  });

  it('is not overwritten by an answer that was asked for before a change', async () => {
    stored.set('a', { value: { id: 'a', grams: 50 }, changedAt: 1, removed: false });
    const yarns = list(windowOf());
    // The list is asked for after a moment; the change comes in between and is sent at once.
    yarns.put({ id: 'a', grams: 20 });
    await later();
    expect(yarns.items()).toEqual([{ id: 'a', grams: 20 }]);
    expect(yarns.loaded()).toBe(true);
    expect(stored.get('a')!.value.grams).toBe(20);
  });

  it('keeps the order of two changes in one millisecond, and sends more than a batch holds', async () => {
    const yarns = list(windowOf());
    yarns.put({ id: 'x', grams: 1 });
    yarns.put({ id: 'x', grams: 2 });
    yarns.put(...Array.from({ length: 8 }, (_, n) => ({ id: `y${n}`, grams: n })));
    await later();
    expect(stored.get('x')!.value.grams).toBe(2);
    expect([stored.size, yarns.waiting()]).toEqual([9, 0]);
    expect(sendings).toBeGreaterThanOrEqual(3);
  });

  it('changes what a clock an hour fast has changed', async () => {
    stored.set('a', { value: { id: 'a', grams: 50 }, changedAt: Date.now() + 3_600_000, removed: false });
    const yarns = list(windowOf());
    await later();
    yarns.put({ id: 'a', grams: 20 });
    await later();
    expect([stored.get('a')!.value.grams, yarns.items()]).toEqual([20, [{ id: 'a', grams: 20 }]]);
  });

  it('sets aside alone what the server refuses for good, and goes back to what the server has', async () => {
    const window = windowOf();
    const yarns = list(window);
    yarns.put({ id: 'a', grams: 5 });
    await later();
    yarns.put({ id: 'a', grams: 5_000 }, { id: 'b', grams: 7 });
    await later();
    expect(window.get(Journal).refused()).toMatchObject([{ key: 'yarn/a', why: 'Grams: at most 1000.' }]);
    expect([stored.get('b')!.value.grams, yarns.waiting(), yarns.items().length]).toEqual([7, 0, 2]);
    expect(yarns.find('a')).toEqual({ id: 'a', grams: 5 });
  });
});

/** What somebody does on one of the devices, whether it is near the server then, and what the network does to it. */
const deed = fc.record({
  device: fc.nat(),
  does: fc.constantFrom('step', 'step', 'yarn', 'remove', 'line', 'hook', 'come near', 'go away'),
  value: fc.nat({ max: 5 }),
  loses: fc.constantFrom('nothing', 'nothing', 'request', 'answer'),
});

async function agree(
  count: number,
  deeds: readonly { device: number; does: string; value: number; loses: string }[],
): Promise<void> {
  const server = new MakeServer(`# Buoy\n${Array.from({ length: 6 }, (_, i) => `line ${i}`).join('\n')}`);
  let loses = 'nothing';
  const near = Array<boolean>(count).fill(false);
  const reachFrom =
    (device: number) =>
    <T>(act: () => T): Observable<T> =>
      defer(() => {
        if (!near[device] || loses === 'request') return ((loses = 'nothing'), throwError(() => AWAY));
        try {
          const got = act();
          return loses === 'answer' ? ((loses = 'nothing'), throwError(() => AWAY)) : of(got);
        } catch (error) {
          return throwError(() => error as Error);
        }
      });
  const devices = Array.from({ length: count }, (_, device) => {
    const reach = reachFrom(device);
    const through =
      <A extends unknown[], T>(ask: (...all: A) => Observable<T>) =>
      (...all: A): Observable<T> =>
        reach(() => {
          let got: { value: T } | { error: unknown } | null = null;
          ask(...all).subscribe({ next: (value) => (got = { value }), error: (error: unknown) => (got = { error }) });
          const done = got as { value: T } | { error: unknown } | null;
          if (!done || 'error' in done) throw done?.error as Error;
          return done.value;
        });
    const page = new EventTarget();
    vi.stubGlobal('window', page);
    vi.stubGlobal('navigator', { locks: new FakeLocks() });
    vi.stubGlobal('localStorage', new BrowserStorage());
    const api = { append: through(server.append), change: through(server.change), show: through(server.show) };
    const window = windowWith({ provide: MakeApi, useValue: api });
    return { window, page, yarns: list(window, reach), box: window.get(Outbox), changes: window.get(MakeChanges), at: 0 };
  });
  await settle(100);
  let said = 0;
  for (const { device, does, value, loses: lost } of deeds) {
    const own = devices[device % count]!;
    const at = (own.at = Math.max(Date.now(), own.at + 1));
    loses = lost;
    const base = { text: server.make.text, hookMm: server.make.hookMm };
    const line = server.make.text.replace(`line ${value}`, `line ${value} by ${device % count} at ${at}`);
    if (does === 'come near' || does === 'go away') near[device % count] = does === 'come near';
    else if (does === 'step') own.box.add(MAKE_ID, eventOf(++said));
    else if (does === 'yarn') own.yarns.put({ id: `y${value}`, grams: said });
    else if (does === 'remove') own.yarns.remove({ id: `y${value}`, grams: said });
    else
      own.changes.keep(
        MAKE_ID,
        { version: server.make.version, base, ...(does === 'line' ? { text: line } : { hookMm: 2 + value }) },
        at,
        false,
      );
    await settle(400);
  }
  near.fill(true);
  loses = 'nothing';
  for (const { window } of devices) window.get(Sender).sendNow();
  await settle(120_000);
  for (const { page } of devices) page.dispatchEvent(new Event('focus'));
  await settle(120_000);
  const now = [...stored.values()].filter(({ removed }) => !removed).map(({ value }) => value);
  for (const { window, yarns } of devices) {
    expect([...yarns.items()].sort(byId)).toEqual([...now].sort(byId));
    expect([await window.get(Journal).pending('event'), window.get(Journal).refused()]).toEqual([[], []]);
  }
  expect(server.events.map(({ at }) => at).sort((a, b) => a - b)).toEqual(Array.from({ length: said }, (_, i) => i + 1));
}

const byId = (a: Value, b: Value): number => (a.id < b.id ? -1 : 1);
const eventOf = (at: number): MakerEvent => ({
  id: `7e57e7e5-0000-4000-8000-${String(at).padStart(12, '0')}`,
  piece: 'body/1',
  at,
  kind: 'reached',
  round: 0,
  action: at,
});

describe('devices that were away', () => {
  it('agree in the end, in whatever order they come back and whatever the network loses', async () => {
    await fc.assert(
      fc.asyncProperty(fc.integer({ min: 1, max: 4 }), fc.array(deed, { maxLength: 14 }), async (count, deeds) => {
        stored = new Map();
        await agree(count, deeds);
      }),
      { numRuns: 25 },
    );
  }, 120_000);

  it('agree when they are fifty', async () => {
    const [deeds] = fc.sample(fc.array(deed, { minLength: 120, maxLength: 120 }), { numRuns: 1, seed: 5 });
    await agree(50, deeds!);
  }, 120_000);
});

it('brings two texts together line by line: nothing of either is lost where they change different lines, nothing is mixed within one', () => {
  const lines = fc.array(fc.constantFrom('a', 'b', 'c', 'd'), { maxLength: 8 });
  fc.assert(
    fc.property(lines, fc.nat(), fc.nat(), (base, first, second) => {
      const text = ['head', ...base, 'tail'].map((line, n) => `${n} ${line}`);
      const [at, then] = [first % text.length, second % text.length];
      const change = (n: number, word: string): string => text.map((line, i) => (i === n ? `${line} ${word}` : line)).join('\n');
      const both = mergeTexts(text.join('\n'), change(at, 'mine'), change(then, 'theirs'));
      const wanted = text.map((line, i) => line + (i === at ? ' mine' : '') + (i === then ? ' theirs' : '')).join('\n');
      expect(both).toBe(at === then ? null : wanted);
      // A line that is new beside one that was changed may mean another place for either: that is asked.
      const longer = text.flatMap((line, i) => (i === at ? [line, 'new'] : [line])).join('\n');
      const beside = mergeTexts(text.join('\n'), longer, change(at, 'theirs'));
      expect(beside === null || beside.split('\n').length === text.length + 1).toBe(true);
    }),
  );
});
