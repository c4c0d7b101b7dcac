import { computed, inject, Injectable, linkedSignal } from '@angular/core';
import { roundLength } from '@lemniscus/core/fabric';
import { roundHeights } from '@lemniscus/core/gauge';
import {
  colourAhead,
  isFinished,
  lastSaid,
  nowOf,
  remarksOn,
  roundsInLine,
  roundStartBefore,
  stepFrom,
  writtenRound,
  type Position,
  type Step,
  type RipReason,
} from '@lemniscus/core/making';
import { markedStitchOf, printTime } from '@lemniscus/core/notation';
import * as z from 'zod';
import { keep, recall } from '../data/device/local';
import { MakerHand } from '../data/device/maker-hand';
import { Shapes } from '../data/follows/shapes';
import { CurrentMake } from '../data/open/current-make';
import { MakerLog, type Said } from '../data/open/maker-log';
import { PiecePlans } from '../data/open/piece-plans';

const Steps = z.enum(['stitch', 'group', 'round']);

/** The piece at the hook, where it is, and the way on and back from there. */
@Injectable()
export class AtHook {
  private readonly current = inject(CurrentMake);
  private readonly log = inject(MakerLog);
  private readonly plans = inject(PiecePlans);
  private readonly shapes = inject(Shapes);
  private readonly hand = inject(MakerHand);

  /** The piece at the hook: the one worked on last, until another is taken. */
  private readonly chosen = linkedSignal<string | null, string | null>({
    source: () => this.current.make()?.id ?? null,
    computation: () => this.log.lastPiece(),
  });
  readonly piece = computed(() => {
    const pieces = this.plans.pieces();
    return pieces.find((piece) => piece.id === this.chosen()) ?? pieces[0] ?? null;
  });
  readonly plan = computed(() => {
    const piece = this.piece();
    return piece && this.plans.of(piece.id);
  });
  readonly counted = computed(() => this.plan()?.counted ?? null);
  readonly fabric = computed(() => this.plan()?.fabric ?? null);
  readonly profile = computed(() => {
    const fabric = this.fabric();
    const size = this.current.stitch();
    return fabric && size && fabric.stitchCount > 0 ? this.shapes.profile(fabric, size, this.current.stretch()) : null;
  });

  readonly position = computed(() => {
    const plan = this.plan();
    return plan && this.plans.position(plan.piece.id);
  });
  /** The round at hand, 0-based: what follows from it alone is not worked out anew at every stitch. */
  readonly round = computed(() => this.position()?.round ?? 0);
  readonly now = computed(() => {
    const counted = this.counted();
    const fabric = this.fabric();
    const position = this.position();
    return counted && fabric && position ? nowOf(counted, fabric, position, this.current.terms()) : null;
  });
  readonly finished = computed(() => {
    const fabric = this.fabric();
    const position = this.position();
    return fabric !== null && position !== null && fabric.stitchCount > 0 && isFinished(fabric, position);
  });
  /** The change of colour that comes, in actions; null where none does in this round. */
  readonly colour = computed(() => {
    const fabric = this.fabric();
    const position = this.position();
    return fabric && position ? colourAhead(fabric, position) : null;
  });
  readonly marked = computed(() => {
    const counted = this.counted();
    const { marker } = this.hand.hand();
    if (marker !== 'pattern') return marker;
    return counted ? markedStitchOf(this.current.count().pattern, counted.part) : null;
  });

  readonly said = computed(() => {
    const piece = this.piece();
    return piece ? this.log.said(piece.id) : [];
  });
  readonly canUndo = computed(() => lastSaid(this.said()) !== null);

  /** Where in a talk the round at hand is told, as its player shows it; '' where it was written. */
  readonly told = computed(() => {
    const plan = this.plan();
    const line = plan?.lines[writtenRound(plan.altered, this.round()).line];
    const facts = line?.items.flatMap((item) => (item.kind === 'remark' ? item.facts : [])) ?? [];
    const told = facts.find((fact) => fact.is === 'told');
    return told ? printTime(told.seconds) : '';
  });

  /** The last remark on a round of the piece; '' for none. */
  remarkOn(round: number): string {
    const plan = this.plan();
    if (!plan) return '';
    const { line, nth } = writtenRound(plan.altered, round);
    const all = remarksOn(this.said(), this.current.count(), plan.piece.part, plan.lines);
    return all.findLast((remark) => remark.line === line && remark.nth === nth)?.text ?? '';
  }

  /** An open run that is being worked: rounds so far, what it asks for, and how long the piece is; null in any other line. */
  readonly openRun = computed(() => {
    const plan = this.plan();
    const position = this.position();
    const size = this.current.stitch();
    const round = position && plan?.counted.rounds[position.round];
    if (!plan || !position || !round || !size) return null;
    const written = writtenRound(plan.altered, position.round);
    const line = plan.lines[written.line];
    if (!line?.open) return null;
    const done = roundsInLine(plan.counted, plan.fabric, position);
    // Measured along the wall, as the piece lies before it is stuffed.
    const heights = roundHeights(plan.fabric).slice(0, position.round);
    const mm = heights.reduce((sum, each) => sum + each, 0) * size.height;
    return { line: written.line, rounds: done, wanted: line.open.mm, mm };
  });

  /** What one press of Space does, remembered for each piece. */
  readonly stepBy = linkedSignal<string | null, Step>({
    source: () => this.stepKey(),
    computation: (key) => (key ? Steps.catch('stitch').parse(recall(key)) : 'stitch'),
  });

  take(piece: string): void {
    this.chosen.set(piece);
  }

  setStepBy(step: Step): void {
    this.stepBy.set(step);
    const key = this.stepKey();
    if (key) keep(key, step);
  }

  /** @returns whether a round was ended by it */
  step(by: Step): boolean {
    const plan = this.plan();
    const position = this.position();
    if (!plan || !position || isFinished(plan.fabric, position)) return false;
    this.chosen.set(plan.piece.id);
    const to = stepFrom(plan.fabric, position, by);
    this.plans.reach(plan.piece.id, to);
    return to.round > position.round;
  }

  /** @param why it is ripped back to there, where that is known */
  reach(to: Position, why?: RipReason): void {
    const piece = this.piece();
    if (piece) this.plans.reach(piece.id, to, why);
  }

  toRoundStart(): void {
    const fabric = this.fabric();
    const position = this.position();
    if (!fabric || !position || (position.round === 0 && position.action === 0)) return;
    this.reach(roundStartBefore(fabric, position));
  }

  undo(): void {
    const piece = this.piece();
    if (piece) this.log.undo(piece.id);
  }

  say(what: Said): void {
    const piece = this.piece();
    if (piece) this.plans.tell(piece.id, what);
  }

  /** The round that was just ended, when the piece stands at the start of the next; else the one at hand. 0-based. */
  roundToCount(): number {
    const fabric = this.fabric();
    const position = this.position();
    if (!fabric || !position) return 0;
    const ended = position.action === 0 && position.round > 0;
    return Math.min(fabric.roundCount - 1, ended ? position.round - 1 : position.round);
  }

  stitchesOf(round: number): number {
    const fabric = this.fabric();
    return fabric && round < fabric.roundCount ? roundLength(fabric, round) : 0;
  }

  private stepKey(): string | null {
    const make = this.current.make();
    const piece = this.piece();
    return make && piece ? `step.${make.id}.${piece.id}` : null;
  }
}
