import { createHash } from 'node:crypto';
import { promisify } from 'node:util';
import { BackupMake, BackupManifest, KeptMeasurement, KeptYarn } from '@lemniscus/api';
import { KeptPhoto } from '@lemniscus/api/photo';
import { KeptPlanEntry } from '@lemniscus/api/plan';
import { KeptAnswer } from '@lemniscus/api/practice';
import { KeptSketch } from '@lemniscus/api/sketch';
import { basketToCsv, measurementsToCsv } from '@lemniscus/core/exchange';
import { strFromU8, strToU8, unzip, zip, type AsyncUnzipOptions, type AsyncZippable, type Unzipped } from 'fflate';
import * as z from 'zod';
import { Problem } from '../http/problem.js';

/** Everything that is kept, as a copy has it. */
export interface Backup {
  readonly savedAt: number;
  readonly makes: readonly BackupMake[];
  readonly yarns: readonly KeptYarn[];
  readonly measurements: readonly KeptMeasurement[];
  readonly plan: readonly KeptPlanEntry[];
  readonly practice: readonly KeptAnswer[];
  readonly sketches: readonly KeptSketch[];
  readonly photos: readonly KeptPhoto[];
  /** Pictures of photos, JPEG, by the photo's id. */
  readonly pictures: ReadonlyMap<string, Uint8Array>;
}

const MANIFEST = 'lemniscus.json';
const PICTURES = 'photos/';
/** Most that one file in a copy unpacks to: a make that was worked for years is a tenth of it. */
const MOST_BYTES = 200_000_000;
const MOST_FILES = 100_000;

const packed = promisify((files: AsyncZippable, done: (error: Error | null, data: Uint8Array) => void) => zip(files, done));
const unpacked = promisify((data: Uint8Array, options: AsyncUnzipOptions, done: (error: Error | null, files: Unzipped) => void) =>
  unzip(data, options, done),
);

const hashOf = (bytes: Uint8Array): string => createHash('sha256').update(bytes).digest('hex');

/** A copy as one .zip: JSON to be taken in again, CSV to be read by anything (docs/backup.md). */
export async function toFile({
  savedAt,
  makes,
  yarns,
  measurements,
  plan,
  practice,
  sketches,
  photos,
  pictures,
}: Backup): Promise<Uint8Array> {
  const texts: Record<string, string> = {
    'basket.json': JSON.stringify(yarns, null, 1),
    'basket.csv': basketToCsv(yarns.filter(({ removed }) => !removed)),
    'measurements.json': JSON.stringify(measurements, null, 1),
    'plan.json': JSON.stringify(plan, null, 1),
    'practice.json': JSON.stringify(practice, null, 1),
    'sketches.json': JSON.stringify(sketches, null, 1),
    'photos.json': JSON.stringify(photos, null, 1),
    'measurements.csv': measurementsToCsv(measurements.filter(({ removed }) => !removed).map(({ measurement }) => measurement)),
  };
  for (const each of makes) texts[`makes/${each.make.id}.json`] = JSON.stringify(each, null, 1);
  const files = {
    ...Object.fromEntries(Object.entries(texts).map(([name, text]) => [name, strToU8(text)])),
    ...Object.fromEntries([...pictures].map(([id, bytes]) => [`${PICTURES}${id}.jpg`, bytes])),
  };
  const manifest: BackupManifest = {
    format: 'lemniscus',
    version: 1,
    savedAt,
    files: Object.fromEntries(Object.entries(files).map(([name, bytes]) => [name, hashOf(bytes)])),
  };
  return packed({ [MANIFEST]: strToU8(JSON.stringify(manifest, null, 1)), ...files });
}

/**
 * Reads a copy, all of it, before anything is made of it.
 * @throws Problem that says which file in it is damaged, and where
 */
export async function fromFile(bytes: Uint8Array): Promise<Backup> {
  const files = await unpack(bytes);
  const manifest = parseIn(MANIFEST, BackupManifest, files);
  for (const [name, hash] of Object.entries(manifest.files)) {
    if (!files[name]) throw damaged(name, 'it is missing');
    if (hashOf(files[name]) !== hash) throw damaged(name, 'it is not as it was saved');
  }
  const names = Object.keys(manifest.files).filter((name) => name.startsWith('makes/'));
  return {
    savedAt: manifest.savedAt,
    makes: names.map((name) => parseIn(name, BackupMake, files)),
    yarns: parseIn('basket.json', z.array(KeptYarn), files),
    measurements: parseIn('measurements.json', z.array(KeptMeasurement), files),
    // Copies from before there was a plan have none.
    plan: files['plan.json'] ? parseIn('plan.json', z.array(KeptPlanEntry), files) : [],
    practice: files['practice.json'] ? parseIn('practice.json', z.array(KeptAnswer), files) : [],
    sketches: files['sketches.json'] ? parseIn('sketches.json', z.array(KeptSketch), files) : [],
    photos: files['photos.json'] ? parseIn('photos.json', z.array(KeptPhoto), files) : [],
    pictures: picturesIn(manifest, files),
  };
}

function picturesIn(manifest: BackupManifest, files: Unzipped): Map<string, Uint8Array> {
  const names = Object.keys(manifest.files).filter((name) => name.startsWith(PICTURES));
  return new Map(
    names.map((name) => {
      const id = z.uuid().safeParse(name.slice(PICTURES.length).replace(/\.jpg$/, ''));
      if (!id.success) throw damaged(name, 'its name is no photo’s');
      return [id.data, files[name]!];
    }),
  );
}

async function unpack(bytes: Uint8Array): Promise<Unzipped> {
  let count = 0;
  const filter = ({ name, originalSize }: { name: string; originalSize: number }): boolean => {
    if (originalSize > MOST_BYTES || ++count > MOST_FILES) throw damaged(name, 'it is larger than any copy is');
    return true;
  };
  try {
    return await unpacked(bytes, { filter });
  } catch (error) {
    if (error instanceof Problem) throw error;
    throw new Problem('bad-request', 'This file cannot be unpacked: it is no .zip, or only part of one. Nothing was taken in.');
  }
}

function parseIn<T>(name: string, schema: z.ZodType<T>, files: Unzipped): T {
  const bytes = files[name];
  if (!bytes) throw damaged(name, 'it is missing');
  let value: unknown;
  try {
    value = JSON.parse(strFromU8(bytes));
  } catch {
    throw damaged(name, 'it is no JSON');
  }
  const read = schema.safeParse(value);
  if (read.success) return read.data;
  const { path, message } = read.error.issues[0]!;
  throw damaged(name, `${path.join('.') || 'the whole'}: ${message}`);
}

function damaged(name: string, what: string): Problem {
  return new Problem('bad-request', `Nothing was taken in: in this copy, ${name}: ${what}.`);
}
