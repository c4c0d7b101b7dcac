import { computed, inject, Injectable, linkedSignal, signal, untracked } from '@angular/core';
import { roundLength } from '@lemniscus/core/fabric';
import {
  colourAhead,
  isFinished,
  nowOf,
  paceOf,
  roundsInLine,
  roundStartBefore,
  sessionsOf,
  stepFrom,
  stitchesDone,
  timelyOf,
  timeWorked,
  within,
  writtenRound,
  type Position,
  type Session,
  type Step,
  type Timely,
} from '@lemniscus/core/making';
import { roundHeights } from '@lemniscus/core/gauge';
import { markedStitchOf } from '@lemniscus/core/notation';
import { stuffingSaid } from '@lemniscus/core/supply';
import * as z from 'zod';
import { CurrentMake } from '../data/current-make';
import type { Said } from '../data/maker-log';
import { Gathering } from '../data/gathering';
import { keep, recall } from '../data/local';
import { MakerHand } from '../data/maker-hand';
import { Shapes } from '../data/shapes';

/** What a hand with stuffing needs, mm (common practice: 35 to 40). */
const HAND_MM = 38;
const HAND_KEY = 'hand-opening';
const Steps = z.enum(['stitch', 'group', 'round']);

/** The piece at the hook: where it is, what it asks for, and all that is said of it. */
@Injectable()
export class AtHook {
  readonly current = inject(CurrentMake);
  readonly gathering = inject(Gathering);
  private readonly shapes = inject(Shapes);
  private readonly hand = inject(MakerHand);

  /** The piece at the hook: the one worked on last, until another is taken. */
  private readonly chosen = linkedSignal<string | null, string | null>({
    source: () => this.current.make()?.id ?? null,
    computation: () => this.current.log.lastPiece(),
  });
  readonly piece = computed(() => {
    const pieces = this.current.plans.pieces();
    return pieces.find((piece) => piece.id === this.chosen()) ?? pieces[0] ?? null;
  });
  readonly plan = computed(() => {
    const piece = this.piece();
    return piece && this.current.plans.of(piece.id);
  });
  readonly counted = computed(() => this.plan()?.counted ?? null);
  readonly fabric = computed(() => this.plan()?.fabric ?? null);
  readonly position = computed(() => {
    const plan = this.plan();
    return plan && within(plan.fabric, this.current.log.place(plan.piece.id));
  });
  /** The round at hand, 0-based: what follows from it alone is not worked out anew at every stitch. */
  readonly round = computed(() => this.position()?.round ?? 0);
  readonly said = computed(() => {
    const piece = this.piece();
    return piece ? this.current.log.said(piece.id) : [];
  });
  readonly marked = computed(() => {
    const counted = this.counted();
    const { marker } = this.hand.hand();
    if (marker !== 'pattern') return marker;
    return counted ? markedStitchOf(this.current.count().pattern, counted.part) : null;
  });
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
  readonly canUndo = computed(() => this.said().length > 0);

  /** The change of colour that comes, in actions; null where none does in this round. */
  readonly colour = computed(() => {
    const fabric = this.fabric();
    const position = this.position();
    return fabric && position ? colourAhead(fabric, position) : null;
  });

  readonly profile = computed(() => {
    const fabric = this.fabric();
    const size = this.current.stitch();
    return fabric && size && fabric.stitchCount > 0 ? this.shapes.profile(fabric, size) : null;
  });

  /** The opening a hand needs, as the maker says; mm. */
  readonly handMm = signal(z.number().min(10).max(120).catch(HAND_MM).parse(recall(HAND_KEY)));

  /** Ids of what was done, or is not for this maker. */
  readonly settled = computed(() => this.said().flatMap((event) => (event.kind === 'settled' ? [event.gate] : [])), {
    equal: (a, b) => a.join('\n') === b.join('\n'),
  });

  /** What has its time, without what was done or is not for this maker. */
  readonly timely = computed<readonly Timely[]>(() => {
    const plan = this.plan();
    const round = this.round();
    if (!plan) return [];
    const profile = this.profile();
    const flat = this.shapes.outline(plan.fabric).lie !== 'stuffed';
    const openings = profile && !flat ? Array.from(profile.r, (r) => 2 * r) : [];
    const stuffed = !flat && stuffingSaid(plan.counted.part) !== 'none';
    const settled = new Set(this.settled());
    const all = timelyOf(plan.counted, plan.fabric, { round, action: 0 }, { openings, handMm: this.handMm(), stuffed });
    return all.filter((one) => !settled.has(one.id));
  });

  /** What was put off in this window, each at how near it was: it is said again when it comes nearer. */
  private readonly putOff = signal<ReadonlySet<string>>(new Set());
  /** What is to be done now, and was not put off. */
  readonly due = computed(() => {
    const putOff = this.putOff();
    return this.timely().filter((one) => one.near !== 'ahead' && !putOff.has(this.putOffKey(one)));
  });

  later(one: Timely): void {
    this.putOff.update((all) => new Set([...all, this.putOffKey(one)]));
  }

  private putOffKey({ id, near }: Timely): string {
    return `${this.piece()?.id ?? ''} ${near} ${id}`;
  }

  /** An open run that is being worked: rounds so far, what it asks for, and how long the piece is; null in any other line. */
  readonly openRun = computed(() => {
    const plan = this.plan();
    const position = this.position();
    const size = this.current.stitch();
    const round = position && plan?.counted.rounds[position.round];
    if (!plan || !position || !round || !size) return null;
    const written = writtenRound(plan.altered, plan.counted, position.round);
    const line = this.current.count().pattern.parts[plan.piece.part]!.lines[written.line];
    if (!line?.open) return null;
    const done = roundsInLine(plan.counted, plan.fabric, position);
    // Measured along the wall, as the piece lies before it is stuffed.
    const heights = roundHeights(plan.fabric).slice(0, position.round);
    const mm = heights.reduce((sum, each) => sum + each, 0) * size.height;
    return { line: written.line, rounds: done, wanted: line.open.mm, mm };
  });

  /** Told anew with every round: a stitch more changes little. */
  private readonly sessions = computed(() => {
    this.piece();
    this.round();
    return untracked(() => this.sessionsNow());
  });
  readonly pace = computed(() => paceOf(this.sessions()));
  /** Minutes worked since the day began. */
  readonly minutesToday = computed(() => {
    const day = new Date().setHours(0, 0, 0, 0);
    return Math.round(timeWorked(this.sessions().filter((session) => session.to >= day)) / 60_000);
  });

  private sessionsNow(): Session[] {
    const pieces = new Map(
      this.current.plans.pieces().map((piece) => [piece.id, this.current.plans.of(piece.id)?.fabric ?? null]),
    );
    return sessionsOf(this.current.log.all(), ({ piece, round, action }) => {
      const fabric = pieces.get(piece);
      return fabric ? stitchesDone(fabric, { round, action }).total : 0;
    });
  }

  /** Every piece with how far it is. */
  readonly pieces = computed(() =>
    this.current.plans.pieces().map((piece) => {
      const fabric = this.current.plans.of(piece.id)?.fabric;
      const done = fabric ? stitchesDone(fabric, this.current.log.place(piece.id)).total : 0;
      const all = fabric?.stitchCount ?? 0;
      const stuffing = this.current.log.said(piece.id).findLast((event) => event.kind === 'stuffed');
      return {
        id: piece.id,
        name: piece.name,
        done: all > 0 ? done / all : 0,
        left: all - done,
        minutes: (all - done) / this.pace(),
        stuffing: stuffing?.kind === 'stuffed' ? stuffing.grams : null,
      };
    }),
  );

  /** What the first of several alike had that this one has not: made otherwise, and its stuffing. */
  readonly sibling = computed(() => {
    const plan = this.plan();
    if (!plan || plan.piece.copies < 2) return null;
    const others = this.current.plans.pieces().filter((piece) => piece.part === plan.piece.part && piece.id !== plan.piece.id);
    for (const piece of others) {
      const other = this.current.plans.of(piece.id);
      const stuffing = this.pieces().find((each) => each.id === piece.id)?.stuffing ?? null;
      const fresh = (other?.changes ?? []).filter((change) => !plan.changes.some((own) => same(own, change)));
      if (fresh.length > 0 || stuffing !== null) return { name: piece.name, changes: fresh, stuffing };
    }
    return null;
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
    this.current.log.reach(plan.piece.id, to);
    return to.round > position.round;
  }

  reach(to: Position): void {
    const piece = this.piece();
    if (piece) this.current.log.reach(piece.id, to);
  }

  toRoundStart(): void {
    const fabric = this.fabric();
    const position = this.position();
    if (!fabric || !position || (position.round === 0 && position.action === 0)) return;
    this.reach(roundStartBefore(fabric, position));
  }

  undo(): void {
    const piece = this.piece();
    if (piece) this.current.log.undo(piece.id);
  }

  say(what: Said): void {
    const piece = this.piece();
    if (piece) this.current.log.say(piece.id, what);
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

function same(a: object, b: object): boolean {
  return JSON.stringify(a) === JSON.stringify(b);
}
