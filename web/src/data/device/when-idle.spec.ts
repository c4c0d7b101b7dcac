import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { whenIdle } from './when-idle';

beforeEach(() => vi.useFakeTimers());
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

/** A browser that says when it is idle: at `run`, or when the time it was given is over. */
class IdleBrowser {
  private readonly waiting = new Map<number, () => void>();
  private last = 0;

  constructor() {
    vi.stubGlobal('requestIdleCallback', (call: () => void, { timeout }: { timeout: number }) => {
      const handle = ++this.last;
      this.waiting.set(handle, call);
      setTimeout(() => this.call(handle), timeout);
      return handle;
    });
    vi.stubGlobal('cancelIdleCallback', (handle: number) => this.waiting.delete(handle));
  }

  run(): void {
    for (const handle of [...this.waiting.keys()]) this.call(handle);
  }

  private call(handle: number): void {
    const call = this.waiting.get(handle);
    this.waiting.delete(handle);
    call?.();
  }
}

it('tells once when the page is idle, or in the end although it is busy, and not at all when nobody waits any more', () => {
  const browser = new IdleBrowser();
  const told: string[] = [];
  const listen = (name: string) =>
    whenIdle(300, 120).subscribe({ next: () => told.push(name), complete: () => told.push(`${name} ends`) });
  listen('idle');
  vi.advanceTimersByTime(10);
  browser.run();
  browser.run();
  listen('busy');
  vi.advanceTimersByTime(299);
  expect(told).toEqual(['idle', 'idle ends']);
  vi.advanceTimersByTime(1);
  expect(told).toEqual(['idle', 'idle ends', 'busy', 'busy ends']);
  listen('gone').unsubscribe();
  browser.run();
  vi.advanceTimersByTime(1_000);
  expect(told).toHaveLength(4);
});

it('waits a moment in a browser that does not say', () => {
  let told = 0;
  whenIdle(300, 120).subscribe(() => told++);
  vi.advanceTimersByTime(119);
  expect(told).toBe(0);
  vi.advanceTimersByTime(1_000);
  expect(told).toBe(1);
});
