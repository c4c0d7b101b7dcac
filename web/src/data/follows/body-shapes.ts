import {
  computed,
  effect,
  inject,
  Injector,
  linkedSignal,
  runInInjectionContext,
  signal,
  untracked,
  type Signal,
} from '@angular/core';
import { figureFabric, type FigureFabric, type PartCount } from '@lemniscus/core/fabric';
import type { StitchSize } from '@lemniscus/core/gauge';
import type { BodyShape } from '@lemniscus/core/shape';
import { Figures, type FigureLook, type FigureState } from './figures';

/** Most different bodies that are relaxed, and bodies that are shown. */
const MOST_SHAPES = 14;
const MOST_BODIES = 60;

/** A body of a figure: the pieces in it, copies counted from 1, and its shape at rest. */
export interface ShapedBody {
  readonly pieces: readonly { readonly part: number; readonly copy: number }[];
  readonly shape: BodyShape;
}

/** What a figure is made of and with. */
export interface FigureInputs {
  readonly parts: Signal<readonly PartCount[]>;
  readonly stitch: Signal<StitchSize | null>;
  /** Share by which stuffing stretches it. */
  readonly stretch: Signal<number>;
}

/**
 * The bodies of a figure, each with its shape once all are at rest; copies that are alike have one shape. null until they
 * have come. Called where things are injected.
 */
export function bodyShapes({ parts, stitch, stretch }: FigureInputs): Signal<readonly ShapedBody[] | null> {
  const figures = inject(Figures);
  const injector = inject(Injector);
  const looks = signal<readonly FigureLook[]>([]);
  const all = computed(() => bodiesOf(figureFabric({ parts: parts() })));
  // What still moves would be drawn again and again.
  const shapes = linkedSignal<readonly FigureState[], readonly BodyShape[] | null>({
    source: () =>
      looks()
        .slice(0, all().kinds.length)
        .map((look) => look.state()),
    computation: (states, before) => {
      const known = states.flatMap(({ shape, going }) => (shape && !going ? [shape] : []));
      const last = before?.value ?? null;
      if (known.length === all().kinds.length) return known;
      return last?.length === all().kinds.length ? last : null;
    },
  });
  effect(() => {
    const { kinds } = all();
    const [size, counted, share] = [stitch(), parts(), stretch()];
    if (!size) return;
    untracked(() => {
      const missing = kinds.length - looks().length;
      if (missing > 0) {
        const more = runInInjectionContext(injector, () => Array.from({ length: missing }, () => figures.look()));
        looks.update((known) => [...known, ...more]);
      }
      for (const [index, { part, copy }] of kinds.entries())
        looks()[index]!.ask({
          parts: counted,
          part,
          copy: copy - 1,
          ratio: size.height / size.width,
          stretch: share,
          upright: null,
        });
    });
  });
  return computed(() => {
    const known = shapes();
    return (
      known &&
      all().bodies.flatMap(({ pieces, kind }): ShapedBody[] => {
        const shape = known[kind];
        return shape ? [{ pieces, shape }] : [];
      })
    );
  });
}

type Pieces = ShapedBody['pieces'];

/** Every body of a figure with its pieces, and the different kinds by the piece each is asked for by. */
function bodiesOf({ pieces, bodyStart }: FigureFabric): {
  readonly bodies: readonly { readonly pieces: Pieces; readonly kind: number }[];
  readonly kinds: readonly Pieces[number][];
} {
  const kinds = new Map<string, { readonly index: number; readonly by: Pieces[number] }>();
  const bodies: { readonly pieces: Pieces; readonly kind: number }[] = [];
  for (let body = 0; body + 1 < bodyStart.length && bodies.length < MOST_BODIES; body++) {
    const own = pieces.slice(bodyStart[body], bodyStart[body + 1]).map(({ part, copy }) => ({ part, copy: copy + 1 }));
    const key = own.map(({ part }) => part).join(' ');
    const known = kinds.get(key) ?? { index: kinds.size, by: own[0]! };
    if (known.index >= MOST_SHAPES) continue;
    kinds.set(key, known);
    bodies.push({ pieces: own, kind: known.index });
  }
  return { bodies, kinds: [...kinds.values()].map(({ by }) => by) };
}
