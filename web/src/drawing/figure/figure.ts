import {
  afterNextRender,
  Component,
  computed,
  DestroyRef,
  effect,
  ElementRef,
  inject,
  input,
  output,
  signal,
  untracked,
  viewChild,
} from '@angular/core';
import type { BodyShape } from '@lemniscus/core/shape';
import { outlineSvg, surfaceFile, type FigureFile } from './figure-files';
import { FigureRuler } from './figure-ruler';
import type { FigureEye, FigureMarks, FigurePaint, FigureScene } from './figure-scene';
import { FRONT, keyed, nearer, turned, type FigureView } from './figure-view';
import { flatFigure } from './flat-figure';

/** A frame that takes longer than this while it is turned makes it coarse until it stands still, ms. */
const SLOW_FRAME = 90;
/** Turned by so many radians for each pixel it is dragged. */
const PER_PIXEL = 0.011;
/** Moved less than this a press is a click, pixels. */
const CLICK = 5;
/** Left free for the ruler, pixels. */
const RULER = 84;
const NO_MARKS: FigureMarks = { lit: new Set(), wrong: new Set() };

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
  readonly shape = input.required<BodyShape>();
  readonly paint = input.required<FigurePaint>();
  /** What it shows, its size and what stands out: its text for who does not see it. */
  readonly label = input.required<string>();
  /** Width of a stitch, mm. */
  readonly mmPerUnit = input.required<number>();
  readonly marks = input<FigureMarks>(NO_MARKS);
  readonly eyes = input<readonly FigureEye[]>([]);
  readonly ruler = input(true);
  /** A stitch was clicked: its index in the shape. */
  readonly picked = output<number>();

  private readonly stage = viewChild.required<ElementRef<HTMLElement>>('stage');
  private readonly scene = signal<FigureScene | null>(null);
  protected readonly trouble = signal<'waiting' | 'none' | 'no WebGL'>('waiting');
  protected readonly view = signal<FigureView>(FRONT);
  private readonly size = signal({ width: 0, height: 0 });
  private readonly coarse = signal(false);
  private frame = 0;
  private lastFrame = 0;
  private still: ReturnType<typeof setTimeout> | undefined;
  private readonly pointers = new Map<number, { x: number; y: number }>();
  private moved = 0;

  protected readonly sides = [
    { key: 'f', name: 'Front' },
    { key: 's', name: 'Side' },
    { key: 't', name: 'Top' },
  ] as const;

  protected readonly heightMm = computed(() => {
    const { positions } = this.shape();
    let high = 0;
    for (let i = 1; i < positions.length; i += 3) high = Math.max(high, positions[i]!);
    return high * this.mmPerUnit();
  });
  protected readonly pixelsPerMm = computed(() => {
    const { height } = this.size();
    this.shape();
    const scene = this.scene();
    if (!scene || height === 0) return 0;
    return scene.pixelsPerUnit(this.view()) / this.mmPerUnit();
  });
  /** Where the ruler's foot stands, pixels below the middle; only a level look can be measured. */
  protected readonly rulerFoot = computed(() => {
    const scene = this.scene();
    const level = Math.abs(this.view().tip) < 0.35 && this.pixelsPerMm() > 0;
    return scene && level ? this.size().height / 2 + scene.middleHeight * this.mmPerUnit() * this.pixelsPerMm() : null;
  });
  protected readonly facets = computed(() =>
    this.trouble() === 'no WebGL' ? flatFigure(this.shape(), this.paint().colours, this.view()) : [],
  );
  protected readonly paper = computed(() => {
    const reach = (0.62 * this.heightMm()) / this.mmPerUnit() / this.view().near;
    const wide = Math.max(reach, widest(this.shape()) / this.view().near);
    return `${-wide} ${-this.heightMm() / this.mmPerUnit() / 2 - wide} ${2 * wide} ${2 * wide}`;
  });

  constructor() {
    const destroy = inject(DestroyRef);
    afterNextRender(() => void this.begin(destroy));
    effect(() => {
      const scene = this.scene();
      const [shape, paint, eyes] = [this.shape(), this.paint(), this.eyes()];
      if (!scene) return;
      untracked(() => {
        scene.show(shape, paint);
        scene.setEyes(eyes);
        scene.mark(this.marks());
        this.redraw();
      });
    });
    effect(() => {
      const scene = this.scene();
      const marks = this.marks();
      if (!scene) return;
      untracked(() => {
        scene.mark(marks);
        this.redraw();
      });
    });
    effect(() => {
      this.view();
      this.size();
      this.coarse();
      untracked(() => this.redraw());
    });
  }

  /** Three is a large library: it comes when the first figure does. */
  private async begin(destroy: DestroyRef): Promise<void> {
    const host = this.stage().nativeElement;
    const watch = new ResizeObserver(() => {
      this.scene()?.fit(this.ruler() ? RULER : 0);
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
      scene.fit(this.ruler() ? RULER : 0);
      this.trouble.set('none');
      this.scene.set(scene);
    } catch {
      this.trouble.set('no WebGL');
    }
    watch.observe(host);
  }

  private redraw(): void {
    cancelAnimationFrame(this.frame);
    this.frame = requestAnimationFrame((now) => {
      const took = now - this.lastFrame;
      this.lastFrame = now;
      this.scene()?.draw(this.view(), this.coarse());
      // While it is turned, frames follow one another: how long one takes shows what the device can do.
      if (this.pointers.size > 0 && took > SLOW_FRAME && took < 1_000) this.goCoarse();
    });
  }

  private goCoarse(): void {
    this.coarse.set(true);
    clearTimeout(this.still);
    this.still = setTimeout(() => this.coarse.set(false), 250);
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
  }

  protected drag(event: PointerEvent): void {
    const last = this.pointers.get(event.pointerId);
    if (!last) return;
    const [dx, dy] = [event.clientX - last.x, event.clientY - last.y];
    this.moved += Math.abs(dx) + Math.abs(dy);
    const before = this.spread();
    this.pointers.set(event.pointerId, { x: event.clientX, y: event.clientY });
    if (this.pointers.size === 2 && before > 0) this.view.update((view) => nearer(view, this.spread() / before));
    else if (this.moved > CLICK) this.view.update((view) => turned(view, -dx * PER_PIXEL, dy * PER_PIXEL));
    if (this.coarse()) this.goCoarse();
  }

  /** How far two fingers are apart; 0 where there are not two. */
  private spread(): number {
    const [a, b] = [...this.pointers.values()];
    return a && b ? Math.hypot(a.x - b.x, a.y - b.y) : 0;
  }

  protected release(event: PointerEvent): void {
    const one = this.pointers.delete(event.pointerId) && this.pointers.size === 0;
    if (!one || this.moved > CLICK || event.type === 'pointercancel') return;
    const { left, top } = this.stage().nativeElement.getBoundingClientRect();
    const stitch = this.scene()?.pick(event.clientX - left, event.clientY - top) ?? null;
    if (stitch !== null) this.picked.emit(stitch);
  }

  protected wheel(event: WheelEvent): void {
    event.preventDefault();
    this.view.update((view) => nearer(view, Math.exp(-event.deltaY / 600)));
  }

  /** The figure as a file, or null where it cannot be made. */
  async file(kind: FigureFile | 'png', title: string): Promise<Blob | null> {
    if (kind === 'svg') return outlineSvg(this.shape(), this.view(), this.mmPerUnit(), title);
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

function widest({ positions }: BodyShape): number {
  let wide = 0;
  for (let i = 0; i < positions.length; i += 3) wide = Math.max(wide, 1.15 * Math.hypot(positions[i]!, positions[i + 2]!));
  return wide;
}
