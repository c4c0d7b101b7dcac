import { computed, inject, Injectable } from '@angular/core';
import { madeAgain, toldOf, workedMs, type Bit, type Sitting } from '@lemniscus/core/history';
import { WHOLE_MAKE, type Finished } from '@lemniscus/core/making';
import { Assembling } from '../data/follows/assembling';
import { madeMake, zoneHere, type MadeMake } from '../data/follows/made-make';
import { CurrentMake } from '../data/open/current-make';
import { MakerLog } from '../data/open/maker-log';
import { yarnStretches, type YarnStretch } from '../drawing/day-line-model';

/** What the log of the open make tells, and what can be said of the whole make. */
@Injectable()
export class Logbook {
  private readonly current = inject(CurrentMake);
  private readonly log = inject(MakerLog);
  private readonly assembling = inject(Assembling);

  readonly made = computed<MadeMake | null>(() => {
    const height = this.current.stitch()?.height;
    return height === undefined ? null : madeMake(this.current.count(), this.log.all(), height);
  });
  readonly history = computed(() => this.made()?.history ?? null);
  readonly minutes = computed(() => workedMs(this.history()?.sittings ?? []) / 60_000);
  readonly stitches = computed(() => (this.history()?.sittings ?? []).reduce((sum, { stitches }) => sum + stitches, 0));
  readonly finished = computed(() => this.history()?.finished ?? null);
  /** What was told of the figure, also while it is not finished after all. */
  readonly told = computed(() => toldOf(this.log.all()));
  readonly allWorked = computed(() => {
    const pieces = this.made()?.pieces ?? [];
    return pieces.length > 0 && pieces.every(({ finished }) => finished);
  });

  private readonly names = computed(() => new Map(this.made()?.pieces.map(({ piece }) => [piece.id, piece.name]) ?? []));
  private readonly zones = computed(() => new Map(this.history()?.bits.map(({ at, zone }) => [at, zone]) ?? []));
  private readonly colours = computed(() => new Map(this.made()?.pieces.map(({ piece, colours }) => [piece.id, colours]) ?? []));

  readonly nameOf = (piece: string): string => this.names().get(piece) ?? (piece === WHOLE_MAKE ? this.current.title() : piece);
  readonly zoneOf = (at: number): number => this.zones().get(at) ?? zoneHere(at);

  private readonly colourOf = ({ piece, round }: Bit): string | null =>
    round === null ? null : (this.colours().get(piece)?.[round] ?? null);

  stretches(sitting: Sitting): YarnStretch[] {
    return yarnStretches(this.history()?.bits ?? [], sitting, this.colourOf);
  }

  /** Puts a time of work in by hand. */
  putIn(from: number, to: number): void {
    this.log.say(WHOLE_MAKE, { kind: 'sat', from, to, counts: true });
  }

  /** Lets a sitting not count; one that was put in by hand is gone again. */
  takeOut({ from, to, byHand }: Sitting): void {
    const put = byHand === null ? null : this.log.said(WHOLE_MAKE).find(({ id }) => id === byHand);
    if (put) this.log.takeBack(put);
    else this.log.say(WHOLE_MAKE, { kind: 'sat', from: from - 1, to: Math.max(to, from + 1), counts: false });
  }

  /** Takes back the last thing that was said of the make's times. */
  readonly lastTime = computed(() => this.log.said(WHOLE_MAKE).findLast(({ kind }) => kind === 'sat') ?? null);
  undoTime(): void {
    const last = this.lastTime();
    if (last) this.log.takeBack(last);
  }

  finish(as: Finished): void {
    this.log.say(WHOLE_MAKE, { kind: 'finished', ...as });
  }

  /** The pattern as it was really made. */
  again(): string {
    const made = this.made();
    const stitch = this.current.stitch();
    if (!made || !stitch) return this.current.text();
    const pieces = new Map(made.pieces.map((each) => [each.piece.id, each]));
    const put = new Set(
      made.pieces
        .flatMap(({ piece }) => this.log.said(piece.id))
        .flatMap((event) => (event.kind === 'placed' ? [`${event.feature} ${event.copy}`] : [])),
    );
    const places = this.assembling.places()?.places ?? [];
    return madeAgain(
      this.current.count(),
      (id) => {
        const piece = pieces.get(id);
        const otherwise = piece && piece.counted !== this.current.count().parts[piece.piece.part];
        return otherwise ? { part: piece.altered.part, worked: piece.position.round } : null;
      },
      places.filter(({ feature, copy }) => put.has(`${feature.id} ${copy}`)),
      stitch,
    );
  }
}
