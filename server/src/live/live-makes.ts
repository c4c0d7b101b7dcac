import type { NewEvents } from '@lemniscus/api';
import type { Response } from 'express';

/** A comment keeps proxies and browsers from closing a quiet stream. */
const QUIET_MS = 20_000;

/** Most lines of one device, and most bytes that may wait for one to be read. */
const MOST_LINES = 40;
const MOST_UNREAD = 1_000_000;
const THIS_MACHINE = 'this machine';

/** Tells open windows what changed of a make, over server-sent events. */
export class LiveMakes {
  private readonly open = new Map<string, Set<Response>>();
  /** Lines of each device, the oldest first. */
  private readonly ofDevice = new Map<string, Set<Response>>();

  /** Keeps a response open as a stream about one make, until the window goes. */
  listen(make: string, response: Response, device = THIS_MACHINE): void {
    this.boundLines(device, response);
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
      this.ofDevice.get(device)?.delete(response);
    });
  }

  /** Says to every window that has the make open what of it changed, and what is new where that is little. */
  tell(make: string, what: 'events' | 'make', added: NewEvents | null = null): void {
    const message = `event: ${what}\ndata: ${JSON.stringify(added)}\n\n`;
    for (const response of this.open.get(make) ?? []) {
      // Who does not read is let go; it asks for what it missed when it comes again.
      if (response.writableLength > MOST_UNREAD) response.destroy();
      else response.write(message);
    }
  }

  /** Ends the lines of a device that was sent away. */
  sendAway(device: string): void {
    for (const response of this.ofDevice.get(device) ?? []) response.destroy();
    this.ofDevice.delete(device);
  }

  /** A device has so many lines; the oldest gives way. */
  private boundLines(device: string, response: Response): void {
    const lines = this.ofDevice.get(device) ?? new Set();
    this.ofDevice.set(device, lines.add(response));
    for (const oldest of lines) {
      if (lines.size <= MOST_LINES) break;
      lines.delete(oldest);
      oldest.end();
    }
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
