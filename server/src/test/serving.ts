import { once } from 'node:events';
import { mkdtemp, rm } from 'node:fs/promises';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, beforeEach } from 'vitest';
import { createApp } from '../app.js';
import { openDatabase, type Database } from '../database/open.js';
import { FoldAfter } from '../folds/fold-after.js';
import { LiveMakes } from '../live/live-makes.js';

export interface Answer {
  readonly status: number;
  readonly body: unknown;
}

/** The application on a port of its own with a database of its own, new for each test. */
export class Serving {
  folder = '';
  database!: Database;
  live!: LiveMakes;
  private folds!: FoldAfter;
  private server!: Server;

  constructor() {
    beforeEach(async () => {
      this.folder = await mkdtemp(join(tmpdir(), 'lemniscus-'));
      await this.start();
    });
    afterEach(async () => {
      await this.stop();
      await rm(this.folder, { recursive: true });
    });
  }

  async start(): Promise<void> {
    this.database = await openDatabase(this.folder);
    this.live = new LiveMakes();
    this.folds = new FoldAfter(this.database);
    this.server = createServer(createApp(this.database, this.folder, { live: this.live, folds: this.folds, home: () => null }));
    this.server.listen(0, '127.0.0.1');
    await once(this.server, 'listening');
  }

  async stop(): Promise<void> {
    this.server.closeAllConnections();
    this.server.close();
    await once(this.server, 'close');
    await this.folds.close();
    await this.database.close();
  }

  /** Listens to a stream below /api and gives the name of each event that comes, with its data. */
  async listen(path: string, take: (event: string, data: unknown) => void): Promise<{ close: () => void }> {
    const { port } = this.server.address() as AddressInfo;
    const stop = new AbortController();
    const response = await fetch(`http://127.0.0.1:${port}/api${path}`, { signal: stop.signal });
    const read = async (): Promise<void> => {
      const reader = response.body!.pipeThrough(new TextDecoderStream()).getReader();
      let text = '';
      for (let part = await reader.read(); !part.done; part = await reader.read()) {
        const messages = (text + part.value).split('\n\n');
        text = messages.pop()!;
        for (const message of messages) {
          const told = /^event: (.*)\ndata: (.*)$/.exec(message);
          if (told) take(told[1]!, JSON.parse(told[2]!));
        }
      }
    };
    read().catch(() => undefined);
    return { close: () => stop.abort() };
  }

  /** Asks below /api, bytes for bytes. */
  async fetch(method: string, path: string, body?: string | Uint8Array, headers: Record<string, string> = {}): Promise<Response> {
    const { port } = this.server.address() as AddressInfo;
    return fetch(`http://127.0.0.1:${port}/api${path}`, {
      method,
      headers,
      ...(body === undefined ? {} : { body: body as string }),
    });
  }

  /** Asks below /api. A string is sent as it stands, anything else as JSON. */
  async ask(method: string, path: string, body?: unknown, headers: Record<string, string> = {}): Promise<Answer> {
    const sent = body === undefined || typeof body === 'string' ? body : JSON.stringify(body);
    const type: Record<string, string> = body === undefined ? {} : { 'content-type': 'application/json' };
    const response = await this.fetch(method, path, sent, { ...type, ...headers });
    const text = await response.text();
    return { status: response.status, body: text ? (JSON.parse(text) as unknown) : null };
  }
}

export const MAKE = {
  id: '0f6a1f52-3a55-4d56-9d8e-0d7f3a1c1111',
  text: '# Buoy\n\n## Float\nR1: 6 sc in ring (6)',
  yarnWeight: 4,
  hookMm: 3.5,
};

export function uuid(n: number): string {
  return `7e57e7e5-0000-4000-8000-${String(n).padStart(12, '0')}`;
}

export function reached(n: number, action: number) {
  return { id: uuid(n), piece: 'float/1', at: 1_000 + n, kind: 'reached', round: 0, action };
}

export const SWATCH = {
  id: uuid(7),
  takenAt: 5,
  kind: 'swatch',
  yarnWeight: 4,
  hookMm: 3.5,
  stitches: 20,
  widthMm: 108,
  rounds: 20,
  heightMm: 104,
};
