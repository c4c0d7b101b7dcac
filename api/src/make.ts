import { BOUNDS, HOOK_RANGE } from '@lemniscus/core/bounds';
import * as z from 'zod';
import { Event } from './event.js';
import { Kit } from './kit.js';

export const MakeId = z.uuid('A make is named by a UUID.');

export const YarnWeight = z.union(
  ([0, 1, 2, 3, 4, 5, 6, 7] as const).map((number) => z.literal(number)),
  'Choose a yarn weight from 0 to 7.',
);

export const HookMm = z
  .number('Give the hook in millimetres.')
  .min(HOOK_RANGE.min, `A hook is at least ${HOOK_RANGE.min} mm.`)
  .max(HOOK_RANGE.max, `A hook is at most ${HOOK_RANGE.max} mm.`);

export const PatternText = z.string('The pattern is text.').max(BOUNDS.text, `A pattern has at most ${BOUNDS.text} characters.`);

/** Of every begun piece, by its id, what of its log says how it is made and where it is. */
export const PiecesSaid = z.record(z.string(), z.array(Event));
export type PiecesSaid = z.infer<typeof PiecesSaid>;

export const Make = z.object({
  id: MakeId,
  /** As the pattern calls itself; the server reads it from the text. */
  title: z.string(),
  text: PatternText,
  yarnWeight: YarnWeight,
  hookMm: HookMm,
  kit: Kit,
  /** Grows by one with every saved change. */
  version: z.int().min(1),
  /** ms since 1970. */
  createdAt: z.int(),
  updatedAt: z.int(),
});
export type Make = z.infer<typeof Make>;

/** A make on the shelf, with where its pieces are. */
export const ShelvedMake = Make.extend({ said: PiecesSaid.default({}) });
export type ShelvedMake = z.infer<typeof ShelvedMake>;

/** The client names the make, so that sending twice makes one. */
export const NewMake = Make.pick({ id: true, text: true, yarnWeight: true, hookMm: true });
export type NewMake = z.infer<typeof NewMake>;

/** Changes to a make, on top of the version they were made to. */
export const MakeChange = Make.pick({ text: true, yarnWeight: true, hookMm: true, kit: true })
  .partial()
  .extend({ version: z.int('Say which version is changed.').min(1) });
export type MakeChange = z.infer<typeof MakeChange>;
