import { computed, inject, Injectable } from '@angular/core';
import { fabricOf, type Fabric, type PartCount, type PatternCount } from '@lemniscus/core/fabric';
import {
  alteredPart,
  countWith,
  piecesOf,
  type Alteration,
  type AlteredPart,
  type MakerEvent,
  type Piece,
} from '@lemniscus/core/making';
import type { OpenRun } from '@lemniscus/core/notation';
import { CurrentMake } from './current-make';
import { MakerLog } from './maker-log';

/** Rounds an open run without a length stands for until it is worked. */
const OPEN_ROUNDS = 6;

/** A piece with its own rounds. */
export interface PiecePlan {
  readonly piece: Piece;
  readonly counted: PartCount;
  readonly fabric: Fabric;
  readonly altered: AlteredPart;
  readonly changes: readonly Alteration[];
}

/** Every piece of the open make as it is really made: its part, open runs given rounds, with what was altered at the hook. */
@Injectable()
export class PiecePlans {
  private readonly current = inject(CurrentMake);
  private readonly log = inject(MakerLog);
  private readonly changesSaid = new WeakMap<readonly MakerEvent[], readonly Alteration[]>();
  private readonly made = new Map<string, { readonly count: PatternCount; readonly key: string; readonly plan: PiecePlan }>();

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
    const piece = this.pieces().find((each) => each.id === id);
    const height = this.current.stitch()?.height;
    if (!piece || height === undefined) return null;
    const count = this.current.count();
    const part = count.pattern.parts[piece.part]!;
    const changes = this.changesOf(id);
    const open = part.lines.some((line) => line.open);
    const key = `${open ? height : 0} ${changes.length === 0 ? '' : JSON.stringify(changes)}`;
    const known = this.made.get(id);
    if (known?.count === count && known.key === key) return known.plan;
    const rounds = (run: OpenRun, before: number): number =>
      run.mm === null ? OPEN_ROUNDS : Math.max(1, Math.ceil(run.mm / height) - before);
    const altered = alteredPart(count.pattern, part, changes, rounds);
    const same = changes.length === 0 && !open;
    const counted = same ? count.parts[piece.part]! : countWith(count, piece.part, altered);
    const fabric = same ? this.fabrics()[piece.part]!() : fabricOf(counted);
    const plan: PiecePlan = { piece, counted, fabric, altered, changes };
    this.made.set(id, { count, key, plan });
    return plan;
  }

  private changesOf(id: string): readonly Alteration[] {
    const said = this.log.said(id);
    const known = this.changesSaid.get(said);
    if (known) return known;
    const changes = said.flatMap((event) => (event.kind === 'altered' ? event.changes : []));
    this.changesSaid.set(said, changes);
    return changes;
  }
}

/** Works the value out at the first call and keeps it. */
function lazily<T>(make: () => T): () => T {
  let made: { readonly value: T } | null = null;
  return () => (made ??= { value: make() }).value;
}
