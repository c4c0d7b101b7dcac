import { join } from 'node:path';
import { homeAddresses } from './home/addresses.js';

export interface Settings {
  readonly port: number;
  /** Folder that holds the database. */
  readonly data: string;
  /** What is put into an empty database: nothing, the demo patterns, or with them a season of making. */
  readonly demo: 'patterns' | 'season' | null;
  /** How other devices in the house get in; null when they do not. */
  readonly home: { readonly port: number; readonly addresses: readonly string[] } | null;
}

/**
 * Settings from the environment (`PORT`, `LEMNISCUS_DATA`, `HOME_PORT`, `HOME_ADDRESSES`) and the command line (`--empty`, `--patterns`, `--home`).
 * @param home folder for the data when none is named
 * @throws Error when a port is none
 */
export function readSettings(env: Readonly<Record<string, string | undefined>>, args: readonly string[], home: string): Settings {
  const port = portIn(env, 'PORT', 4600);
  const addresses = env['HOME_ADDRESSES'] ? env['HOME_ADDRESSES'].split(',') : homeAddresses();
  return {
    port,
    data: env['LEMNISCUS_DATA'] || join(home, 'data'),
    demo: args.includes('--empty') ? null : args.includes('--patterns') ? 'patterns' : 'season',
    home: args.includes('--home') ? { port: portIn(env, 'HOME_PORT', port === 0 ? 0 : port + 1), addresses } : null,
  };
}

function portIn(env: Readonly<Record<string, string | undefined>>, name: string, usual: number): number {
  const port = env[name] === undefined || env[name] === '' ? usual : Number(env[name]);
  if (!Number.isInteger(port) || port < 0 || port > 65_535)
    throw new Error(`${name} is “${env[name]}”: give a number from 0 to 65535.`);
  return port;
}
