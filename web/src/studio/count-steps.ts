import { Component, computed, ElementRef, input, linkedSignal, output, signal, viewChild } from '@angular/core';
import { withCount, withoutRound, withRound, type SketchColour } from '@lemniscus/core/sketch';
import { yarnPaint } from '../drawing/yarn-colour';

/** Height of the steps, and of the band of yarn below them; pixels. */
const HIGH = 78;
const BAND = 18;
const LEAST_WIDE = 15;
const MOST_WIDE = 34;

/** The counts of a part as steps, a round each: dragged up and down by hand, painted below in the colours of the yarn. */
@Component({
  selector: 'lem-count-steps',
  templateUrl: './count-steps.html',
  styleUrl: './count-steps.css',
})
export class CountSteps {
  readonly counts = input.required<readonly number[]>();
  readonly colours = input.required<readonly SketchColour[]>();
  /** A colour is in hand to paint with. */
  readonly brush = input<string | null>(null);
  readonly counted = output<{ readonly counts: readonly number[]; readonly gesture: string | null }>();
  readonly painted = output<{ readonly from: number; readonly to: number }>();
  readonly rested = output();
  /** The round that is looked at, 0-based. */
  readonly looked = output<number | null>();

  /** Keys are not kept waiting until what was told comes back. */
  private readonly now = linkedSignal(() => this.counts());

  private readonly list = viewChild.required<ElementRef<HTMLElement>>('list');
  protected readonly focused = linkedSignal<number, number>({
    source: () => this.counts().length,
    computation: (length, before) => Math.min(before?.value ?? 0, length - 1),
  });
  private readonly drag = signal<{ readonly round: number; readonly y: number; readonly counts: readonly number[] } | null>(null);
  private readonly strokeFrom = signal<number | null>(null);
  protected readonly strokeTo = signal<number | null>(null);
  protected readonly stroke = computed(() => {
    const [from, to] = [this.strokeFrom(), this.strokeTo()];
    return from === null || to === null ? null : { from: Math.min(from, to), to: Math.max(from, to) };
  });

  /** Where the highest step is as high as there is room; held still while one is dragged. */
  private readonly most = linkedSignal<{ readonly most: number; readonly still: boolean }, number>({
    source: () => ({ most: Math.max(12, ...this.counts()), still: this.drag() !== null }),
    computation: ({ most, still }, before) => (still && before ? before.value : most),
  });
  protected readonly steps = computed(() => {
    const most = this.most();
    return this.counts().map((count, round, all) => {
      const change = round === 0 ? 0 : count - all[round - 1]!;
      return {
        round,
        count,
        high: Math.max(6, (HIGH * count) / most),
        kind: change > 0 ? 'increase' : change < 0 ? 'decrease' : 'plain',
        fill: yarnPaint(this.colourOf(round + 1)).fill,
        edge: yarnPaint(this.colourOf(round + 1)).edge,
        say: `Round ${round + 1}: ${count} stitches${change === 0 ? '' : change > 0 ? `, ${change} more` : `, ${-change} fewer`}`,
      };
    });
  });
  protected readonly wide = computed(() =>
    Math.max(LEAST_WIDE, Math.min(MOST_WIDE, Math.floor(880 / Math.max(1, this.counts().length)))),
  );
  protected readonly high = HIGH;
  protected readonly band = BAND;

  private colourOf(round: number): string {
    return [...this.colours()].sort((a, b) => a.from - b.from).findLast(({ from }) => from <= round)?.name ?? '';
  }

  protected hold(event: PointerEvent, round: number): void {
    if (event.button !== 0) return;
    (event.currentTarget as Element).setPointerCapture(event.pointerId);
    this.focused.set(round);
    if (this.brush()) {
      this.strokeFrom.set(round);
      this.strokeTo.set(round);
      return;
    }
    this.drag.set({ round, y: event.clientY, counts: this.counts() });
  }

  protected move(event: PointerEvent): void {
    if (this.strokeFrom() !== null) {
      const box = this.list().nativeElement.getBoundingClientRect();
      const at = Math.floor((event.clientX - box.left) / this.wide());
      this.strokeTo.set(Math.max(0, Math.min(this.counts().length - 1, at)));
      return;
    }
    const drag = this.drag();
    if (!drag) return;
    const count = drag.counts[drag.round]! + Math.round(((drag.y - event.clientY) * this.most()) / HIGH);
    const counts = withCount(drag.counts, drag.round, count);
    if (counts.some((each, i) => each !== this.now()[i])) this.tell(counts, 'count');
  }

  private tell(counts: readonly number[], gesture: string | null): void {
    this.now.set(counts);
    this.counted.emit({ counts, gesture });
  }

  protected release(): void {
    const stroke = this.stroke();
    if (stroke) this.painted.emit({ from: stroke.from + 1, to: stroke.to + 1 });
    this.strokeFrom.set(null);
    this.strokeTo.set(null);
    if (!this.drag()) return;
    this.drag.set(null);
    this.rested.emit();
  }

  protected keyed(event: KeyboardEvent, round: number): void {
    const counts = this.now();
    const far = event.shiftKey ? 6 : 1;
    const go = (to: number): void => {
      const next = Math.max(0, Math.min(counts.length - 1, to));
      this.focused.set(next);
      this.list().nativeElement.querySelectorAll<HTMLElement>('.step')[next]?.focus();
    };
    const set = (next: readonly number[]): void => this.tell(next, event.key.startsWith('Arrow') ? `count ${round}` : null);
    if (event.key === 'ArrowLeft') go(round - 1);
    else if (event.key === 'ArrowRight') go(round + 1);
    else if (event.key === 'Home') go(0);
    else if (event.key === 'End') go(counts.length - 1);
    else if (event.key === 'ArrowUp') set(withCount(counts, round, counts[round]! + far));
    else if (event.key === 'ArrowDown') set(withCount(counts, round, counts[round]! - far));
    else if (event.key === '+' || event.key === 'Insert') set(withRound(counts, round));
    else if (event.key === '-' || event.key === 'Delete') set(withoutRound(counts, round));
    else if (event.key === 'p' && this.brush()) this.painted.emit({ from: round + 1, to: round + 1 });
    else return;
    event.preventDefault();
  }
}
