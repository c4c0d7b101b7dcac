import type { Measurement as CoreMeasurement } from '@lemniscus/core/supply';
import * as z from 'zod';
import { HookMm, YarnWeight } from './make.js';
import { Time } from './yarn.js';

const Mm = z.number().positive().max(100_000);
const Count = z.number().positive().max(100_000);
const common = { id: z.uuid('A measurement is named by a UUID.'), takenAt: Time, yarnWeight: YarnWeight, hookMm: HookMm };
const part = { ...common, part: z.string().max(200) };
const Grams = z.number().positive('Grams: more than none.').max(100_000);

/** What a maker measured or weighed. */
export const Measurement = z.discriminatedUnion('kind', [
  z.object({
    ...common,
    kind: z.literal('swatch'),
    stitches: Count,
    widthMm: Mm,
    rounds: Count.nullable(),
    heightMm: Mm.nullable(),
  }),
  z.object({
    ...part,
    kind: z.literal('part'),
    widthMm: Mm,
    heightMm: Mm.nullable(),
    stitchWidth: Mm,
    stitchHeight: Mm.nullable(),
    spread: z.number().positive().max(1),
    stretch: z.number().min(0).max(0.2).optional(),
  }),
  z.object({
    ...part,
    kind: z.literal('weight'),
    grams: Grams,
    metresPer100g: z.number().positive().max(100_000),
    runs: z.object({ across: z.number().min(0), up: z.number().min(0), fixed: z.number().min(0) }),
  }),
  z.object({
    ...part,
    kind: z.literal('stuffing'),
    grams: Grams,
    firmness: z.enum(['soft', 'medium', 'firm']),
    volumeMm3: z.number().positive(),
  }),
]) satisfies z.ZodType<CoreMeasurement>;
export type Measurement = z.infer<typeof Measurement>;

export const KeptMeasurement = z.object({ measurement: Measurement, changedAt: Time, removed: z.boolean() });
export type KeptMeasurement = z.infer<typeof KeptMeasurement>;

/** Each is looked at on its own (`KeptMeasurement`). */
export const MeasurementBatch = z.object({
  measurements: z.array(z.unknown()).max(1_000, 'Send at most 1000 measurements at once.'),
});
