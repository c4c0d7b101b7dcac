import { createServer, type Server } from 'node:https';
import type { AddressInfo } from 'node:net';
import { once } from 'node:events';
import type { Express } from 'express';
import { authorityIn, fingerprintOf, serverKeys } from './authority.js';
import type { HomeDoor } from './home-door.js';
import { Pairing } from './pairing.js';

export interface OpenHome {
  readonly door: HomeDoor;
  readonly server: Server;
}

/**
 * Opens the door to the house: HTTPS only, at this machine's addresses, with a certificate made for them now.
 * @param addresses IPv4 addresses of this machine
 * @throws Error when there is none
 */
export async function openHome(
  folder: string,
  addresses: readonly string[],
  port: number,
  appFor: (door: HomeDoor) => Express,
): Promise<OpenHome> {
  if (addresses.length === 0) throw new Error('This machine has no address in a network. Connect it, then start again.');
  const now = Date.now();
  const authority = await authorityIn(folder, now);
  let server: Server | null = null;
  const door: HomeDoor = {
    scheme: 'https',
    names: new Set(addresses),
    pairing: new Pairing(Date.now),
    authority: authority.certificate.toString('pem'),
    fingerprint: fingerprintOf(authority),
    addresses: () => addresses.map((address) => `https://${address}:${(server?.address() as AddressInfo | null)?.port ?? port}`),
  };
  server = createServer({ ...(await serverKeys(authority, addresses, now)), minVersion: 'TLSv1.2' }, appFor(door));
  server.listen(port, '0.0.0.0');
  await once(server, 'listening');
  return { door, server };
}
