import { spawn, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { test as base, type BrowserContext } from '@playwright/test';

export const root = join(import.meta.dirname, '..');
export const VIEWPORT = { width: 1280, height: 800 };

/** Another address of the loop stands for this machine's in the house. */
const HOME_ADDRESS = '127.0.0.2';

/** The served application with a database of its own, which can be stopped and started again at the same address. */
export class App {
  private process: ChildProcess | null = null;
  private port = 0;
  private homePort = 0;

  constructor(private readonly data: string) {}

  get url(): string {
    return `http://127.0.0.1:${this.port}`;
  }

  async start(...args: string[]): Promise<void> {
    const home = { HOME_PORT: String(this.homePort), HOME_ADDRESSES: HOME_ADDRESS };
    const env = { ...process.env, ...home, PORT: String(this.port), LEMNISCUS_DATA: this.data };
    // A season of making only where it is what is looked at.
    const only = args.includes('--season') ? [] : ['--patterns'];
    const server = spawn(process.execPath, [join(root, 'server/dist/main.js'), ...only, ...args], {
      env,
      stdio: ['ignore', 'pipe', 'inherit'],
    });
    this.process = server;
    const [line] = (await once(server.stdout, 'data')) as [Buffer];
    const port = /127\.0\.0\.1:(\d+)\s*$/m.exec(line.toString())?.[1];
    if (!port) throw new Error(`The server said: ${line.toString()}`);
    this.port = Number(port);
    if (args.includes('--home')) this.homePort = await this.portOfHome();
  }

  /** Where other devices of the house find it, if it was started for them. */
  get homeUrl(): string {
    return `https://${HOME_ADDRESS}:${this.homePort}`;
  }

  private async portOfHome(): Promise<number> {
    const home = (await (await fetch(`${this.url}/api/home`)).json()) as { open: { addresses: string[] } };
    return Number(new URL(home.open.addresses[0]!).port);
  }

  /** Stops the server as a person would (SIGTERM), or as a power cut would (SIGKILL). */
  async stop(signal: 'SIGTERM' | 'SIGKILL' = 'SIGTERM'): Promise<void> {
    if (this.process?.exitCode !== null) return;
    const gone = once(this.process, 'exit');
    this.process.kill(signal);
    await gone;
  }
}

interface Options {
  /** A server and a browser of its own: for a journey that stops the server, or changes what all makes share. */
  readonly alone: boolean;
  /** A browser of its own, at the server that others use too: for a phone, another clock, another colour scheme. */
  readonly fresh: boolean;
  /** How a server of its own is started. */
  readonly arguments: string[];
  /** The set of Gather is seen in the round, in a browser of its own; from the side elsewhere, as a browser without a graphics chip draws slowly. */
  readonly inTheRound: boolean;
}

interface Worker {
  /** The server that the journeys of a worker share, started when the first of them asks. */
  readonly standing: () => Promise<App>;
  /** The browser that they share: what it fetched once is there for the next. */
  readonly warm: BrowserContext;
}

interface Served {
  readonly app: App;
  readonly end: () => Promise<void>;
}

async function serve(args: readonly string[]): Promise<Served> {
  const data = await mkdtemp(join(tmpdir(), 'lemniscus-e2e-'));
  const app = new App(data);
  await app.start(...args);
  const end = async (): Promise<void> => {
    await app.stop();
    await rm(data, { recursive: true });
  };
  return { app, end };
}

export const test = base.extend<Options & { app: App }, Worker>({
  alone: [false, { option: true }],
  fresh: [false, { option: true }],
  arguments: [[], { option: true }],
  inTheRound: [false, { option: true }],
  standing: [
    async ({ browser: _browser }, use) => {
      const standing: { served?: Promise<Served> } = {};
      await use(async () => (await (standing.served ??= serve([]))).app);
      await (await standing.served)?.end();
    },
    { scope: 'worker' },
  ],
  warm: [
    async ({ browser }, use) => {
      const context = await browser.newContext({ viewport: VIEWPORT, reducedMotion: 'reduce', serviceWorkers: 'block' });
      await seenFromTheSide(context);
      // It goes with the browser, which is killed where it will not close; a context alone is waited for.
      await use(context);
    },
    { scope: 'worker' },
  ],
  app: async ({ alone, arguments: args, standing }, use) => {
    if (!alone) return use(await standing());
    const own = await serve(args);
    await use(own.app);
    await own.end();
  },
  context: async (
    { alone, fresh, inTheRound, browser, warm, app, viewport, hasTouch, isMobile, serviceWorkers, contextOptions },
    use,
  ) => {
    if (alone || fresh) {
      const context = await browser.newContext({ ...contextOptions, viewport, hasTouch, isMobile, serviceWorkers });
      if (!inTheRound) await seenFromTheSide(context);
      await use(context);
      await context.close();
      return;
    }
    await forgetAll(warm, app.url);
    await use(warm);
    await warm.setOffline(false);
    for (const page of warm.pages()) await page.close();
  },
});

/** Chooses, as a maker would, to see the set of Gather from the side. */
async function seenFromTheSide(context: BrowserContext): Promise<void> {
  await context.addInitScript(() => localStorage.setItem('lemniscus.set seen', '"side"'));
}

/** Takes away what a journey before left on this device, but not what the browser fetched. */
async function forgetAll(context: BrowserContext, origin: string): Promise<void> {
  await context.clearCookies();
  const page = await context.newPage();
  // Any page of its own will do: this one runs nothing.
  await page.goto(`${origin}/api/home`);
  await page.evaluate(async () => {
    localStorage.clear();
    // Shapes that were worked out stay: they are the same for every journey.
    await new Promise((done) => {
      const gone = indexedDB.deleteDatabase('lemniscus');
      gone.onsuccess = gone.onerror = gone.onblocked = done;
    });
  });
  await page.close();
}

export { expect } from '@playwright/test';
