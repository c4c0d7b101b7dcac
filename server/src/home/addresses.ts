import { networkInterfaces } from 'node:os';

/** Where this machine is to be found in the house: its IPv4 addresses that are not its own loop. */
export function homeAddresses(): string[] {
  return Object.values(networkInterfaces())
    .flatMap((all) => all ?? [])
    .filter(({ family, internal }) => family === 'IPv4' && !internal)
    .map(({ address }) => address);
}
