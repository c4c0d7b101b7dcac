import { Component, computed, effect, type ElementRef, inject, linkedSignal, viewChild } from '@angular/core';
import { RouterLink } from '@angular/router';
import { isFinished, nowOf, roundStartBefore, stepFrom, stitchesDone, within, type Step } from '@lemniscus/core/making';
import { markedStitchOf } from '@lemniscus/core/notation';
import { measure, standsOnStart, upToRound } from '@lemniscus/core/shape';
import { LucideRotateCcw, LucideUndo2 } from '@lucide/angular';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { CurrentMake } from '../data/current-make';
import { Shapes } from '../data/shapes';
import { Dial } from '../drawing/dial';
import { roundColours } from '../drawing/round-colours';
import { Silhouette } from '../drawing/silhouette';
import { yarnPaint } from '../drawing/yarn-colour';
import { ThemeService } from '../shell/theme';
import { comingUp } from './coming-up';
import { PieceChips } from './piece-chips';

const SILHOUETTE = { width: 190, height: 200 };

/** At the hook: what to do right now, where the round stands, and what comes. */
@Component({
  selector: 'lem-work-stage',
  imports: [Dial, LucideRotateCcw, LucideUndo2, NzButtonModule, PieceChips, RouterLink, Silhouette],
  templateUrl: './work-stage.html',
  styleUrl: './work-stage.css',
  host: { '(window:keydown)': 'pressed($event)' },
})
export class WorkStage {
  protected readonly current = inject(CurrentMake);
  private readonly shapes = inject(Shapes);
  protected readonly themes = inject(ThemeService);
  private readonly table = viewChild<ElementRef<HTMLElement>>('table');

  protected readonly frame = SILHOUETTE;
  protected readonly paint = yarnPaint;

  /** The piece at the hook: the one worked on last, until another is taken. */
  protected readonly chosen = linkedSignal<string | null, string | null>({
    source: () => this.current.make()?.id ?? null,
    computation: () => this.current.lastPiece(),
  });

  protected readonly piece = computed(() => {
    const pieces = this.current.pieces();
    return pieces.find((piece) => piece.id === this.chosen()) ?? pieces[0] ?? null;
  });

  protected readonly counted = computed(() => this.current.count().parts[this.piece()?.part ?? -1] ?? null);
  protected readonly fabric = computed(() => this.current.fabric(this.piece()?.part ?? -1));

  protected readonly marked = computed(() => {
    const counted = this.counted();
    return counted ? markedStitchOf(this.current.count().pattern, counted.part) : null;
  });

  protected readonly position = computed(() => {
    const piece = this.piece();
    const fabric = this.fabric();
    return piece && fabric ? within(fabric, this.current.place(piece.id)) : null;
  });

  protected readonly chips = computed(() =>
    this.current.pieces().map((piece) => {
      const fabric = this.current.fabric(piece.part);
      const done = fabric ? stitchesDone(fabric, this.current.place(piece.id)).total : 0;
      return { id: piece.id, name: piece.name, done: fabric && fabric.stitchCount > 0 ? done / fabric.stitchCount : 0 };
    }),
  );

  protected readonly now = computed(() => {
    const counted = this.counted();
    const fabric = this.fabric();
    const position = this.position();
    return counted && fabric && position ? nowOf(counted, fabric, position, this.current.terms()) : null;
  });

  protected readonly lastRound = computed(() => {
    const rounds = this.counted()?.rounds ?? [];
    return rounds[rounds.length - 1]?.number ?? 0;
  });

  protected readonly ahead = computed(() => {
    const counted = this.counted();
    return counted ? comingUp(counted, this.position()?.round ?? 0, this.current.terms()) : [];
  });

  protected readonly finished = computed(() => {
    const fabric = this.fabric();
    const position = this.position();
    return fabric !== null && position !== null && fabric.stitchCount > 0 && isFinished(fabric, position);
  });

  /** The next piece that is not finished, after this one. */
  protected readonly nextPiece = computed(() => {
    const chips = this.chips();
    const at = chips.findIndex((chip) => chip.id === this.piece()?.id);
    return [...chips.slice(at + 1), ...chips.slice(0, at)].find((chip) => chip.done < 1) ?? null;
  });

  protected readonly canUndo = computed(() => {
    const piece = this.piece();
    return piece !== null && this.current.canUndo(piece.id);
  });

  /** The next change after the action at hand, in the maker's words. */
  protected readonly next = computed(() => {
    const change = this.now()?.nextChange;
    if (!change) return null;
    const name = change.change === 'increase' ? 'Increase' : 'Decrease';
    const when =
      change.inActions === 0 ? 'now' : change.inActions === 1 ? 'after this stitch' : `in ${change.inActions} stitches`;
    return { change: change.change, words: `${name} ${when}` };
  });

  protected readonly groups = computed(() => {
    const now = this.now();
    return now
      ? Array.from({ length: now.groupCount }, (_, group) => (group < now.group ? 'done' : group === now.group ? 'now' : 'ahead'))
      : [];
  });

  protected readonly shape = computed(() => {
    const fabric = this.fabric();
    const size = this.current.stitch();
    const position = this.position();
    if (!fabric || !size || !position || fabric.stitchCount === 0) return null;
    const profile = this.shapes.profile(fabric, size)();
    if (!profile) return null;
    const whole = measure(profile);
    const done = position.round + (position.action > 0 ? 0.5 : 0);
    const rounds = Math.ceil(done);
    return {
      profile,
      colours: roundColours(fabric),
      upright: standsOnStart(fabric),
      done,
      scale: Math.min(SILHOUETTE.width / whole.diameter, SILHOUETTE.height / whole.height),
      across: `${whole.diameter.toFixed(0)} mm across`,
      height: `${(rounds > 0 ? measure(upToRound(profile, rounds)).height : 0).toFixed(0)} of ${whole.height.toFixed(0)} mm high`,
    };
  });

  constructor() {
    // Whoever comes here has the hook in hand: the keys work the dial at once, wherever the last click was.
    const entered = effect(() => {
      const table = this.table();
      if (!table) return;
      table.nativeElement.focus({ preventScroll: true });
      entered.destroy();
    });
  }

  protected take(piece: string): void {
    this.chosen.set(piece);
    this.table()?.nativeElement.focus();
  }

  protected step(by: Step): void {
    const piece = this.piece();
    const fabric = this.fabric();
    const position = this.position();
    if (!piece || !fabric || !position || isFinished(fabric, position)) return;
    this.chosen.set(piece.id);
    this.current.reach(piece.id, stepFrom(fabric, position, by));
  }

  protected toRoundStart(): void {
    const piece = this.piece();
    const fabric = this.fabric();
    const position = this.position();
    if (!piece || !fabric || !position || (position.round === 0 && position.action === 0)) return;
    this.current.reach(piece.id, roundStartBefore(fabric, position));
  }

  protected undo(): void {
    const piece = this.piece();
    if (piece) this.current.undo(piece.id);
  }

  protected pressed(event: KeyboardEvent): void {
    if (event.ctrlKey || event.metaKey || event.altKey || event.defaultPrevented) return;
    const at = event.target instanceof Element ? event.target : null;
    const act = this.actFor(event.key);
    // Links and other buttons keep their own Space and Enter.
    const own =
      (event.key === ' ' || event.key === 'Enter') && at?.closest('a, button:not([data-step]), input') !== null && at !== null;
    if (!act || own) return;
    event.preventDefault();
    if (!event.repeat) act();
  }

  private actFor(key: string): (() => void) | null {
    switch (key) {
      case ' ':
        return () => this.step('stitch');
      case 'ArrowRight':
        return () => this.step('group');
      case 'Enter':
        return () => this.step('round');
      case 'ArrowLeft':
        return () => this.toRoundStart();
      case 'z':
      case 'Z':
        return () => this.undo();
      default:
        return null;
    }
  }
}
