import { Component, computed, input } from '@angular/core';
import type { Fabric } from '@lemniscus/core/fabric';
import type { Position } from '@lemniscus/core/making';
import { heightOf } from '@lemniscus/core/gauge';
import { STITCHES, type StitchName } from '@lemniscus/core/notation';
import { BARS } from './dial-shapes';
import type { DialPin } from './dial-model';
import { ROWS_BELOW, stripModel } from './strip-model';
import { yarnEdge, yarnPaint } from './yarn-colour';

const VIEW = { half: 300, row: 62, top: -150, most: 46 };

/** Flat work under the hook: the hook stands still, the strip moves under it stitch by stitch and is turned over at every row's end. */
@Component({
  selector: 'lem-strip',
  template: `
    <svg viewBox="-300 -300 600 600" aria-hidden="true">
      <g class="strip" [style.transform]="moved()">
        @for (one of drawn(); track $index) {
          <g [attr.transform]="'translate(' + one.x + ' ' + one.y + ')'" [attr.opacity]="one.opacity">
            <path
              [attr.class]="one.state + ' ' + one.change"
              [attr.d]="one.path"
              [style.fill]="one.fill"
              [style.stroke]="one.stroke"
            />
            @if (one.post) {
              <path [attr.class]="'post ' + one.state" [attr.d]="one.post" [style.stroke]="one.stroke" />
            }
            @if (one.ridge !== null) {
              <line
                class="ridge"
                [attr.x1]="-scale() * 0.45"
                [attr.x2]="scale() * 0.45"
                [attr.y1]="one.ridge"
                [attr.y2]="one.ridge"
              />
            }
            @if (one.change !== 'plain') {
              <path
                [attr.class]="'fork ' + one.change"
                [attr.d]="one.change === 'increase' ? 'M0 26V14L-10 2M0 14L10 2' : 'M-10 26L0 12L10 26M0 12V0'"
              />
            }
          </g>
        }
        @for (pin of model().pins; track $index) {
          <circle class="pin" [attr.cx]="pin.x * scale()" [attr.cy]="pinHeight(pin.depth)" r="7" />
        }
      </g>
      <path class="hook" d="M0 -290V-182q0 14 12 12q7 -2 6 -10" />
      <path
        class="way"
        [attr.d]="model().way === -1 ? 'M-70 -224h-52m14 -11l-14 11l14 11' : 'M70 -224h52m-14 -11l14 11l-14 11'"
      />
    </svg>
  `,
  styles: `
    :host {
      display: block;
      aspect-ratio: 1;
    }
    svg {
      display: block;
      width: 100%;
      height: 100%;
      overflow: hidden;
    }
    .strip {
      transition: transform 0.16s ease-out;
    }
    path {
      stroke-width: 1.6;
      stroke-linejoin: round;
    }
    .ahead {
      fill: none !important;
      stroke: var(--faint) !important;
      stroke-dasharray: 4 3;
    }
    .next {
      fill: var(--card) !important;
      stroke: var(--act) !important;
      stroke-width: 3.4;
    }
    .post {
      fill: none !important;
      stroke-width: 2.4;
      stroke-dasharray: none;
    }
    .ridge {
      stroke: var(--ink);
      stroke-width: 2;
    }
    .pin {
      fill: var(--card);
      stroke: var(--act);
      stroke-width: 3.4;
    }
    .fork {
      fill: none;
      stroke-width: 4;
      stroke-linecap: round;
    }
    .fork.increase {
      stroke: var(--inc-mark);
    }
    .fork.decrease {
      stroke: var(--dec-mark);
    }
    .hook {
      fill: none;
      stroke: var(--ink);
      stroke-width: 7;
      stroke-linecap: round;
    }
    .way {
      fill: none;
      stroke: var(--act);
      stroke-width: 4;
      stroke-linecap: round;
    }
  `,
})
export class Strip {
  readonly fabric = input.required<Fabric>();
  readonly position = input.required<Position>();
  readonly side = input<1 | -1>(1);
  /** Where things go on it. */
  readonly pins = input<readonly DialPin[]>([]);

  protected readonly model = computed(() => stripModel(this.fabric(), this.position(), this.side(), this.pins()));
  /** Width of a stitch; a wide row is not squeezed, it runs on past the edge. */
  protected readonly scale = computed(() => Math.min(VIEW.most, Math.max(26, (2 * VIEW.half) / Math.max(1, this.model().width))));
  protected readonly moved = computed(() => `translate(${-this.model().hook * this.scale()}px, 0)`);

  protected pinHeight(depth: number): number {
    return VIEW.top + depth * VIEW.row + VIEW.row / 2;
  }

  protected readonly drawn = computed(() => {
    const scale = this.scale();
    const high = VIEW.row * 0.62;
    const half = scale * 0.46;
    const leaf = (side: number, low: number): string =>
      `M0 ${high / 2}Q${side * half * 0.3} ${-high * 0.1} ${side * half} ${-low}Q${side * half * 1.25} ${high * 0.1} 0 ${high / 2}Z`;
    const bead = `M${-half} ${high * 0.2}a${half} ${high * 0.26} 0 1 0 ${2 * half} 0a${half} ${high * 0.26} 0 1 0 ${-2 * half} 0Z`;
    const paths: Readonly<Partial<Record<StitchName, string>>> = {
      ch: bead,
      // A slip stitch lies low.
      'sl st': leaf(-1, -high * 0.1) + leaf(1, -high * 0.1),
    };
    const plain = leaf(-1, high / 2) + leaf(1, high / 2);
    return this.model().stitches.map(({ stitch, x, depth, state, change, loop, colour }) => ({
      x: x * scale,
      y: VIEW.top + depth * VIEW.row + VIEW.row / 2,
      state,
      change,
      path: paths[stitch] ?? (STITCHES[stitch].look === 'bump' ? bead : plain),
      post: heightOf(stitch) > 1 && STITCHES[stitch].look !== 'bump' ? post(high / 2, VIEW.row - high, BARS[stitch] ?? 0) : null,
      fill: yarnPaint(colour).fill,
      stroke: yarnEdge(yarnPaint(colour)),
      opacity: depth === 0 ? 1 : Math.max(0.3, 0.95 - (depth * 0.7) / ROWS_BELOW),
      ridge: loop === 'both' ? null : loop === 'back' ? high * 0.75 : -high * 0.75,
    }));
  });
}

/** The post of a tall stitch below its top, with a bar for each of its yarn-overs. */
function post(top: number, long: number, bars: number): string {
  let path = `M0 ${top}v${long}`;
  for (let bar = 1; bar <= bars; bar++) path += `M-7 ${top + (long * bar) / (bars + 1) + 2}l14 -4`;
  return path;
}
