import { createHash, randomBytes, randomUUID } from 'node:crypto';
import type { Device } from '@lemniscus/api';
import type { EntityManager } from '@mikro-orm/libsql';
import { DeviceEntity, type DeviceRow } from '../database/device.entity.js';
import { Problem } from '../http/problem.js';

/** When a device was seen is kept no finer than this. */
const SEEN_EVERY_MS = 60_000;

const hashOf = (token: string): string => createHash('sha256').update(token).digest('hex');

/** Lets a device in. @returns what its cookie is to hold, which is told nobody else and kept nowhere */
export async function addDevice(em: EntityManager, name: string, now: number): Promise<string> {
  const token = randomBytes(32).toString('base64url');
  em.create(DeviceEntity, { id: randomUUID(), name, token: hashOf(token), pairedAt: now, seenAt: now });
  await em.flush();
  return token;
}

/** The device that holds this; null when it was never let in, or sent away. */
export async function deviceWith(em: EntityManager, token: string, now: number): Promise<DeviceRow | null> {
  const device = await em.findOne(DeviceEntity, { token: hashOf(token) });
  if (device && now - device.seenAt >= SEEN_EVERY_MS) {
    device.seenAt = now;
    await em.flush();
  }
  return device;
}

/** Devices that are let in, the one seen last first. */
export async function listDevices(em: EntityManager): Promise<Device[]> {
  const rows = await em.find(DeviceEntity, {}, { orderBy: { seenAt: 'desc', id: 'asc' } });
  return rows.map(({ id, name, pairedAt, seenAt }) => ({ id, name, pairedAt, seenAt }));
}

/** Sends a device away: what its cookie holds lets nobody in any more. @throws Problem `not-found` */
export async function sendAway(em: EntityManager, id: string): Promise<void> {
  if ((await em.nativeDelete(DeviceEntity, { id })) === 0)
    throw new Problem('not-found', 'This device is not among those let in.');
}
