import { SKETCH_BOUNDS } from '@lemniscus/core/bounds';
import type { Sketch as CoreSketch } from '@lemniscus/core/sketch';
import * as z from 'zod';
import { HookMm, YarnWeight } from './make.js';
import { Time } from './yarn.js';

const Mm = z.number().min(-SKETCH_BOUNDS.mm).max(SKETCH_BOUNDS.mm);
const Id = z.uuid('A sketch and its parts are named by UUIDs.');
const Round = z.int().min(1).max(SKETCH_BOUNDS.rounds);

const SketchPoint = z.object({ r: Mm, z: Mm, corner: z.boolean(), edge: z.boolean() });

const SketchPlace = z.object({
  on: Id,
  height: z.discriminatedUnion('is', [
    z.object({ is: z.literal('share'), share: z.number().min(0).max(1) }),
    z.object({ is: z.literal('start') }),
  ]),
  round: z.discriminatedUnion('is', [
    z.object({ is: z.literal('side'), side: z.enum(['front', 'back', 'left', 'right']) }),
    z.object({ is: z.literal('pair'), apart: z.int().min(0).max(SKETCH_BOUNDS.stitches), side: z.enum(['front', 'back']) }),
    z.object({ is: z.literal('sides') }),
    z.object({ is: z.literal('evenly') }),
    z.object({ is: z.literal('around') }),
  ]),
  join: z.enum(['sewn', 'sewn flat']),
});

const SketchPart = z.object({
  id: Id,
  name: z.string().min(1, 'A part needs a name.').max(SKETCH_BOUNDS.name),
  copies: z.int().min(1).max(SKETCH_BOUNDS.copies),
  outline: z.object({
    points: z.array(SketchPoint).max(SKETCH_BOUNDS.points, `At most ${SKETCH_BOUNDS.points} points.`),
    end: z.enum(['shut', 'open']),
    straight: z.number().min(0).max(SKETCH_BOUNDS.mm),
    // Sketches from before parts bent, or were rings, are straight.
    bend: z.number().min(0).max(SKETCH_BOUNDS.bend).default(0),
    ring: z.boolean().default(false),
  }),
  counts: z.array(z.int().min(1).max(SKETCH_BOUNDS.stitches)).min(2).max(SKETCH_BOUNDS.rounds).nullable(),
  first: z.int().min(3).max(12).nullable(),
  stuffed: z.boolean(),
  // Sketches from before there was a choice are in single crochet.
  worked: z.enum(['sc', 'hdc', 'dc']).default('sc'),
  colours: z.array(z.object({ from: Round, name: z.string().min(1).max(SKETCH_BOUNDS.name) })).max(SKETCH_BOUNDS.colours),
  place: SketchPlace.nullable(),
  grows: z.object({ from: Id, chains: z.int().min(0).max(60) }).nullable(),
});

/** What is drawn in the Studio. A picture that is traced stays on its device and is not in it. */
export const Sketch: z.ZodType<CoreSketch> = z.object({
  id: Id,
  name: z.string().max(SKETCH_BOUNDS.name),
  yarnWeight: YarnWeight,
  hookMm: HookMm,
  parts: z.array(SketchPart).max(SKETCH_BOUNDS.parts, `At most ${SKETCH_BOUNDS.parts} parts.`),
  at: Time,
});
export type Sketch = CoreSketch;

export const KeptSketch = z.object({ sketch: Sketch, changedAt: Time, removed: z.boolean() });
export type KeptSketch = z.infer<typeof KeptSketch>;

/** Each is looked at on its own (`KeptSketch`). */
export const SketchBatch = z.object({ sketches: z.array(z.unknown()).max(200, 'Send at most 200 sketches at once.') });
