import '@angular/compiler';
import type { ScaleReading } from '@lemniscus/core/exchange';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { Injector, runInInjectionContext } from '@angular/core';
import { Scales } from './scale';
import type { ScaleSource } from './scale-source';
import { SimulatedScale } from './simulated-scale';

beforeEach(() => {
  vi.useFakeTimers();
  vi.stubGlobal('navigator', {});
});
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

function scales(): Scales {
  const injector = Injector.create({ providers: [{ provide: SimulatedScale }] });
  return runInInjectionContext(injector, () => new Scales());
}

/** A source that sends these pieces of text, cut wherever a cable cuts them. */
const sending = (...pieces: string[]): ScaleSource => ({
  name: 'test',
  open: () =>
    Promise.resolve(
      new ReadableStream<Uint8Array>({
        start(controller) {
          for (const piece of pieces) controller.enqueue(new TextEncoder().encode(piece));
          controller.close();
        },
      }),
    ),
  close: () => Promise.resolve(),
});

describe('a scale', () => {
  it('is read line by line, however the bytes come', async () => {
    const read: ScaleReading[] = [];
    scales()
      .readings(sending('ST,GS,+00', '12.5 g\r', '\nnoise\r\nUS,GS,+0013.0 g\r\nST,GS,+0099'))
      .subscribe((reading) => read.push(reading));
    await vi.runAllTimersAsync();
    expect(read).toEqual([
      { grams: 12.5, steady: true },
      { grams: 13, steady: false },
    ]);
  });

  it('says why it cannot be opened', async () => {
    const failed = vi.fn();
    const broken: ScaleSource = { ...sending(), open: () => Promise.reject(new Error('Plug it in.')) };
    scales().readings(broken).subscribe({ error: failed });
    await vi.runAllTimersAsync();
    expect(failed).toHaveBeenCalledWith(new Error('Plug it in.'));
  });

  it('simulated, swings and settles on what lies on its pan, and stops when it is let go', async () => {
    const all = scales();
    const read: ScaleReading[] = [];
    const going = all.readings(all.simulated).subscribe((reading) => read.push(reading));
    all.simulated.pan.set(42);
    await vi.advanceTimersByTimeAsync(3_000);
    expect(read.some((reading) => !reading.steady && reading.grams !== 42)).toBe(true);
    expect(read.at(-1)).toEqual({ grams: 42, steady: true });
    going.unsubscribe();
    const count = read.length;
    await vi.advanceTimersByTimeAsync(3_000);
    expect(read).toHaveLength(count);
    expect(vi.getTimerCount()).toBe(0);
  });
});
