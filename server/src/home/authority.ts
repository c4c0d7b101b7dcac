import 'reflect-metadata';
import { createHash, webcrypto } from 'node:crypto';
import { chmod, mkdir, readFile, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import {
  BasicConstraintsExtension,
  ExtendedKeyUsage,
  ExtendedKeyUsageExtension,
  KeyUsageFlags,
  KeyUsagesExtension,
  PemConverter,
  SubjectAlternativeNameExtension,
  SubjectKeyIdentifierExtension,
  X509Certificate,
  X509CertificateGenerator,
} from '@peculiar/x509';

type CryptoKey = webcrypto.CryptoKey;
const crypto = webcrypto;

const KEYS = { name: 'ECDSA', namedCurve: 'P-256', hash: 'SHA-256' } as const;
const DAY_MS = 86_400_000;
const AUTHORITY_DAYS = 3_650;
/** Browsers take no longer of a server (CA/Browser Forum baseline requirements, recalled: 398 days). */
const SERVER_DAYS = 390;
/** Clocks of other devices may be behind. */
const EARLIER_MS = DAY_MS;

/** Who vouches for this machine in the house, made once: its certificate and its key, which stays in the data folder. */
export interface Authority {
  readonly certificate: X509Certificate;
  readonly key: CryptoKey;
}

/** What a server needs to speak HTTPS, as PEM. */
export interface ServerKeys {
  readonly cert: string;
  readonly key: string;
}

/** The authority of a data folder, made where there is none yet. */
export async function authorityIn(folder: string, now: number): Promise<Authority> {
  const home = join(folder, 'home');
  const files = { certificate: join(home, 'authority.crt'), key: join(home, 'authority.key') };
  try {
    const certificate = new X509Certificate(await readFile(files.certificate, 'utf8'));
    if (certificate.notAfter.getTime() - now > SERVER_DAYS * DAY_MS)
      return { certificate, key: await keyFrom(await readFile(files.key, 'utf8')) };
  } catch (error) {
    if (!(error instanceof Error && 'code' in error && error.code === 'ENOENT')) throw error;
  }
  const keys = await crypto.subtle.generateKey(KEYS, true, ['sign', 'verify']);
  const certificate = await X509CertificateGenerator.createSelfSigned({
    serialNumber: serial(),
    name: 'CN=Lemniscus at home',
    notBefore: new Date(now - EARLIER_MS),
    notAfter: new Date(now + AUTHORITY_DAYS * DAY_MS),
    keys,
    signingAlgorithm: KEYS,
    extensions: [
      // It vouches for servers, and for no other authority.
      new BasicConstraintsExtension(true, 0, true),
      new KeyUsagesExtension(KeyUsageFlags.keyCertSign | KeyUsageFlags.cRLSign, true),
      await SubjectKeyIdentifierExtension.create(keys.publicKey),
    ],
  });
  await mkdir(home, { recursive: true, mode: 0o700 });
  await writeFile(files.certificate, certificate.toString('pem'));
  await writeFile(files.key, await pemOf(keys.privateKey), { mode: 0o600 });
  await chmod(files.key, 0o600);
  return { certificate, key: keys.privateKey };
}

/** A certificate for this machine at the addresses it has now, vouched for by the authority. */
export async function serverKeys(
  { certificate, key }: Authority,
  addresses: readonly string[],
  now: number,
): Promise<ServerKeys> {
  const keys = await crypto.subtle.generateKey(KEYS, true, ['sign', 'verify']);
  const own = await X509CertificateGenerator.create({
    serialNumber: serial(),
    subject: 'CN=Lemniscus',
    issuer: certificate.subject,
    notBefore: new Date(now - EARLIER_MS),
    notAfter: new Date(now + SERVER_DAYS * DAY_MS),
    publicKey: keys.publicKey,
    signingKey: key,
    signingAlgorithm: KEYS,
    extensions: [
      new BasicConstraintsExtension(false, undefined, true),
      new KeyUsagesExtension(KeyUsageFlags.digitalSignature, true),
      new ExtendedKeyUsageExtension([ExtendedKeyUsage.serverAuth]),
      new SubjectAlternativeNameExtension(addresses.map((value) => ({ type: 'ip' as const, value }))),
    ],
  });
  return { cert: `${own.toString('pem')}\n${certificate.toString('pem')}`, key: await pemOf(keys.privateKey) };
}

/** What a person can compare on both devices: SHA-256 of the authority's certificate, in pairs. */
export function fingerprintOf({ certificate }: Authority): string {
  const hash = createHash('sha256').update(Buffer.from(certificate.rawData)).digest('hex').toUpperCase();
  return hash.match(/../g)!.join(' ');
}

/** A positive number, as certificates want it. */
function serial(): string {
  const bytes = Buffer.from(crypto.getRandomValues(new Uint8Array(16)));
  bytes[0] = (bytes[0]! & 0x7f) | 0x40;
  return bytes.toString('hex');
}

async function pemOf(key: CryptoKey): Promise<string> {
  return PemConverter.encode(await crypto.subtle.exportKey('pkcs8', key), 'PRIVATE KEY');
}

async function keyFrom(pem: string): Promise<CryptoKey> {
  return crypto.subtle.importKey('pkcs8', PemConverter.decode(pem)[0]!, KEYS, false, ['sign']);
}
