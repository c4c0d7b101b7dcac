import {
  computed,
  effect,
  inject,
  Injectable,
  Injector,
  linkedSignal,
  runInInjectionContext,
  signal,
  untracked,
} from '@angular/core';
import { figureFabric, type FigureFabric } from '@lemniscus/core/fabric';
import type { BodyShape } from '@lemniscus/core/shape';
import { Assembling } from '../data/follows/assembling';
import { Figures, type FigureLook, type FigureState } from '../data/follows/figures';
import { CurrentMake } from '../data/open/current-make';
import { PiecePlans } from '../data/open/piece-plans';
import type { KnownBody } from './figure-parts';

/** Most different bodies that are relaxed, and bodies that are shown. */
const MOST_SHAPES = 14;
const MOST_BODIES = 60;

type Pieces = KnownBody['pieces'];

/** The bodies of the open make, each with its shape once it is relaxed; copies that are alike have one shape. */
@Injectable()
export class KnownBodies {
  private readonly plans = inject(PiecePlans);
  private readonly current = inject(CurrentMake);
  private readonly assembling = inject(Assembling);
  private readonly figures = inject(Figures);
  private readonly injector = inject(Injector);
  private readonly looks = signal<readonly FigureLook[]>([]);

  readonly parts = computed(() => this.plans.parts().map(({ counted }) => counted));
  private readonly all = computed(() => bodiesOf(figureFabric({ parts: this.parts() })));

  /** The shape of each kind once all are at rest: what still moves would be drawn again and again. */
  private readonly shapes = linkedSignal<readonly FigureState[], readonly BodyShape[] | null>({
    source: () =>
      this.looks()
        .slice(0, this.all().kinds.length)
        .map((look) => look.state()),
    computation: (states, before) => {
      const shapes = states.flatMap(({ shape, going }) => (shape && !going ? [shape] : []));
      const all = shapes.length === this.all().kinds.length;
      const known = before?.value ?? null;
      return all ? shapes : known?.length === this.all().kinds.length ? known : null;
    },
  });

  /** null until all shapes have come. */
  readonly bodies = computed<readonly KnownBody[] | null>(() => {
    const shapes = this.shapes();
    return (
      shapes &&
      this.all().bodies.flatMap(({ pieces, kind }): KnownBody[] => {
        const shape = shapes[kind];
        return shape ? [{ pieces, shape, worked: pieces.some((piece) => this.begun(piece)) }] : [];
      })
    );
  });

  constructor() {
    effect(() => {
      const { kinds } = this.all();
      const stitch = this.current.stitch();
      const parts = this.parts();
      const stretch = this.current.stretch();
      if (!stitch) return;
      untracked(() => {
        const missing = kinds.length - this.looks().length;
        if (missing > 0) {
          const more = runInInjectionContext(this.injector, () => Array.from({ length: missing }, () => this.figures.look()));
          this.looks.update((looks) => [...looks, ...more]);
        }
        for (const [index, { part, copy }] of kinds.entries())
          this.looks()[index]!.ask({ parts, part, copy: copy - 1, ratio: stitch.height / stitch.width, stretch, upright: null });
      });
    });
  }

  /** Whether the last round of a piece is worked: until then its place shows only its shade. */
  private begun({ part, copy }: Pieces[number]): boolean {
    const step = this.assembling
      .steps()
      .findLast(({ step: own }) => own.kind === 'work' && own.piece?.part === part && own.piece.copy === copy);
    return !step || step.share > 0 || step.state === 'done';
  }
}

/** Every body of a figure with its pieces, copies counted from 1, and the different kinds by the piece each is asked for by. */
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
