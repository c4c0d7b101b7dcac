import {
  afterNextRender,
  Component,
  computed,
  DestroyRef,
  effect,
  ElementRef,
  inject,
  input,
  linkedSignal,
  output,
  signal,
  untracked,
  viewChild,
} from '@angular/core';
import { outlineSvg, surfaceFile, type FigureFile } from './figure-files';
import { FigureRuler } from './figure-ruler';
import type { FigureBody, FigureMarks, Held, Picked } from './figure-body';
import type { FigureScene } from './figure-scene';
import { FRONT, keyed, nearer, turned, type FigureView } from './figure-view';
import { flatFigure, flatTogether } from './flat-figure';

/** A frame that takes longer than this while it is turned makes it coarse until it stands still, ms. */
const SLOW_FRAME = 90;
/** A slow device draws what is dragged so seldom, ms. */
const SELDOM_MS = 160;
/** So long after it is let go it is drawn finely again, ms. */
const STILL_MS = 150;
/** Tipped further than this, radians, heights can no longer be read off. */
const LEVEL = 0.35;
/** Turned by so many radians for each pixel it is dragged. */
const PER_PIXEL = 0.011;
/** Moved less than this a press is a click, pixels. */
const CLICK = 5;
/** Left free for the ruler and for names, pixels. */
const RULER = 84;
const NAMES = 44;

/**
 * A figure on the worktable in the round: every stitch as it will sit. Turned by dragging, the wheel, two fingers and keys.
 * Without WebGL it is drawn on paper, with the same to be seen and clicked.
 */
@Component({
  selector: 'lem-figure',
  imports: [FigureRuler],
  templateUrl: './figure.html',
  styleUrl: './figure.css',
})
export class Figure {
  /** What stands on the table. */
  readonly bodies = input.required<readonly FigureBody[]>();
  /** What it shows, its size and what stands out: its text for who does not see it. */
  readonly label = input.required<string>();
  /** Width of a stitch, mm. */
  readonly mmPerUnit = input.required<number>();
  /** What stands out in each body. */
  readonly marks = input<readonly FigureMarks[]>([]);
  /** What stands under the bodies, if anything; one that is `on` stands out. */
  readonly names = input<readonly { readonly words: string; readonly on: boolean }[]>([]);
  /** Something in it is being dragged: drawing must not keep that waiting. */
  readonly moving = input(false);
  readonly ruler = input(true);
  /** Whether it has buttons for its sides; keys and dragging turn it without. */
  readonly buttons = input(true);
  /** Height of bodies in their places in one figure, in stitch widths; null where each stands by itself. */
  readonly whole = input<number | null>(null);
  /** Whether something can be dragged over the others. */
  readonly canHold = input<(held: Held) => boolean>(() => false);
  /** What is held is over this stitch. */
  readonly dragged = output<{ readonly held: Held; readonly over: Picked }>();
  readonly dropped = output();
  /** A stitch was clicked. */
  readonly picked = output<Picked>();

  private readonly stage = viewChild.required<ElementRef<HTMLElement>>('stage');
  private readonly scene = signal<FigureScene | null>(null);
  protected readonly trouble = signal<'waiting' | 'none' | 'no WebGL'>('waiting');
  protected readonly view = signal<FigureView>(FRONT);
  private readonly size = signal({ width: 0, height: 0 });
  private readonly coarse = signal(false);
  /** Where each body stands, pixels of the stage. */
  protected readonly places = signal<readonly (readonly [number, number])[]>([]);
  private frame = 0;
  private lastFrame = 0;
  private lastDrawn = 0;
  /** Frames since a finger or the pointer began to turn it. */
  private turnedFrames = 0;
  private still: ReturnType<typeof setTimeout> | undefined;
  private readonly pointers = new Map<number, { x: number; y: number }>();
  private moved = 0;
  private held: Held | null = null;

  protected readonly sides = [
    { key: 'f', name: 'Front' },
    { key: 's', name: 'Side' },
    { key: 't', name: 'Top' },
  ] as const;

  protected readonly heightMm = computed(() => {
    const whole = this.whole();
    if (whole !== null) return whole * this.mmPerUnit();
    return Math.max(0, ...this.bodies().map(({ shape, scale = 1 }) => scale * shape.size[1])) * this.mmPerUnit();
  });
  /** Where the tallest body is seen, pixels of the stage from its top. */
  private readonly span = signal<{ readonly top: number; readonly bottom: number } | null>(null);
  /** The ruler stands beside it, from its foot up; only what is looked at from the level can be measured. */
  protected readonly rule = computed(() => {
    const span = this.span();
    const level = Math.abs(this.view().tip) < LEVEL;
    if (!this.ruler() || !span || !level || this.heightMm() === 0) return null;
    return { foot: span.bottom, pixelsPerMm: (span.bottom - span.top) / this.heightMm() };
  });
  private readonly together = computed(() => this.bodies().some(({ stance }) => stance !== undefined));
  /** Of bodies in their places in one figure, without WebGL. */
  protected readonly joined = linkedSignal<boolean, ReturnType<typeof flatTogether>>({
    source: () => this.moving(),
    // On paper it stays while something is dragged: every facet is an element of the page.
    computation: (moving, before) => {
      if (this.trouble() !== 'no WebGL' || !this.together()) return [];
      return moving && before ? before.value : flatTogether(this.bodies(), this.view());
    },
  });
  protected readonly facets = computed(() =>
    this.trouble() === 'no WebGL' && !this.together()
      ? this.bodies().map(({ shape, paint, x, scale = 1 }) => ({
          x,
          scale,
          facets: flatFigure(shape, paint.colours, this.view()),
        }))
      : [],
  );
  protected readonly paper = computed(() => {
    const reach = (0.62 * this.heightMm()) / this.mmPerUnit() / this.view().near;
    const wide = Math.max(reach, widest(this.bodies()) / this.view().near);
    return `${-wide} ${-this.heightMm() / this.mmPerUnit() / 2 - wide} ${2 * wide} ${2 * wide}`;
  });

  constructor() {
    const destroy = inject(DestroyRef);
    afterNextRender(() => void this.begin(destroy));
    effect(() => {
      const scene = this.scene();
      const bodies = this.bodies();
      if (!scene) return;
      untracked(() => {
        scene.show(bodies);
        this.markAll(scene);
        this.redraw();
      });
    });
    effect(() => {
      const scene = this.scene();
      this.marks();
      if (!scene) return;
      untracked(() => {
        this.markAll(scene);
        this.redraw();
      });
    });
    effect(() => {
      this.view();
      this.size();
      this.coarse();
      untracked(() => this.redraw());
    });
    effect(() => {
      const moving = this.moving();
      untracked(() => {
        this.turnedFrames = 0;
        clearTimeout(this.still);
        if (!moving && this.coarse()) this.still = setTimeout(() => this.coarse.set(false), STILL_MS);
      });
    });
  }

  /** Three is a large library: it comes when the first figure does. */
  private async begin(destroy: DestroyRef): Promise<void> {
    const host = this.stage().nativeElement;
    const watch = new ResizeObserver(() => {
      this.fit();
      this.size.set({ width: host.clientWidth, height: host.clientHeight });
    });
    destroy.onDestroy(() => {
      watch.disconnect();
      cancelAnimationFrame(this.frame);
      clearTimeout(this.still);
      this.scene()?.dispose();
    });
    try {
      const { FigureScene } = await import('./figure-scene');
      if (destroy.destroyed) return;
      const scene = new FigureScene(host);
      this.trouble.set('none');
      this.scene.set(scene);
      this.fit();
    } catch {
      this.trouble.set('no WebGL');
    }
    watch.observe(host);
  }

  private fit(): void {
    this.scene()?.fit(this.ruler() ? RULER : 0, this.names().length > 0 ? NAMES : 0);
  }

  private markAll(scene: FigureScene): void {
    for (const [body, marks] of this.marks().entries()) scene.mark(body, marks);
  }

  private redraw(): void {
    cancelAnimationFrame(this.frame);
    this.frame = requestAnimationFrame((now) => {
      // Of all that changes meanwhile only the last is drawn.
      if (this.scene()?.busy()) {
        this.redraw();
        return;
      }
      const took = now - this.lastFrame;
      this.lastFrame = now;
      if (this.moving() && this.coarse() && now - this.lastDrawn < SELDOM_MS) {
        this.redraw();
        return;
      }
      this.lastDrawn = now;
      this.scene()?.draw(this.view(), this.coarse());
      this.span.set(this.scene()?.span() ?? null);
      this.placeNames();
      // While it is turned, frames follow one another: how long one takes shows what the device can do.
      const changing = this.pointers.size > 0 || this.moving();
      if (changing && ++this.turnedFrames > 1 && took > SLOW_FRAME) this.coarse.set(true);
    });
  }

  /** Names follow what they stand under. */
  private placeNames(): void {
    const scene = this.scene();
    const names = this.names();
    if (!scene || names.length === 0) return;
    this.places.set(this.bodies().map(({ x }) => scene.seen(x, 0)));
  }

  protected key(event: KeyboardEvent): void {
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    const view = keyed(this.view(), event.key);
    if (!view) return;
    event.preventDefault();
    event.stopPropagation();
    this.view.set(view);
  }

  protected look(key: string): void {
    this.view.update((view) => keyed(view, key) ?? view);
  }

  protected press(event: PointerEvent): void {
    this.stage().nativeElement.setPointerCapture(event.pointerId);
    this.pointers.set(event.pointerId, { x: event.clientX, y: event.clientY });
    this.moved = 0;
    this.turnedFrames = 0;
    clearTimeout(this.still);
    const held = this.pointers.size === 1 ? (this.scene()?.held(...this.onStage(event)) ?? null) : null;
    this.held = held && this.canHold()(held) ? held : null;
  }

  protected drag(event: PointerEvent): void {
    const last = this.pointers.get(event.pointerId);
    if (!last) return;
    const [dx, dy] = [event.clientX - last.x, event.clientY - last.y];
    this.moved += Math.abs(dx) + Math.abs(dy);
    const before = this.spread();
    this.pointers.set(event.pointerId, { x: event.clientX, y: event.clientY });
    if (this.pointers.size === 2 && before > 0) this.view.update((view) => nearer(view, this.spread() / before));
    else if (this.held) this.dragHeld(event, this.held);
    else if (this.moved > CLICK) this.view.update((view) => turned(view, -dx * PER_PIXEL, dy * PER_PIXEL));
  }

  private onStage({ clientX, clientY }: PointerEvent): [number, number] {
    const { left, top } = this.stage().nativeElement.getBoundingClientRect();
    return [clientX - left, clientY - top];
  }

  private dragHeld(event: PointerEvent, held: Held): void {
    if (this.moved <= CLICK) return;
    const over = this.scene()?.over(...this.onStage(event), held.eye === null ? held.body : null);
    if (over) this.dragged.emit({ held, over });
  }

  /** How far two fingers are apart; 0 where there are not two. */
  private spread(): number {
    const [a, b] = [...this.pointers.values()];
    return a && b ? Math.hypot(a.x - b.x, a.y - b.y) : 0;
  }

  protected release(event: PointerEvent): void {
    const one = this.pointers.delete(event.pointerId) && this.pointers.size === 0;
    if (one && this.held && this.moved > CLICK) this.dropped.emit();
    this.held = null;
    if (one && this.coarse()) this.still = setTimeout(() => this.coarse.set(false), STILL_MS);
    if (!one || this.moved > CLICK || event.type === 'pointercancel') return;
    const picked = this.pickedAt(event.clientX, event.clientY);
    if (picked) this.picked.emit(picked);
  }

  private pickedAt(x: number, y: number): Picked | null {
    const scene = this.scene();
    const { left, top } = this.stage().nativeElement.getBoundingClientRect();
    if (scene) return scene.pick(x - left, y - top);
    const facet = document.elementFromPoint(x, y);
    const { body, stitch } = facet instanceof SVGElement ? facet.dataset : {};
    return body === undefined || stitch === undefined ? null : { body: Number(body), stitch: Number(stitch) };
  }

  protected wheel(event: WheelEvent): void {
    event.preventDefault();
    this.view.update((view) => nearer(view, Math.exp(-event.deltaY / 600)));
  }

  /** What is seen now, as the address of a picture; null without WebGL. */
  snapshot(): string | null {
    return this.scene()?.snapshot() ?? null;
  }

  /** The figure as a file, or null where it cannot be made. */
  async file(kind: FigureFile | 'png', title: string): Promise<Blob | null> {
    const [first] = this.bodies();
    if (kind === 'svg') return first ? outlineSvg(first.shape, this.view(), this.mmPerUnit(), title) : null;
    const scene = this.scene();
    if (!scene) return null;
    if (kind === 'png') {
      scene.draw(this.view());
      return scene.picture();
    }
    const surface = scene.surface();
    return surface && surfaceFile(kind, surface, this.mmPerUnit());
  }
}

/** Half the width that all bodies take, and a little. */
function widest(bodies: readonly FigureBody[]): number {
  return (
    1.15 *
    Math.max(1, ...bodies.map(({ shape, x, scale = 1 }) => Math.abs(x) + (scale * Math.hypot(shape.size[0], shape.size[2])) / 2))
  );
}
