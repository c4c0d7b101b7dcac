import { Component, computed, input } from '@angular/core';
import { measure, outlinePoints, type Profile } from '@lemniscus/core/shape';
import { line } from 'd3-shape';
import { placeOnCurve, smoothOutline } from './smooth-outline';
import { yarnPaint } from './yarn-colour';

type Point = readonly [number, number];

interface Band {
  readonly path: string;
  readonly fill: string;
  readonly worked: boolean;
}

const path = line<Point>();

/** The region between the axis-mirrored outline points. */
function closed(points: readonly Point[]): string {
  const mirrored = points.map(([r, z]): Point => [-r, z]).reverse();
  return `${path([...points, ...mirrored]) ?? ''}Z`;
}

/**
 * A part from the side at true scale: what is worked in the colours of its yarn, what is to come pale and dashed, the
 * working edge as the opening it is. Stands on y = 0 and reaches up; the axis is x = 0. Units are those of the outer
 * drawing times `scale` a millimetre.
 */
@Component({
  selector: 'svg:g[lemSilhouette]',
  template: `
    @if (ring(); as lying) {
      <svg:g [attr.transform]="'scale(' + scale() + ')'">
        @for (band of lying.bands; track $index) {
          <svg:path [attr.d]="band.path" [attr.fill]="band.fill" />
        }
        <svg:path class="worked" [attr.d]="lying.whole" />
        <svg:path class="worked" [attr.d]="lying.hole" />
      </svg:g>
    } @else {
      <svg:g [attr.transform]="transform()">
        @for (band of bands(); track $index) {
          <svg:path [attr.d]="band.path" [attr.fill]="band.fill" [attr.opacity]="band.worked ? 1 : 0.22" />
        }
        @if (!finished()) {
          <svg:path class="to-come" [attr.d]="whole()" />
        }
        @if (worked()) {
          <svg:path class="worked" [attr.d]="worked()" />
        }
        @if (rim(); as edge) {
          <svg:ellipse class="rim" [attr.cx]="0" [attr.cy]="edge.z" [attr.rx]="edge.r" [attr.ry]="edge.r * 0.14" />
        }
      </svg:g>
    }
  `,
  styles: `
    path,
    ellipse {
      vector-effect: non-scaling-stroke;
    }
    .to-come {
      fill: none;
      stroke: var(--faint);
      stroke-width: 1.5px;
      stroke-dasharray: 4 4;
    }
    .worked {
      fill: none;
      stroke: var(--ink);
      stroke-width: 1.6px;
    }
    .rim {
      fill: var(--paper);
      stroke: var(--ink);
      stroke-width: 1.6px;
    }
  `,
})
export class Silhouette {
  readonly profile = input.required<Profile>();
  /** Colour name of each round. */
  readonly colours = input<readonly string[]>([]);
  /** Rounds worked; may be a fraction within a round. All when left out. */
  readonly done = input<number>(Number.POSITIVE_INFINITY);
  /** Whether it stands on its start, or hangs from it. */
  readonly upright = input(false);
  /** Drawing units a millimetre. */
  readonly scale = input(1);

  /** A ring as it lies, from the side and a little above. */
  protected readonly ring = computed(() => {
    const profile = this.profile();
    if (!profile.ring) return null;
    const { diameter, height } = measure(profile);
    const inner = diameter / 2 - height;
    const rounds = profile.r.length;
    return {
      whole: lyingBetween(diameter, height, 0, 1),
      hole: inner > 0 ? `M${-inner} ${-height * 0.86}A${inner} ${height * 0.16} 0 0 0 ${inner} ${-height * 0.86}` : '',
      bands: runsOf(this.colours(), rounds).map(({ from, to, colour }) => ({
        path: lyingBetween(diameter, height, from / rounds, to / rounds),
        fill: yarnPaint(colour).fill,
      })),
    };
  });

  protected readonly finished = computed(() => this.done() >= this.profile().r.length);
  private readonly rounds = computed(() => Math.min(this.profile().r.length, Math.ceil(this.done())));

  protected readonly transform = computed(() => {
    const points = outlinePoints(this.profile());
    const upright = this.upright();
    const heights = points.map(([, z]) => z);
    const foot = upright ? Math.min(...heights) : Math.max(...heights);
    return upright
      ? `scale(${this.scale()} ${-this.scale()}) translate(0 ${-foot})`
      : `scale(${this.scale()}) translate(0 ${-foot})`;
  });

  private readonly curve = computed(() => curveOf(this.profile()));
  protected readonly whole = computed(() => closed(this.curve()));
  protected readonly worked = computed(() => (this.rounds() > 0 ? closed(this.upTo(this.rounds())) : ''));

  /** The curve as far as so many rounds; to its end where those are all. */
  private upTo(rounds: number): readonly Point[] {
    const { r, main } = this.profile();
    if (rounds >= r.length) return this.curve();
    return this.curve().slice(0, this.place(Math.min(rounds, main)) + 1);
  }

  /** Where on the curve a point of the outline lies: its start at 0, then a point a round. */
  private place(index: number): number {
    return isStraight(this.profile()) ? index : placeOnCurve(index, outlinePoints(this.profile()).length);
  }

  protected readonly rim = computed(() => {
    const rounds = this.rounds();
    const { r, z, tip, flat } = this.profile();
    if (flat || rounds === 0 || (rounds === r.length && tip !== null)) return null;
    return { r: r[rounds - 1]!, z: z[rounds - 1]! };
  });

  protected readonly bands = computed<Band[]>(() => {
    const curve = this.curve();
    const worked = this.rounds();
    const { r, main } = this.profile();
    const colours = this.colours();
    const bands: Band[] = [];
    for (let from = 0; from < main;) {
      let to = from + 1;
      while (to < main && to !== worked && colours[to] === colours[from]) to++;
      const end = to === r.length ? curve.length : this.place(to) + 1;
      bands.push({
        path: closed(curve.slice(this.place(from), end)),
        fill: yarnPaint(colours[from] ?? '').fill,
        worked: from < worked,
      });
      from = to;
    }
    return bands;
  });
}

/** Rounds of one colour, `[from, to)`. */
function runsOf(colours: readonly string[], rounds: number): { from: number; to: number; colour: string }[] {
  const runs: { from: number; to: number; colour: string }[] = [];
  for (let round = 0; round < rounds; round++) {
    const colour = colours[round] ?? '';
    const last = runs.at(-1);
    if (last?.colour === colour) last.to = round + 1;
    else runs.push({ from: round, to: round + 1, colour });
  }
  return runs;
}

/** What of a lying ring, seen from the side, is between two shares of its width: it is round at both ends. */
function lyingBetween(diameter: number, height: number, from: number, to: number): string {
  const [half, round] = [diameter / 2, height / 2];
  const bulge = (x: number): number => {
    const over = Math.max(0, Math.abs(x) - (half - round)) / round;
    return round * Math.sqrt(Math.max(0, 1 - over * over));
  };
  const upper = Array.from({ length: LYING_STEPS + 1 }, (_, i): Point => {
    // Closer together where its ends turn.
    const x = diameter * (from + ((to - from) * (1 - Math.cos((Math.PI * i) / LYING_STEPS))) / 2) - half;
    return [x, -round - bulge(x)];
  });
  const lower = upper.map(([x, y]): Point => [x, -2 * round - y]).reverse();
  return `${path([...upper, ...lower]) ?? ''}Z`;
}

/** Points of the outline of a lying ring, each way. */
const LYING_STEPS = 60;

/** Rows lie flat with straight sides. */
const isStraight = ({ flat, base }: Profile): boolean => flat && base.r > 0;

function curveOf(profile: Profile): readonly Point[] {
  const points = outlinePoints(profile);
  return isStraight(profile) ? points : smoothOutline(points);
}
