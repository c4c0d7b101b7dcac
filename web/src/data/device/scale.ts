import { inject, Injectable } from '@angular/core';
import { readScaleLine, type ScaleReading } from '@lemniscus/core/exchange';
import { Observable } from 'rxjs';
import type { ScaleSource } from './scale-source';
import { SimulatedScale } from './simulated-scale';

/** The part of Web Serial used here; browsers without it have no `serial`. */
interface WebSerial {
  requestPort(): Promise<SerialPort>;
}
interface SerialPort {
  readonly readable: ReadableStream<Uint8Array> | null;
  open(options: { readonly baudRate: number }): Promise<void>;
  close(): Promise<void>;
}

/** What most scales with a serial line speak at (from memory). */
const BAUD = 9_600;

/** A scale on a cable, through the browser's Web Serial where it has it. */
class SerialScale implements ScaleSource {
  readonly name = 'Scale on a cable';
  private port: SerialPort | null = null;

  constructor(private readonly serial: WebSerial) {}

  async open(): Promise<ReadableStream<Uint8Array>> {
    try {
      this.port = await this.serial.requestPort();
      await this.port.open({ baudRate: BAUD });
    } catch {
      throw new Error('No scale was opened. Plug it in, switch it on, and choose it in the browser’s list.');
    }
    if (!this.port.readable) throw new Error('The scale sends nothing. Switch it on and try again.');
    return this.port.readable;
  }

  async close(): Promise<void> {
    await this.port?.close();
  }
}

/** The scales there are: one on a cable where the browser can, and a simulated one. */
@Injectable({ providedIn: 'root' })
export class Scales {
  readonly simulated = inject(SimulatedScale);
  readonly serial: ScaleSource | null = serialOf(navigator);

  /** What a scale reads, until unsubscribed; lines that are no readings are passed over. */
  readings(source: ScaleSource): Observable<ScaleReading> {
    return new Observable((subscriber) => {
      const stop = new AbortController();
      void pump(source, stop.signal, (reading) => subscriber.next(reading)).then(
        () => subscriber.complete(),
        (error: unknown) => subscriber.error(error),
      );
      return () => stop.abort();
    });
  }
}

function serialOf(browser: Navigator & { readonly serial?: WebSerial }): ScaleSource | null {
  return browser.serial ? new SerialScale(browser.serial) : null;
}

async function pump(source: ScaleSource, stop: AbortSignal, take: (reading: ScaleReading) => void): Promise<void> {
  const reader = (await source.open()).getReader();
  let reading = true;
  stop.addEventListener('abort', () => {
    if (reading) void reader.cancel();
  });
  const decoder = new TextDecoder();
  let rest = '';
  try {
    for (;;) {
      const { value, done } = await reader.read();
      if (done || stop.aborted) return;
      const lines = (rest + decoder.decode(value, { stream: true })).split(/\r?\n/);
      rest = lines.pop() ?? '';
      for (const line of lines) {
        const reading = readScaleLine(line);
        if (reading) take(reading);
      }
    }
  } finally {
    reading = false;
    reader.releaseLock();
    await source.close();
  }
}
