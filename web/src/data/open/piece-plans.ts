import { computed, inject, Injectable } from '@angular/core';
import { fabricOf, type Fabric, type PartCount, type PatternCount } from '@lemniscus/core/fabric';
import {
  answered,
  lastReached,
  openRoundsAt,
  pieceMade,
  pieceSaid,
  piecesOf,
  placeOfStitch,
  positionOfPiece,
  reachedAt,
  START,
  stitchesDone,
  within,
  type Alteration,
  type AlteredPart,
  type MakerEvent,
  type Piece,
  type PieceSaid,
  type Position,
  type RipReason,
  type WrittenRound,
} from '@lemniscus/core/making';
import type { RoundLine } from '@lemniscus/core/notation';
import { CurrentMake } from './current-make';
import { MakerLog, type Said } from './maker-log';

/** A piece with its own rounds. */
export interface PiecePlan {
  readonly piece: Piece;
  readonly counted: PartCount;
  readonly fabric: Fabric;
  readonly altered: AlteredPart;
  readonly changes: readonly Alteration[];
  /** The lines it is worked by. */
  readonly lines: readonly RoundLine[];
}

/** What was made of what was said of a piece, while neither that nor the pattern nor the gauge changes. */
interface Known {
  readonly count: PatternCount;
  readonly said: readonly MakerEvent[];
  readonly height: number;
  readonly state: PieceSaid;
  readonly plan: PiecePlan;
}

/** Every piece of the open make as it is really made: its part, open runs given rounds, with what was altered at the hook. */
@Injectable()
export class PiecePlans {
  private readonly current = inject(CurrentMake);
  private readonly log = inject(MakerLog);
  private readonly made = new Map<string, Known>();

  readonly pieces = computed(() => piecesOf(this.current.count().pattern));
  private readonly fabrics = computed(() => this.current.count().parts.map((part) => lazily(() => fabricOf(part))));

  /**
   * Every part with its rounds. One with an open run has the rounds of its first piece: as many as that was given, or as
   * the length asked for takes at this gauge.
   */
  readonly parts = computed<readonly Pick<PiecePlan, 'counted' | 'fabric'>[]>(() =>
    this.current.count().parts.map((counted, index) => {
      const first = counted.part.lines.some((line) => line.open)
        ? this.pieces().find((piece) => piece.part === index)
        : undefined;
      return (first && this.of(first.id)) ?? { counted, fabric: this.fabrics()[index]!() };
    }),
  );

  /** The plan of a piece; null for a piece there is not. */
  of(id: string): PiecePlan | null {
    return this.known(id)?.plan ?? null;
  }

  /** What was said of a piece, on the lines it is worked by now; null for a piece there is not. */
  said(id: string): PieceSaid | null {
    return this.known(id)?.state ?? null;
  }

  /** Where a piece is in its rounds. */
  position(id: string): Position {
    const known = this.known(id);
    return known ? within(known.plan.fabric, positionOfPiece(known.state, known.plan)) : START;
  }

  /** Where every piece was at a time, ms since 1970, in the rounds that it has now. */
  positionsAt(time: number): (id: string) => Position {
    const then = this.log.saidUntil(time);
    return (id) => {
      const known = this.known(id);
      if (!known) return START;
      const { count, plan, height } = known;
      return positionOfPiece(pieceSaid(count, plan.piece.part, then(id), openRoundsAt(height)), plan);
    };
  }

  /** Says something of a piece, in terms of the lines it is worked by, which are kept before. */
  tell(id: string, what: Said): void {
    const state = this.said(id);
    if (state) this.tellIn(state, id, what);
  }

  reach(id: string, to: Position, why?: RipReason): void {
    const known = this.known(id);
    if (!known) return;
    const reached = reachedAt(known.plan, known.plan.lines, to);
    this.tellIn(known.state, id, why ? { ...reached, why } : reached);
  }

  /** Says how a piece that is begun stands to what was changed in its pattern since. */
  answer(id: string, how: 'pattern' | 'made' | WrittenRound): void {
    const known = this.known(id);
    if (!known) return;
    const { count, plan, said, height } = known;
    const before = within(plan.fabric, positionOfPiece(known.state, plan));
    const state = answered(count, plan.piece.part, said, known.state, how);
    const next = pieceMade(count, plan.piece.part, state, openRoundsAt(height));
    const at = positionOfPiece(state, next);
    const fabric = fabricOf(next.counted);
    const to = at.action === 0 ? at : placeOfStitch(fabric, at.round, stitchesDone(plan.fabric, before).inRound);
    this.tellIn(state, id, reachedAt(next, state.lines, within(fabric, to)));
  }

  /** Keeps the lines of pieces that were begun before lines were kept, so that no change of the text can move them. */
  keepEarlier(): void {
    for (const { id } of this.pieces()) {
      const follow = this.said(id)?.follow;
      if (follow?.rounds && lastReached(this.log.said(id))) this.log.say(id, { kind: 'followed', ...follow });
    }
  }

  private tellIn({ follow, follows }: PieceSaid, id: string, what: Said): void {
    if (what.kind !== 'reached' && what.kind !== 'altered' && what.kind !== 'remarked') {
      this.log.say(id, what);
      return;
    }
    const kept = follow ? this.log.say(id, { kind: 'followed', ...follow }) : follows;
    this.log.say(id, kept === null ? what : { ...what, follows: kept });
  }

  private known(id: string): Known | null {
    const piece = this.pieces().find((each) => each.id === id);
    const height = this.current.stitch()?.height;
    if (!piece || height === undefined) return null;
    const count = this.current.count();
    const said = this.log.said(id);
    const before = this.made.get(id);
    if (before?.count === count && before.said === said && before.height === height) return before;
    const open = openRoundsAt(height);
    const state = pieceSaid(count, piece.part, said, open);
    const known = { count, said, height, state, plan: this.planOf(before, piece, count, state, height) };
    this.made.set(id, known);
    return known;
  }

  /** The plan of before where nothing changed that it follows from: a step changes nothing in it. */
  private planOf(before: Known | undefined, piece: Piece, count: PatternCount, state: PieceSaid, height: number): PiecePlan {
    const { lines, changes, runs } = state;
    const open = lines.some((line) => line.open);
    const same =
      before?.count === count &&
      before.plan.lines === lines &&
      (!open || before.height === height) &&
      JSON.stringify([before.state.changes, before.state.runs]) === JSON.stringify([changes, runs]);
    if (same) return before.plan;
    const { altered, counted } = pieceMade(count, piece.part, state, openRoundsAt(height));
    const fabric = counted === count.parts[piece.part] ? this.fabrics()[piece.part]!() : fabricOf(counted);
    return { piece, counted, fabric, altered, changes, lines };
  }
}

/** Works the value out at the first call and keeps it. */
function lazily<T>(make: () => T): () => T {
  let made: { readonly value: T } | null = null;
  return () => (made ??= { value: make() }).value;
}
