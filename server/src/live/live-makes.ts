import type { NewEvents } from '@lemniscus/api';
import type { Response } from 'express';

/** A comment keeps proxies and browsers from closing a quiet stream. */
const QUIET_MS = 20_000;

/** Tells open windows what changed of a make, over server-sent events. */
export class LiveMakes {
  private readonly open = new Map<string, Set<Response>>();

  /** Keeps a response open as a stream about one make, until the window goes. */
  listen(make: string, response: Response): void {
    // "no-transform" keeps the stream from being compressed, which would hold it back.
    response.writeHead(200, { 'Content-Type': 'text/event-stream', 'Cache-Control': 'no-cache, no-transform' });
    response.write('retry: 1000\n\n');
    const listening = this.open.get(make) ?? new Set();
    this.open.set(make, listening.add(response));
    const quiet = setInterval(() => response.write(':\n\n'), QUIET_MS);
    quiet.unref();
    response.on('close', () => {
      clearInterval(quiet);
      listening.delete(response);
      if (listening.size === 0) this.open.delete(make);
    });
  }

  /** Says to every window that has the make open what of it changed, and what is new where that is little. */
  tell(make: string, what: 'events' | 'make', added: NewEvents | null = null): void {
    const message = `event: ${what}\ndata: ${JSON.stringify(added)}\n\n`;
    for (const response of this.open.get(make) ?? []) response.write(message);
  }

  /** How many windows have a make open. */
  windows(make: string): number {
    return this.open.get(make)?.size ?? 0;
  }

  /** Ends every stream; windows try again by themselves. */
  close(): void {
    for (const listening of this.open.values()) for (const response of listening) response.end();
  }
}
