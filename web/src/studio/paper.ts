import {
  Component,
  computed,
  DestroyRef,
  ElementRef,
  inject,
  input,
  linkedSignal,
  output,
  signal,
  viewChild,
  afterNextRender,
} from '@angular/core';
import type { StitchSize } from '@lemniscus/core/gauge';
import { closesToRing, wishOf, type SketchOutline, type SketchPart } from '@lemniscus/core/sketch';
import { yarnPaint } from '../drawing/yarn-colour';
import {
  betweenPath,
  closed,
  pathOf,
  ringAt,
  shapeOn,
  sheetFor,
  snapped,
  spotAt,
  withoutPoint,
  withPoint,
  withPointNear,
  xOf,
  yOf,
  type Sheet,
} from './paper-model';
import type { PartFound } from './sketch-desk';
import type { Traced } from './traced-picture';

/** An arrow key moves a point so far, mm; with Shift ten times. */
const STEP = 0.5;
/** A click so near the middle line, mm, ends on it. */
const NEAR_AXIS = 4;
/** Pixels from the upper edge to where a clean sheet begins. */
const BEGIN = 70;

/**
 * Squared paper at true scale, a centimetre a square: half an outline by its points, what its rounds become stuffed, and
 * where the two differ.
 */
@Component({
  selector: 'lem-paper',
  templateUrl: './paper.html',
  styleUrl: './paper.css',
})
export class Paper {
  readonly found = input.required<PartFound>();
  readonly stitch = input.required<StitchSize>();
  /** Whether it stands on its start; else it hangs from it. */
  readonly stands = input(false);
  readonly snap = input(false);
  readonly traced = input<Traced | null>(null);
  /** The picture is moved instead of the points. */
  readonly movingPicture = input(false);
  /** The round that is looked at elsewhere, 0-based. */
  /** Its outline before a step, while that is in sight. */
  readonly before = input<SketchOutline | null>(null);
  readonly round = input<number | null>(null);
  readonly outlined = output<{ readonly outline: SketchOutline; readonly gesture: string | null }>();
  readonly rested = output();
  readonly pictureMoved = output<{ readonly x: number; readonly y: number }>();
  readonly chosen = linkedSignal<string, number | null>({ source: () => this.found().part.id, computation: () => null });

  private readonly svg = viewChild.required<ElementRef<SVGSVGElement>>('svg');
  private readonly size = signal({ width: 560, height: 480 });
  private readonly held = signal<number | null>(null);
  private pictureFrom: { readonly x: number; readonly y: number; readonly of: Traced } | null = null;

  protected readonly part = computed<SketchPart>(() => this.found().part);
  /** Keys and a quick hand are not kept waiting until what was told comes back. */
  protected readonly outline = linkedSignal(() => this.part().outline);
  /** Until a first outline is drawn each click is its next point. */
  readonly drawing = linkedSignal<boolean, boolean>({
    source: () => this.outline().points.length < 2,
    computation: (empty, before) => empty || (before?.value ?? false),
  });

  /** What is dragged is not brought to another scale meanwhile. */
  protected readonly sheet = linkedSignal<
    {
      readonly outline: SketchOutline;
      readonly width: number;
      readonly height: number;
      readonly stands: boolean;
      readonly still: boolean;
    },
    Sheet
  >({
    source: () => ({
      outline: this.outline(),
      ...this.size(),
      stands: this.stands(),
      still: this.held() !== null || this.drawing(),
    }),
    computation: ({ outline, width, height, stands, still }, before) => {
      if (still && before) return { ...before.value, width, height, axis: width / 2 };
      const sheet = sheetFor(outline, width, height, stands);
      // A clean sheet begins near its upper edge: the hint is in the way above.
      return outline.points.length < 2 ? { ...sheet, foot: BEGIN, table: height - BEGIN } : sheet;
    },
  });
  protected readonly square = computed(() => 10 * this.sheet().scale);
  protected readonly scaleWords = computed(() => {
    const { times } = this.sheet();
    if (times === 1) return 'True scale';
    return times > 1 ? `${times} times as large` : times > 0.5 ? '3 : 4' : `1 : ${Math.round(1 / times)}`;
  });
  /** Centimetres up the side, from the foot. */
  protected readonly marks = computed(() => {
    const sheet = this.sheet();
    const every = this.square() < 14 ? 5 : 1;
    const most = Math.floor((sheet.table - 14) / this.square());
    return Array.from({ length: Math.max(0, Math.floor(most / every) + 1) }, (_, i) => ({
      cm: i * every,
      y: sheet.table - i * every * this.square(),
    }));
  });

  protected readonly meets = computed(() => closesToRing(this.outline()));
  private readonly wish = computed(() => wishOf(this.outline()).points);
  protected readonly line = computed(() => pathOf(this.sheet(), this.wish()));
  protected readonly ghost = computed(() => pathOf(this.sheet(), this.wish(), -1));
  /** As it was before the step just taken, both its halves. */
  protected readonly was = computed(() => {
    const before = this.before();
    return before ? ([1, -1] as const).map((side) => pathOf(this.sheet(), wishOf(before).points, side)) : [];
  });
  private readonly shape = computed(() => {
    const fit = this.found().found?.fit;
    return fit ? shapeOn(fit.profile, fit.lift) : [];
  });
  /** The stuffed shape in the colours of its rounds, from below up. */
  protected readonly bands = computed(() => {
    const [sheet, shape, { colours }] = [this.sheet(), this.shape(), this.part()];
    const sorted = [...colours].sort((a, b) => a.from - b.from);
    return (sorted.length > 0 ? sorted : [{ from: 1, name: '' }]).flatMap(({ from, name }, i) => {
      const piece = shape.slice(i === 0 ? 0 : from - 1, (sorted[i + 1]?.from ?? shape.length) + (sorted[i + 1] ? 0 : 1));
      if (piece.length < 2) return [];
      const back = [...piece].reverse();
      return [{ fill: yarnPaint(name).fill, path: `${pathOf(sheet, piece)}L${pathOf(sheet, back, -1).slice(1)}Z` }];
    });
  });
  protected readonly edge = computed(() => ([1, -1] as const).map((side) => pathOf(this.sheet(), this.shape(), side)));
  protected readonly between = computed(() =>
    this.shape().length > 1 ? betweenPath(this.sheet(), this.wish(), this.shape()) : '',
  );
  protected readonly ring = computed(() => {
    const round = this.round();
    const fit = this.found().found?.fit;
    const at = round === null || !fit ? null : ringAt(fit.profile, round + 1, fit.lift);
    const sheet = this.sheet();
    return at && { from: xOf(sheet, -at.r), to: xOf(sheet, at.r), y: yOf(sheet, at.z), round: (round ?? 0) + 1 };
  });
  protected readonly points = computed(() => {
    const sheet = this.sheet();
    return this.outline().points.map((point, index) => ({ ...point, index, x: xOf(sheet, point.r), y: yOf(sheet, point.z) }));
  });
  protected readonly picture = computed(() => {
    const traced = this.traced();
    const sheet = this.sheet();
    if (!traced) return null;
    const height = traced.tall * sheet.scale;
    const width = (height * traced.width) / traced.height;
    return {
      href: traced.data,
      width,
      height,
      x: xOf(sheet, traced.x) - width / 2,
      y: sheet.table - traced.y * sheet.scale - height,
      opacity: traced.opacity,
    };
  });

  constructor() {
    const destroyed = inject(DestroyRef);
    afterNextRender(() => {
      const watch = new ResizeObserver(([entry]) => {
        const { width = 0, height = 0 } = entry?.contentRect ?? {};
        // What is drawn for it comes with the next frame: this one is laid out.
        if (width > 0 && height > 0) requestAnimationFrame(() => this.size.set({ width, height }));
      });
      watch.observe(this.svg().nativeElement);
      destroyed.onDestroy(() => watch.disconnect());
    });
  }

  private tell(outline: SketchOutline, gesture: string | null): void {
    this.outline.set(outline);
    this.outlined.emit({ outline, gesture });
  }

  private spot(event: { readonly clientX: number; readonly clientY: number }): { r: number; z: number } {
    const box = this.svg().nativeElement.getBoundingClientRect();
    const at = spotAt(this.sheet(), event.clientX - box.left, event.clientY - box.top);
    return this.snap() ? snapped(at, this.stitch()) : { r: Math.round(at.r * 2) / 2, z: Math.round(at.z * 2) / 2 };
  }

  protected hold(event: PointerEvent, index: number): void {
    if (event.button !== 0 || this.drawing()) return;
    event.stopPropagation();
    (event.currentTarget as Element).setPointerCapture(event.pointerId);
    this.held.set(index);
    this.chosen.set(index);
  }

  protected press(event: PointerEvent): void {
    if (event.button !== 0) return;
    const traced = this.traced();
    if (this.movingPicture() && traced) {
      this.svg().nativeElement.setPointerCapture(event.pointerId);
      this.pictureFrom = { x: event.clientX, y: event.clientY, of: traced };
      return;
    }
    if (this.drawing()) this.draw(this.spot(event));
    else this.chosen.set(null);
  }

  private draw({ r, z }: { r: number; z: number }): void {
    const { points, straight } = this.outline();
    const onAxis = r < NEAR_AXIS;
    const point = { r: onAxis ? 0 : r, z, corner: false, edge: false };
    const next = [...points, point];
    const done = next.length > 2 && onAxis;
    this.tell({ points: next, end: done ? 'shut' : 'open', straight }, null);
    if (done) this.drawing.set(false);
  }

  protected endDrawing(): void {
    if (this.outline().points.length >= 2) this.drawing.set(false);
  }

  protected move(event: PointerEvent): void {
    if (this.pictureFrom) {
      const { x, y, of } = this.pictureFrom;
      const { scale } = this.sheet();
      this.pictureMoved.emit({ x: of.x + (event.clientX - x) / scale, y: of.y - (event.clientY - y) / scale });
      return;
    }
    const index = this.held();
    if (index === null) return;
    this.tell(withPoint(this.outline(), index, this.spot(event)), 'drag');
  }

  protected release(): void {
    this.pictureFrom = null;
    if (this.held() === null) return;
    this.held.set(null);
    this.rested.emit();
  }

  /** A press on the curve is a point more, in hand at once. */
  protected addAt(event: PointerEvent): void {
    if (event.button !== 0 || this.drawing() || this.movingPicture()) return;
    event.stopPropagation();
    const { outline, index } = withPointNear(this.outline(), this.spot(event));
    this.svg().nativeElement.setPointerCapture(event.pointerId);
    this.held.set(index);
    this.chosen.set(index);
    this.tell(outline, 'drag');
  }

  protected keyed(event: KeyboardEvent, index: number): void {
    const outline = this.outline();
    const point = outline.points[index]!;
    const { width, height } = this.stitch();
    const far = event.shiftKey ? 10 : 1;
    const [sideways, upright] = this.snap() ? [width / (2 * Math.PI), height] : [STEP, STEP];
    const moved = (r: number, z: number): SketchOutline =>
      withPoint(outline, index, { r: point.r + r * far * sideways, z: point.z + this.sheet().up * z * far * upright });
    const next = keyedOutline(event.key, outline, index, moved);
    if (!next) return;
    event.preventDefault();
    this.tell(next, event.key.startsWith('Arrow') ? `key ${index}` : null);
    if (event.key === 'Delete' || event.key === 'Backspace') this.chosen.set(null);
  }

  protected say({ r, z, corner, edge }: SketchOutline['points'][number], index: number): string {
    const many = this.outline().points.length;
    const kind = edge ? ', an edge' : corner ? ', a corner' : '';
    return `Point ${index + 1} of ${many}${kind}: ${r.toFixed(1)} mm from the middle, ${z.toFixed(1)} mm up`;
  }
}

/** What a key does to a point; null for one that has no say. */
function keyedOutline(
  key: string,
  outline: SketchOutline,
  index: number,
  moved: (r: number, z: number) => SketchOutline,
): SketchOutline | null {
  const point = outline.points[index]!;
  switch (key) {
    case 'ArrowLeft':
      return moved(-1, 0);
    case 'ArrowRight':
      return moved(1, 0);
    case 'ArrowUp':
      return moved(0, 1);
    case 'ArrowDown':
      return moved(0, -1);
    case 'Delete':
    case 'Backspace':
      return withoutPoint(outline, index);
    case 'Insert':
    case '+': {
      const next = outline.points[index + 1] ?? outline.points[index - 1]!;
      const middle = { r: (point.r + next.r) / 2, z: (point.z + next.z) / 2 };
      return withPointNear(outline, middle).outline;
    }
    case 'c':
      return withPoint(outline, index, { corner: !point.corner, edge: false });
    case 'e':
      return withPoint(outline, index, { edge: !point.edge, corner: !point.edge || point.corner });
    case 'o':
      return closed(outline);
    default:
      return null;
  }
}
