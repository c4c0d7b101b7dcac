import type { PatternCount } from '../fabric/index.js';
import type { StitchSize } from '../gauge/index.js';
import { UPRIGHT } from '../spacing/index.js';
import { asWritten } from './as-written.js';
import { orderOf, type Order, type OrderProblem } from './order.js';
import type { Place, Places } from './place.js';
import { placesOf } from './placer.js';
import { describeProblem } from './problem.js';
import { describeOrderProblem, stepTitle } from './step-words.js';
import { numberOfRound } from './wall.js';

/** Where one copy of a feature goes, for other programs. */
export interface PlaceReport {
  readonly feature: string;
  readonly copy: number;
  readonly host: string;
  /** The numbers of the rounds, or of the two a gap lies between. */
  readonly round: readonly [number, number];
  readonly gap: boolean;
  /** From the front, turns, growing to the right of whoever looks at it; 0 for what goes all round. */
  readonly turns: number;
  /** For each pin the stitches before it, counted from the marker in the direction of work; none for what goes all round. */
  readonly afterStitch: readonly number[];
  /** From the front round the wall, from the host's start along it, and straight across to the other of a pair (null for none). */
  readonly mm: { readonly around: number; readonly along: number; readonly across: number | null };
  readonly problems: readonly string[];
}

/** One step of the order, for other programs. */
export interface StepReport {
  readonly step: string;
  readonly what: string;
  readonly minutes: number;
  readonly waitsFor: readonly string[];
}

const round1 = (value: number): number => Math.round(value * 10) / 10;
const round4 = (value: number): number => Math.round(value * 10_000) / 10_000;

export interface AssemblyOptions {
  readonly stitch: StitchSize;
  readonly eyeMm: number;
  readonly secondsPerStitch: number;
}

/** Places and order of a pattern as it is written, for a right-handed maker who does not lean. */
export function assemblyOf(
  count: PatternCount,
  { stitch, eyeMm, secondsPerStitch }: AssemblyOptions,
): Places & { readonly order: Order } {
  const made = asWritten(count, stitch);
  const places = placesOf(count, { made, lean: UPRIGHT, hand: 'right', stitch, eyeMm });
  const order = orderOf(count, places.features, {
    fabrics: (part) => made(part)!.fabric,
    roundOf: roundOf(places.places),
    secondsPerStitch,
  });
  return { ...places, order };
}

/** The last round that each feature lies on or beside, 0-based. */
export function roundOf(places: readonly Place[]): (feature: { readonly id: string }) => number | null {
  const rounds = new Map(places.map(({ feature, last, gap }) => [feature.id, last + (gap ? 1 : 0)]));
  return ({ id }) => rounds.get(id) ?? null;
}

export function placeReport({ places, problems, features }: Places): {
  readonly places: readonly PlaceReport[];
  readonly problems: readonly string[];
} {
  const placed = new Set(places.map(({ feature }) => feature.id));
  const ofFeature = (id: string): string[] => problems.filter(({ feature }) => feature === id).map(describeProblem);
  return {
    places: places.map((place): PlaceReport => {
      const { feature, copy, wall, host, first, last, gap, around, pins, across } = place;
      const copies = wall.made.counted.part.copies;
      return {
        feature: feature.name,
        copy,
        host: copies > 1 ? `${wall.name} ${host.copy}` : wall.name,
        round: [numberOfRound(wall, first), numberOfRound(wall, last + (gap ? 1 : 0))],
        gap,
        turns: around ? 0 : round4(pins[0]!.fromFront),
        afterStitch: around ? [] : pins.map(({ after }) => after),
        mm: {
          around: around ? 0 : round1(pins[0]!.aroundMm),
          along: round1(pins[0]!.alongMm),
          across: across === null ? null : round1(across),
        },
        problems: ofFeature(feature.id),
      };
    }),
    problems: features.filter(({ id }) => !placed.has(id)).flatMap(({ id }) => ofFeature(id)),
  };
}

export function orderReport({ steps, problems }: Order): {
  readonly steps: readonly StepReport[];
  readonly problems: readonly string[];
} {
  return {
    steps: steps.map((step) => ({
      step: step.id,
      what: stepTitle(step),
      minutes: Math.round(step.minutes),
      waitsFor: step.waits.map(({ step: id }) => id),
    })),
    problems: problems.map((problem: OrderProblem) => describeOrderProblem(problem)),
  };
}
