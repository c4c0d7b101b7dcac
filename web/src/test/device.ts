import { DestroyRef, Injector, type Provider } from '@angular/core';
import { vi } from 'vitest';
import { DeviceDatabase } from '../data/device/database';
import { WindowId } from '../data/device/window-id';
import { Journal } from '../data/sync/journal';
import { KeptAnswers } from '../data/sync/kept-answers';
import { MakeChanges } from '../data/sync/make-changes';
import { Outbox } from '../data/sync/outbox';
import { Sender } from '../data/sync/sender';

/** A window with everything that keeps and sends, over what the test puts in the server's place. */
export function windowWith(...providers: Provider[]): Injector {
  const destroy = { onDestroy: () => () => undefined, destroyed: false };
  return Injector.create({
    providers: [
      { provide: DestroyRef, useValue: destroy },
      DeviceDatabase,
      WindowId,
      Journal,
      KeptAnswers,
      Sender,
      Outbox,
      MakeChanges,
      ...providers,
    ] as never,
  });
}

/** Node's own, which the tests run on and the page's types do not know. */
const immediately = (globalThis as unknown as { setImmediate: (run: () => void) => void }).setImmediate;

/** The database of the tests works with immediates, which stay real. */
export function fakeTime(): void {
  vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout', 'setInterval', 'clearInterval', 'Date'] });
}

/** Lets the database do what it has to do. */
export async function turns(count: number): Promise<void> {
  for (let i = 0; i < count; i++) await new Promise<void>((next) => immediately(next));
}

/** Lets time pass, and the database do what it has to do. */
export async function settle(ms = 0): Promise<void> {
  for (let part = 0; part < 20; part++) {
    await vi.advanceTimersByTimeAsync(ms / 20);
    await turns(6);
  }
}

/** The browser's locks, as far as windows of one device use them. */
export class FakeLocks {
  private readonly held = new Map<string, Promise<unknown>>();

  request = async (name: string, work: () => Promise<unknown>): Promise<unknown> => {
    while (this.held.has(name)) await this.held.get(name)!.catch(() => null);
    const working = Promise.resolve().then(work);
    this.held.set(name, working);
    try {
      return await working;
    } finally {
      if (this.held.get(name) === working) this.held.delete(name);
    }
  };

  query = (): Promise<{ held: { name: string }[] }> => Promise.resolve({ held: [...this.held.keys()].map((name) => ({ name })) });

  /** Every window there was is gone. */
  letGo(): void {
    this.held.clear();
  }
}
