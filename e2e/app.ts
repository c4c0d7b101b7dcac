import { spawn, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { test as base } from '@playwright/test';

export const root = join(import.meta.dirname, '..');

/** The served application with a database of its own, which can be stopped and started again at the same address. */
export class App {
  private process: ChildProcess | null = null;
  private port = 0;

  constructor(private readonly data: string) {}

  get url(): string {
    return `http://127.0.0.1:${this.port}`;
  }

  async start(...args: string[]): Promise<void> {
    const env = { ...process.env, PORT: String(this.port), LEMNISCUS_DATA: this.data };
    const server = spawn(process.execPath, [join(root, 'server/dist/main.js'), ...args], {
      env,
      stdio: ['ignore', 'pipe', 'inherit'],
    });
    this.process = server;
    const [line] = (await once(server.stdout, 'data')) as [Buffer];
    const port = /:(\d+)\s*$/.exec(line.toString())?.[1];
    if (!port) throw new Error(`The server said: ${line.toString()}`);
    this.port = Number(port);
  }

  /** Stops the server as a person would (SIGTERM), or as a power cut would (SIGKILL). */
  async stop(signal: 'SIGTERM' | 'SIGKILL' = 'SIGTERM'): Promise<void> {
    if (this.process?.exitCode !== null) return;
    const gone = once(this.process, 'exit');
    this.process.kill(signal);
    await gone;
  }
}

/** Each test has its own application with the demo in it. */
export const test = base.extend<{ app: App; arguments: string[] }>({
  arguments: [[], { option: true }],
  app: async ({ arguments: args }, use) => {
    const data = await mkdtemp(join(tmpdir(), 'lemniscus-e2e-'));
    const app = new App(data);
    await app.start(...args);
    await use(app);
    await app.stop();
    await rm(data, { recursive: true });
  },
});

export { expect } from '@playwright/test';
