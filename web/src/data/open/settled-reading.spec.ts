import '@angular/compiler';
import { DestroyRef, Injector, runInInjectionContext, signal } from '@angular/core';
import { Subject } from 'rxjs';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { settledReading } from './settled-reading';

const lines = (rounds: number): string =>
  ['R1: 6 sc in ring', ...Array.from({ length: rounds - 1 }, (_, i) => `R${i + 2}: sc around (6)`)].join('\n');

describe('reading while it is typed', () => {
  beforeEach(() => vi.useFakeTimers());
  afterEach(() => vi.useRealTimers());

  function open(first: string) {
    const text = signal(first);
    const typing = new Subject<void>();
    const destroyRef = { onDestroy: () => () => undefined, destroyed: false };
    const injector = Injector.create({ providers: [{ provide: DestroyRef, useValue: destroyRef }] });
    const reading = runInInjectionContext(injector, () => settledReading(text, typing));
    const type = (next: string): void => {
      typing.next();
      text.set(next);
    };
    return { type, rounds: () => reading().count.parts[0]!.rounds.length, read: () => reading().text };
  }

  it('follows a short text at every keystroke', () => {
    const desk = open(lines(3));
    desk.type(lines(4));
    expect(desk.rounds()).toBe(4);
  });

  it('reads a long text at once when it opens, and then in the pauses of typing', () => {
    const long = lines(2_000);
    const desk = open(long);
    expect(desk.rounds()).toBe(2_000);
    desk.type(`${long}\nR2001: 5 sc`);
    vi.advanceTimersByTime(100);
    desk.type(`${long}\nR2001: 6 sc`);
    vi.advanceTimersByTime(100);
    expect(desk.read()).toBe(long);
    vi.advanceTimersByTime(60);
    expect(desk.rounds()).toBe(2_001);
    expect(desk.read()).toContain('R2001: 6 sc');
  });
});
