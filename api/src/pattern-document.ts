import type { PatternDocument as CoreDocument } from '@lemniscus/core/exchange';
import { BOUNDS } from '@lemniscus/core/bounds';
import * as z from 'zod';
import { PatternText } from './make.js';

const Words = z.string().max(BOUNDS.text);

/** A pattern as a JSON file, described by docs/pattern.schema.json. */
export const PatternDocument = z
  .object({
    format: z.literal('lemniscus-pattern', 'This JSON file is no Lemniscus pattern.'),
    version: z.literal(1, 'This file was written by a newer Lemniscus. Update, or save the pattern as text there.'),
    title: Words.describe('The pattern’s name.'),
    terms: z.enum(['US', 'UK']).describe('Which stitch names the instructions use.'),
    text: PatternText.optional().describe('The pattern as its maker wrote it. Without it, the text is made from the parts.'),
    notes: z.array(Words).optional().describe('Words before the first part.'),
    parts: z
      .array(
        z.object({
          name: Words,
          copies: z.int().min(1).max(BOUNDS.copies).describe('How many to make.'),
          rounds: z.array(
            z.object({
              label: Words.describe('“R6” or “R6–R12”.'),
              instruction: Words.describe('What is worked, such as “(3 sc, inc) × 6”.'),
              makes: z.array(z.int().min(0)).describe('Stitches each round of the label ends on.'),
              stated: z.int().min(0).nullable().describe('The total the pattern states, or null.'),
              notes: z.array(Words).describe('Words that stand before the round.'),
              remarks: z.array(Words).optional().describe('Words after the instruction and its total.'),
            }),
          ),
          after: z.array(Words).optional().describe('Words after the last round.'),
        }),
      )
      .max(1_000),
    makingUp: z
      .array(Words)
      .optional()
      .describe(
        'How the pieces are put together, a line each, such as “Wing 1: on Body, R12 to R18, a quarter round left of the front”.',
      ),
  })
  .describe('A crochet pattern, round by round.') satisfies z.ZodType<CoreDocument>;
export type PatternDocument = z.infer<typeof PatternDocument>;

/** The JSON Schema that is published as docs/pattern.schema.json. */
export function patternSchema(): object {
  return z.toJSONSchema(PatternDocument, { target: 'draft-7', io: 'input' });
}
