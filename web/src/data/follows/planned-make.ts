import type { ShelvedMake } from '@lemniscus/api';
import { assemblyOf, type Step } from '@lemniscus/core/assembly';
import { checkPattern, fabricOf, type Fabric, type PatternCount } from '@lemniscus/core/fabric';
import type { PaceByKind } from '@lemniscus/core/history';
import { START, USUAL_PACE, WHOLE_MAKE } from '@lemniscus/core/making';
import { read } from '@lemniscus/core/notation';
import { jobsOf, minutesOf, NO_WORK, together, workFrom, type Job, type Work } from '@lemniscus/core/planning';
import { handGauge, plannedParts, supplyOf, type Demand, type Holding, type Measurement } from '@lemniscus/core/supply';
import { shelvedPieces, type ShelvedPiece } from './shelved-pieces';

/** What a make on the shelf takes, for the plan. */
export interface PlannedMake {
  readonly make: ShelvedMake;
  readonly count: PatternCount;
  readonly fabrics: readonly Fabric[];
  readonly pieces: readonly ShelvedPiece[];
  readonly steps: readonly Step[];
  /** What a whole copy takes. */
  readonly each: Work;
  readonly finished: boolean;
  readonly eyes: number;
}

const EYE_MM = 10;

/** Reads a make's pattern and where it is; a pattern without rounds takes nothing. */
export function plannedMake(make: ShelvedMake, measurements: readonly Measurement[]): PlannedMake {
  const count = checkPattern(read(make.text));
  const fabrics = count.parts.map(fabricOf);
  const { stitch } = handGauge(make, make.kit.hand, measurements);
  const pieces = shelvedPieces(count, fabrics, make.said, stitch.height);
  const hasRounds = fabrics.some(({ stitchCount }) => stitchCount > 0);
  const steps = hasRounds ? assemblyOf(count, { stitch, eyeMm: EYE_MM, secondsPerStitch: 60 / USUAL_PACE }).order.steps : [];
  const byHand: Work = {
    ...NO_WORK,
    minutes: steps.filter(({ kind }) => kind !== 'work').reduce((sum, { minutes }) => sum + minutes, 0),
  };
  const said = make.said[WHOLE_MAKE] ?? [];
  const finished = said.some((event) => event.kind === 'finished' && event.day !== null);
  const each = together([...pieces.map(({ fabric }) => workFrom(fabric, START)), byHand]);
  const eyes = steps.filter(({ kind }) => kind === 'set').reduce((sum, { feature }) => sum + (feature?.copies.length ?? 0), 0);
  return { make, count, fabrics, pieces, steps, each, finished, eyes };
}

/** The jobs of a batch of it, at a pace. */
export function jobsFor({ steps, fabrics }: PlannedMake, pace: PaceByKind): Job[] {
  return jobsOf(
    steps,
    (part) => fabrics[part]!,
    (part, [from, to]) => {
      const fabric = fabrics[part]!;
      const [all, rest] = [workFrom(fabric, { round: from, action: 0 }), workFrom(fabric, { round: to, action: 0 })];
      return minutesOf(all, pace) - minutesOf(rest, pace);
    },
  );
}

/** How many units of each job the log of the copy that is begun has: a finished make is none of those wanted. */
export function unitsLogged({ pieces, finished }: PlannedMake, jobs: readonly Job[]): Map<string, number> {
  const done = new Map<string, number>();
  if (finished) return done;
  for (const { id, kind, part, rounds } of jobs) {
    if (kind !== 'work' || !rounds) continue;
    const worked = pieces.filter(({ piece, position }) => piece.part === part && position.round >= rounds[1]);
    if (worked.length > 0) done.set(id, worked.length);
  }
  return done;
}

/** The yarn that so many copies take, against what the basket has. */
export function demandsFor(
  { make, count, fabrics, pieces, finished }: PlannedMake,
  copies: number,
  basket: readonly Holding[],
  measurements: readonly Measurement[],
): readonly Demand[] {
  const places = new Map(pieces.map(({ piece, position }) => [piece.id, position]));
  const parts = plannedParts(
    count,
    (part) => fabrics[part] ?? null,
    (piece) => (finished ? START : (places.get(piece) ?? START)),
  );
  return supplyOf({ parts, tools: make, kit: { ...make.kit, copies }, measurements, basket }).demands;
}
