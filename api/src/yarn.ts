import { YARN_BOUNDS } from '@lemniscus/core/bounds';
import type { Yarn as CoreYarn } from '@lemniscus/core/supply';
import * as z from 'zod';
import { PiecesSaid, YarnWeight } from './make.js';

const Words = z.string().max(YARN_BOUNDS.words, `At most ${YARN_BOUNDS.words} characters.`);
const number = ([min, max]: readonly [number, number], what: string): z.ZodNumber =>
  z.number(`${what}: give a number.`).min(min, `${what}: at least ${min}.`).max(max, `${what}: at most ${max}.`);
export const Time = z.int().min(0).max(8_640_000_000_000_000);

/** A yarn of the basket. */
export const Yarn = z.object({
  id: z.uuid('A yarn is named by a UUID.'),
  name: Words.min(1, 'A yarn needs a name.'),
  yarnWeight: YarnWeight,
  fibre: Words,
  colour: Words,
  metresPer100g: number(YARN_BOUNDS.metresPer100g, 'Metres in 100 g').nullable(),
  grams: number(YARN_BOUNDS.grams, 'Grams'),
  /** ms since 1970. */
  weighedAt: Time,
  dyeLot: Words,
  ballGrams: number(YARN_BOUNDS.ballGrams, 'Grams of a ball').nullable(),
  price: number(YARN_BOUNDS.price, 'Price of a ball').nullable(),
}) satisfies z.ZodType<CoreYarn>;
export type Yarn = z.infer<typeof Yarn>;

/** What is kept under an id: the later change wins, whenever it arrives. */
const kept = { changedAt: Time, removed: z.boolean() };

export const KeptYarn = Yarn.extend(kept);
export type KeptYarn = z.infer<typeof KeptYarn>;

/** A yarn with the time of its last change, as the list tells it: who changes it goes one past that. */
export const ListedYarn = Yarn.extend({ changedAt: Time });
export type ListedYarn = z.infer<typeof ListedYarn>;

/** Each is looked at on its own (`KeptYarn`). */
export const YarnBatch = z.object({
  yarns: z.array(z.unknown()).max(YARN_BOUNDS.rows, `Send at most ${YARN_BOUNDS.rows} yarns at once.`),
});

/** Where the pieces of a make were when a yarn it uses was last weighed: what was worked since came off that weight. */
export const YarnUse = z.object({ yarn: z.uuid(), make: z.uuid(), before: PiecesSaid });
export type YarnUse = z.infer<typeof YarnUse>;
