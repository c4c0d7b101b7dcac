import {
  Component,
  computed,
  effect,
  inject,
  Injector,
  input,
  output,
  runInInjectionContext,
  signal,
  untracked,
} from '@angular/core';
import { figureFabric, type FigureFabric, type PartCount } from '@lemniscus/core/fabric';
import type { StitchSize } from '@lemniscus/core/gauge';
import { FIRM } from '@lemniscus/core/shape';
import { figurePainter } from '../controls/part-shape/figure-paint';
import { eyesOf } from '../controls/part-shape/shape-marks';
import { LengthUnits } from '../data/device/length-units';
import { Figures, type FigureLook } from '../data/follows/figures';
import { Figure } from '../drawing/figure/figure';
import type { FigureBody, Picked } from '../drawing/figure/figure-body';

/** Most different bodies drawn in the round; a set of more is looked at from the side. */
export const MOST_BODIES = 12;
/** Between two bodies, of the widest one. */
const GAP = 0.28;

/** A body of the set: the piece it is asked for by, and what stands under it. */
interface SetBody {
  readonly part: number;
  readonly copy: number;
  readonly name: string;
  /** Parts in it. */
  readonly parts: readonly number[];
}

/**
 * Everything that is made, side by side in the round at one scale: what grows together stands together, and of what is made
 * more than once one is enough, with how many.
 */
@Component({
  selector: 'lem-round-set',
  imports: [Figure],
  template: `
    @if (bodies(); as all) {
      <lem-figure [bodies]="all" [names]="names()" [label]="label()" [mmPerUnit]="stitch().width" (picked)="pick($event)" />
    } @else {
      <p role="status">Working out the shapes…</p>
    }
  `,
  styles: `
    :host {
      display: flex;
      flex-direction: column;
    }
    lem-figure {
      flex: 1;
    }
    p {
      display: grid;
      flex: 1;
      place-items: center;
      color: var(--soft);
    }
  `,
})
export class RoundSet {
  readonly parts = input.required<readonly PartCount[]>();
  readonly stitch = input.required<StitchSize>();
  /** Share by which stuffing stretches it. */
  readonly stretch = input(FIRM);
  readonly plush = input(false);
  readonly eyeMm = input<number | null>(null);
  readonly chosen = input<number | null>(null);
  readonly choose = output<number>();

  private readonly figures = inject(Figures);
  private readonly injector = inject(Injector);
  private readonly painter = figurePainter();
  private readonly lengths = inject(LengthUnits);
  private readonly looks = signal<readonly FigureLook[]>([]);

  private readonly set = computed(() => bodiesOf(figureFabric({ parts: this.parts() }), this.parts()));

  protected readonly bodies = computed<FigureBody[] | null>(() => {
    const set = this.set();
    const states = this.looks()
      .slice(0, set.length)
      .map((look) => look.state());
    if (states.length < set.length || states.some(({ shape }) => shape === null)) return null;
    const shapes = states.map(({ shape }) => shape!);
    const gap = GAP * Math.max(...shapes.map(({ size }) => size[0]));
    const whole = shapes.reduce((sum, { size }) => sum + size[0], gap * (shapes.length - 1));
    let x = -whole / 2;
    return shapes.map((shape, index) => {
      const at = x + shape.size[0] / 2;
      x += shape.size[0] + gap;
      const paint = this.painter(shape.stitches.colours, this.plush());
      const of = states[index]!.of ?? this.parts();
      return { shape, paint, x: at, eyes: eyesOf(shape, of, this.eyeMm(), this.stitch().width) };
    });
  });
  protected readonly names = computed(() =>
    this.set().map(({ name, parts }) => ({ words: name, on: parts.includes(this.chosen() ?? -1) })),
  );
  protected readonly label = computed(() => {
    const sizes = (this.bodies() ?? []).map(({ shape }, index) => {
      const [wide, high] = shape.size.map((size) => this.lengths.words(size * this.stitch().width));
      return `${this.set()[index]?.name ?? ''} about ${wide} wide and ${high} high`;
    });
    return `Everything side by side: ${sizes.join('; ')}`;
  });

  constructor() {
    effect(() => {
      const set = this.set();
      const ratio = this.stitch().height / this.stitch().width;
      const parts = this.parts();
      const stretch = this.stretch();
      untracked(() => {
        this.provideLooks(set.length);
        for (const [index, { part, copy }] of set.entries()) {
          this.looks()[index]!.ask({ parts, part, copy, ratio, stretch, upright: null });
        }
      });
    });
  }

  protected pick({ body }: Picked): void {
    const [part] = this.set()[body]?.parts.slice(-1) ?? [];
    if (part !== undefined) this.choose.emit(part);
  }

  private provideLooks(count: number): void {
    const missing = count - this.looks().length;
    if (missing <= 0) return;
    const more = runInInjectionContext(this.injector, () => Array.from({ length: missing }, () => this.figures.look()));
    this.looks.update((looks) => [...looks, ...more]);
  }
}

/** The different bodies of a figure, in the order of the pattern; copies of one that look alike are counted. */
function bodiesOf({ pieces, bodyStart }: FigureFabric, parts: readonly PartCount[]): SetBody[] {
  const found = new Map<string, SetBody & { count: number }>();
  for (let body = 0; body + 1 < bodyStart.length; body++) {
    const own = pieces.slice(bodyStart[body], bodyStart[body + 1]);
    const key = own.map(({ part }) => part).join(' ');
    const known = found.get(key);
    if (known) {
      known.count++;
      continue;
    }
    const main = own.reduce((a, b) => (b.fabric.stitchCount > a.fabric.stitchCount ? b : a));
    const name = parts[main.part]!.part.name;
    found.set(key, { part: main.part, copy: main.copy, name, parts: [...new Set(own.map(({ part }) => part))], count: 1 });
  }
  return [...found.values()]
    .slice(0, MOST_BODIES)
    .map(({ count, name, ...rest }) => ({ ...rest, name: count > 1 ? `${name} × ${count}` : name }));
}
