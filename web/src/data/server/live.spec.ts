import '@angular/compiler';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { Live, type LiveNews } from './live';

/** Lines to the server, as a browser opens them. */
class Line extends EventTarget {
  static readonly CLOSED = 2;
  static opened: Line[] = [];
  readyState = 1;
  constructor(readonly url: string) {
    super();
    Line.opened.push(this);
  }
  close(): void {
    this.readyState = Line.CLOSED;
  }
  tell(what: string, data: unknown): void {
    this.dispatchEvent(new MessageEvent(what, { data: JSON.stringify(data) }));
  }
}

beforeEach(() => {
  vi.useFakeTimers();
  Line.opened = [];
  vi.stubGlobal('EventSource', Line);
  vi.stubGlobal('document', Object.assign(new EventTarget(), { visibilityState: 'visible' }));
});
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

it('opens its line again after the browser gave it up, and only then', () => {
  const told: LiveNews[] = [];
  const listening = new Live().of('m').subscribe((news) => told.push(news));
  const [first] = Line.opened;
  // The browser tries again by itself.
  first!.dispatchEvent(new Event('error'));
  vi.advanceTimersByTime(60_000);
  expect(Line.opened).toHaveLength(1);
  first!.readyState = Line.CLOSED;
  first!.dispatchEvent(new Event('error'));
  vi.advanceTimersByTime(6_000);
  expect(Line.opened).toHaveLength(2);
  Line.opened[1]!.dispatchEvent(new Event('open'));
  Line.opened[1]!.tell('events', { after: 0, last: 2, events: [] });
  Line.opened[1]!.tell('events', 'of another version');
  expect(told).toEqual([
    { what: 'connected' },
    { what: 'events', added: { after: 0, last: 2, events: [] } },
    { what: 'events', added: null },
  ]);
  listening.unsubscribe();
  expect(Line.opened[1]!.readyState).toBe(Line.CLOSED);
});

it('lets its line go while nobody looks', () => {
  const listening = new Live().of('m').subscribe();
  Object.assign(document, { visibilityState: 'hidden' });
  document.dispatchEvent(new Event('visibilitychange'));
  expect(Line.opened[0]!.readyState).toBe(Line.CLOSED);
  Object.assign(document, { visibilityState: 'visible' });
  document.dispatchEvent(new Event('visibilitychange'));
  expect(Line.opened).toHaveLength(2);
  listening.unsubscribe();
});
