import { join } from 'node:path';

export interface Settings {
  readonly port: number;
  /** Folder that holds the database. */
  readonly data: string;
  /** Put the demo makes into an empty database. */
  readonly demo: boolean;
}

/**
 * Settings from the environment (`PORT`, `LEMNISCUS_DATA`) and the command line (`--empty`).
 * @param home folder for the data when none is named
 * @throws Error when `PORT` is no port
 */
export function readSettings(env: Readonly<Record<string, string | undefined>>, args: readonly string[], home: string): Settings {
  const port = env['PORT'] === undefined || env['PORT'] === '' ? 4600 : Number(env['PORT']);
  if (!Number.isInteger(port) || port < 0 || port > 65_535)
    throw new Error(`PORT is “${env['PORT']}”: give a number from 0 to 65535.`);
  return { port, data: env['LEMNISCUS_DATA'] || join(home, 'data'), demo: !args.includes('--empty') };
}
