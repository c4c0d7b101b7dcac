import * as z from 'zod';

/** What of a batch was refused for good, by its place in the batch, each with a sentence for the person; the rest is stored. */
export const Taken = z.object({ refused: z.array(z.object({ index: z.int().min(0), message: z.string() })) });
export type Taken = z.infer<typeof Taken>;

/** As a batch is answered: with nothing where all of it was taken. */
export const TakenAnswer = Taken.nullable().transform((taken): Taken => taken ?? { refused: [] });

/** The entries of a batch that are what they should be, and what is wrong with the others. */
export function sortOut<T>(schema: z.ZodType<T>, all: readonly unknown[]): { readonly good: T[] } & Taken {
  const good: T[] = [];
  const refused: Taken['refused'] = [];
  for (const [index, one] of all.entries()) {
    const result = schema.safeParse(one);
    if (result.success) good.push(result.data);
    else {
      const { path, message } = result.error.issues[0]!;
      refused.push({ index, message: path.length > 0 ? `${path.join('.')}: ${message}` : message });
    }
  }
  return { good, refused };
}
